// Group 4 facsimile coding, ITU-T Recommendation T.6; see film/group4.ts.

/** Bits that wait for a whole byte, how many they are, and where the next byte goes. */
let pending: u32 = 0;
let waiting: i32 = 0;
let at: usize = 0;

function put(code: u32, bits: i32): void {
  pending = (pending << bits) | code;
  waiting += bits;
  while (waiting >= 8) {
    waiting -= 8;
    store<u8>(at++, <u8>(pending >> waiting));
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
  let carry: u32 = 0;
  for (let byte = 0; byte < stride; byte += 4) {
    // Reads up to three bytes past the row, and leaves them out.
    let word = bswap<u32>(load<u32>(row + <usize>byte));
    const over = byte + 4 - stride;
    if (over > 0) word &= 0xffffffff << <u32>(8 * over);
    let edges = word ^ ((word >> 1) | (carry << 31));
    carry = word & 1;
    const column = byte << 3;
    while (edges != 0) {
      const zeros = <i32>clz<u32>(edges);
      store<i32>(out, column + zeros);
      out += 4;
      edges &= ~(<u32>0x80000000 >> <u32>zeros);
    }
  }
  while (out > start && load<i32>(out - 4) >= width) out -= 4;
  store<i32>(out, width);
  store<i32>(out, width, 4);
  store<i32>(out, width, 8);
  store<i32>(out, width, 12);
}

/** Changes of the row above and of the row that is coded, each with room for `width` + 8 columns (i32). */
let above: usize = 0;
let row: usize = 0;

/** Begins a strip: the row above its first is imagined white. */
export function beginStrip(first: usize, second: usize, width: i32): void {
  pending = 0;
  waiting = 0;
  above = first;
  row = second;
  for (let i = 0; i < 4; i++) store<i32>(above + 4 * <usize>i, width);
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
    while (a0 < width) {
      // b1: first change above to the right of a0, towards the colour opposite to the present one.
      while (up > 0 && load<i32>(above + 4 * <usize>(up - 1)) > a0) up--;
      if ((up & 1) != inked) up++;
      while (load<i32>(above + 4 * <usize>up) <= a0 && load<i32>(above + 4 * <usize>up) < width) up += 2;
      const a1 = load<i32>(next);
      const b1 = load<i32>(above + 4 * <usize>up);
      const b2 = b1 < width ? load<i32>(above + 4 * <usize>up, 4) : width;
      if (b2 < a1) {
        put(1, 4);
        a0 = b2;
        continue;
      }
      const offset = a1 - b1;
      if (offset >= -3 && offset <= 3) {
        if (offset == 0) put(1, 1);
        else if (offset == 1) put(3, 3);
        else if (offset == -1) put(2, 3);
        else if (offset == 2) put(3, 6);
        else if (offset == -2) put(2, 6);
        else if (offset == 3) put(3, 7);
        else put(2, 7);
        a0 = a1;
        next += 4;
        inked ^= 1;
      } else {
        const a2 = a1 < width ? load<i32>(next, 4) : width;
        put(1, 3);
        putRun(inked ? black : white, a1 - max(0, a0));
        putRun(inked ? white : black, a2 - a1);
        a0 = a2;
        next += 8;
      }
    }
    const swap = above;
    above = row;
    row = swap;
  }
  return <i32>(at - out);
}

/** Ends a strip with its end-of-block code; gives the number of bytes written at `out`. */
export function endStrip(out: usize): i32 {
  at = out;
  put(1, 12);
  put(1, 12);
  if (waiting > 0) put(0, 8 - waiting);
  return <i32>(at - out);
}
