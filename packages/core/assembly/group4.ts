// Group 4 facsimile coding, ITU-T Recommendation T.6; see film/group4.ts.

/** Bits that wait to be written, four bytes at a time, how many they are, and where the next byte goes. */
let pending: u64 = 0;
let waiting: i32 = 0;
let at: usize = 0;

// @ts-ignore: decorator
@inline
function put(code: u32, bits: i32): void {
  pending = (pending << <u64>bits) | <u64>code;
  waiting += bits;
  if (waiting >= 32) {
    waiting -= 32;
    store<u32>(at, bswap<u32>(<u32>(pending >> <u64>waiting)));
    at += 4;
  }
}

/** Writes whole bytes of what waits: a caller is given them before the next rows come. */
function flush(): void {
  while (waiting >= 8) {
    waiting -= 8;
    store<u8>(at++, <u8>(pending >> <u64>waiting));
  }
}

/** A run's code: make-up codes of 2560 and of the 64s, then the rest. `codes` holds 104 codes and their lengths (i32). */
function putRun(codes: usize, run: i32): void {
  while (run >= 2624) {
    put(load<u32>(codes + 4 * 103), load<i32>(codes + 4 * 207));
    run -= 2560;
  }
  if (run >= 64) {
    const makeUp = codes + 4 * <usize>(63 + (run >> 6));
    put(load<u32>(makeUp), load<i32>(makeUp, 416));
  }
  const rest = codes + 4 * <usize>(run & 63);
  put(load<u32>(rest), load<i32>(rest, 416));
}

/** Codes of a run and the one after it in horizontal mode; runs shorter than 64 have a code each, of 12 bits at most. */
// @ts-ignore: decorator
@inline
function putRuns(codes: usize, run: i32, others: usize, other: i32): void {
  if ((run | other) < 64) {
    const one = codes + 4 * <usize>run;
    const two = others + 4 * <usize>other;
    const length = load<i32>(two, 416);
    put(
      (1 << (load<i32>(one, 416) + length)) | (load<u32>(one) << length) | load<u32>(two),
      3 + load<i32>(one, 416) + length,
    );
    return;
  }
  put(1, 3);
  putRun(codes, run);
  putRun(others, other);
}

/** The bits of each byte the other way around. */
// @ts-ignore: decorator
@inline
function mirrored(bytes: v128): v128 {
  const low = v128.and(bytes, i8x16.splat(15));
  const high = v128.and(i16x8.shr_u(bytes, 4), i8x16.splat(15));
  return v128.or(
    i8x16.swizzle(i8x16(0, -128, 64, -64, 32, -96, 96, -32, 16, -112, 80, -48, 48, -80, 112, -16), low),
    i8x16.swizzle(i8x16(0, 8, 4, 12, 2, 10, 6, 14, 1, 9, 5, 13, 3, 11, 7, 15), high),
  );
}

/** Writes columns of 64 at which there is a one, least first; up to seven more than there are. Gives where the next is written. */
// @ts-ignore: decorator
@inline
function writeOnes(ones: u64, column: i32, out: usize): usize {
  const end = out + (<usize>popcnt<u64>(ones) << 2);
  // Eight at a time: nearly no word has more, and none is asked for its number.
  while (ones != 0) {
    for (let k = 0; k < 32; k += 4) {
      store<i32>(out + k, column + <i32>ctz<u64>(ones));
      ones &= ones - 1;
    }
    out += 32;
  }
  return end;
}

/** Writes the columns where a row changes colour (i32), starting from white, then `width` four times. */
function findChanges(row: usize, stride: i32, width: i32, out: usize): void {
  const start = out;
  let carry: u64 = 0;
  let column = 0;
  for (let left = stride; left > 0; left -= 16) {
    // Reads up to fifteen bytes past the row, and leaves them out.
    const bits = mirrored(v128.load(row));
    let near = <u64>i64x2.extract_lane(bits, 0);
    let far = <u64>i64x2.extract_lane(bits, 1);
    if (left < 16) {
      if (left < 8) near &= ((<u64>1) << <u64>(8 * left)) - 1;
      far = left > 8 ? far & (((<u64>1) << <u64>(8 * left - 64)) - 1) : 0;
    }
    out = writeOnes(near ^ ((near << 1) | carry), column, out);
    out = writeOnes(far ^ ((far << 1) | (near >> 63)), column + 64, out);
    carry = far >> 63;
    row += 16;
    column += 128;
  }
  while (out > start && load<i32>(out - 4) >= width) out -= 4;
  store<i32>(out, width);
  store<i32>(out, width, 4);
  store<i32>(out, width, 8);
  store<i32>(out, width, 12);
}

