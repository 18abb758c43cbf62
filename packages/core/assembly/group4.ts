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

/** Writes the columns where a row changes colour (i32), starting from white, then `width` four times. */
function findChanges(row: usize, stride: i32, width: i32, out: usize): void {
  const start = out;
  let carry: u64 = 0;
  for (let byte = 0; byte < stride; byte += 8) {
    // Reads up to seven bytes past the row, and leaves them out.
    let word = bswap<u64>(load<u64>(row + <usize>byte));
    const over = byte + 8 - stride;
    if (over > 0) word &= <u64>-1 << <u64>(8 * over);
    let edges = word ^ ((word >> 1) | (carry << 63));
    carry = word & 1;
    const column = byte << 3;
    while (edges != 0) {
      const zeros = <i32>clz<u64>(edges);
      store<i32>(out, column + zeros);
      out += 4;
      edges &= ~(<u64>0x8000000000000000 >> <u64>zeros);
    }
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

/** Begins a strip: the row above its first is imagined white. */
export function beginStrip(first: usize, second: usize, width: i32): void {
  pending = 0;
  waiting = 0;
  store<i32>(first, -1);
  store<i32>(second, -1);
  above = first + 4;
  row = second + 4;
  for (let i = 0; i < 4; i++) store<i32>(above + 4 * <usize>i, width);
}

/** Bits that wait to be written, fewer than eight, with their number times 256: what a strip that is left and gone on with later is known by, besides the row above. */
export function stripRest(): i32 {
  return (waiting << 8) | <i32>(pending & ((<u64>1 << <u64>waiting) - 1));
}

/** Where the changes of the row above stand. */
export function rowAbove(): usize {
  return above;
}

/** Goes on with a strip of which so much waits; the changes of the row above are to be written where they stand then. */
export function resumeStrip(first: usize, second: usize, rest: i32): void {
  beginStrip(first, second, 0);
  pending = <u64>(rest & 255);
  waiting = rest >> 8;
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
    let inked = 0;
    let next = row;
    let up = 0;
    // What waits to be written is kept at hand while changes follow those above, as most do.
    let bits = pending;
    let count = waiting;
    let to = at;
    while (a0 < width) {
      // b1: first change above to the right of a0, towards the colour opposite to the present one.
      while (up > 0 && load<i32>(above + 4 * <usize>(up - 1)) > a0) up--;
      up += (up & 1) ^ inked;
      let b1 = load<i32>(above + 4 * <usize>up);
      while (b1 <= a0 && b1 < width) {
        up += 2;
        b1 = load<i32>(above + 4 * <usize>up);
      }
      for (;;) {
        const a1 = load<i32>(next);
        const offset = a1 - b1 + 3;
        // b2 lies beyond b1: it can only be passed where a1 does.
        const isPassed = offset > 3 && b1 < width && load<i32>(above + 4 * <usize>up, 4) < a1;
        if (<u32>offset > 6 || isPassed) {
          pending = bits;
          waiting = count;
          at = to;
          if (isPassed) {
            put(1, 4);
            a0 = load<i32>(above + 4 * <usize>up, 4);
          } else {
            const a2 = a1 < width ? load<i32>(next, 4) : width;
            put(1, 3);
            putRun(inked ? black : white, a1 - max(0, a0));
            putRun(inked ? white : black, a2 - a1);
            a0 = a2;
            next += 8;
          }
          bits = pending;
          count = waiting;
          to = at;
          break;
        }
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
        inked ^= 1;
        // As a rule the next change above is the next b1: it lies to the right of a0, and the last of its colour does not.
        up++;
        b1 = load<i32>(above + 4 * <usize>up);
        if (b1 <= a0 || load<i32>(above + 4 * <usize>(up - 2)) > a0) break;
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

/** Ends a strip with its end-of-block code; gives the number of bytes written at `out`. */
export function endStrip(out: usize): i32 {
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