/** Changes of the row above and of the row that is coded, each with room for `width` + 8 columns (i32); before the first one stands −1. */
let above: usize = 0;
let row: usize = 0;

/**
 * Begins rows of bits.
 *
 * @param before a row of bits of `stride` bytes that lies above them; 0 for a white one
 * @param rest   bits that were left over before them, fewer than eight: their number times 256, and they
 */
export function beginStrip(first: usize, second: usize, before: usize, stride: i32, width: i32, rest: i32): void {
  pending = <u64>(rest & 255);
  waiting = rest >> 8;
  store<i32>(first, -1);
  store<i32>(second, -1);
  above = first + 4;
  row = second + 4;
  findChanges(before, before == 0 ? 0 : stride, width, above);
}

/** Bits that are left over, fewer than eight: their number times 256, and they. */
export function stripRest(): i32 {
  return (waiting << 8) | <i32>(pending & ((<u64>1 << <u64>waiting) - 1));
}

/**
 * Codes further rows of a strip. `white` and `black` are 104 codes and their lengths (i32).
 *
 * @returns the number of whole bytes written at `out`
 */
export function encodeRows(
  data: usize,
  stride: i32,
  width: i32,
  height: i32,
  white: usize,
  black: usize,
  out: usize,
): i32 {
  at = out;
  for (let y = 0; y < height; y++) {
    findChanges(data, stride, width, row);
    data += stride;
    let a0 = -1;
    let next = row;
    // b1: first change above to the right of a0, towards the colour opposite to the present one.
    let up = above;
    let b1 = load<i32>(up);
    // What waits to be written is kept at hand while changes follow those above, as most do.
    let bits = pending;
    let count = waiting;
    let to = at;
    for (;;) {
      const a1 = load<i32>(next);
      const b2 = load<i32>(up, 4);
      const offset = a1 - b1 + 3;
      if (<u32>offset > 6 || b2 < a1) {
        pending = bits;
        waiting = count;
        at = to;
        if (b2 < a1) {
          put(1, 4);
          a0 = b2;
        } else {
          const a2 = a1 < width ? load<i32>(next, 4) : width;
          // Every other change of the row is from ink to white.
          const inked = (next - row) & 4;
          putRuns(inked ? black : white, a1 - max(0, a0), inked ? white : black, a2 - a1);
          a0 = a2;
          next += 8;
        }
        bits = pending;
        count = waiting;
        to = at;
      } else {
        // Vertical codes for −3 to 3, 2 or 3 but for 1 in the middle, and their lengths, four bits each.
        const length = (0x7631367 >> (4 * offset)) & 15;
        bits = (bits << <u64>length) | <u64>((0x3331222 >> (4 * offset)) & 15);
        count += length;
        if (count >= 32) {
          count -= 32;
          store<u32>(to, bswap<u32>(<u32>(bits >> <u64>count)));
          to += 4;
        }
        a0 = a1;
        next += 4;
        // As a rule the next change above is the next b1; the one before lies to the right of a0 where two are close together.
        const before = load<i32>(up - 4);
        up = before > a0 ? up - 4 : up + 4;
      }
      b1 = load<i32>(up);
      if (b1 <= a0) {
        if (a0 >= width) break;
        for (; b1 <= a0 && b1 < width; b1 = load<i32>(up)) up += 8;
      }
    }
    pending = bits;
    waiting = count;
    at = to;
    const swap = above;
    above = row;
    row = swap;
  }
  flush();
  return <i32>(at - out);
}

/**
 * Moves packed bytes behind some bits, fewer than eight: their number times 256, and they. Reads and writes up to seven bytes beyond
 * `count`; what is left over of the last byte is not written.
 */
export function moveBehind(bytes: usize, count: i32, before: i32, out: usize): void {
  const by = <u64>(before >> 8);
  let last = <u64>(before & 255);
  for (let i = 0; i < count; i += 8) {
    const word = bswap<u64>(load<u64>(bytes + i));
    // What goes over eight bytes where nothing is moved is nothing.
    const first = by == 0 ? 0 : last << (64 - by);
    store<u64>(out + i, bswap<u64>(first | (word >> by)));
    last = word;
  }
}

/** Ends a strip with its end-of-block code behind the bits that are left over; gives the number of bytes written at `out`. */
export function endStrip(rest: i32, out: usize): i32 {
  pending = <u64>(rest & 255);
  waiting = rest >> 8;
  at = out;
  put(1, 12);
  put(1, 12);
  flush();
  if (waiting > 0) {
    put(0, 8 - waiting);
    flush();
  }
  return <i32>(at - out);
}
