/** Number of set bits from bit `from` to bit `to` of a row. Reads up to eight bytes past them. */
function countBits(row: usize, from: i32, to: i32): i32 {
  let sum = 0;
  while (from < to) {
    const span = min(to - from, 56);
    const bits = bswap<u64>(load<u64>(row + <usize>(from >> 3))) << <u64>(from & 7);
    sum += <i32>popcnt<u64>(bits >> <u64>(64 - span));
    from += span;
  }
  return sum;
}

/**
 * Inked pixels between boundaries of counted columns. The counts are `many` rows of binary digits, `stride` bytes from one to the next,
 * the lowest first; one row of bits is a count too. `edges` holds `count` + 1 whole pixels (i32), `masks` what `boundaryMasks` makes of
 * them, `shares` the share of that pixel (f64) that still counts to the left. Adds `count` sums times `weight` to `out` and times `rest` to `next` (f64).
 */
export function addCounts(
  digits: usize,
  stride: usize,
  many: i32,
  edges: usize,
  masks: usize,
  shares: usize,
  count: i32,
  weight: f64,
  out: usize,
  rest: f64,
  next: usize,
): void {
  let at = load<i32>(edges);
  let before: f64 = 0;
  for (let i = 0; i <= count; i++) {
    const edge = load<i32>(edges);
    let whole = 0;
    let cut = 0;
    let row = digits;
    // The pixels between two boundaries and the one that the second cuts are mostly read at once.
    if (edge - at < 56) {
      const within = load<u64>(masks);
      const last = load<u64>(masks + 8);
      row += <usize>(at >> 3);
      for (let k = 0; k < many; k++) {
        const bits = load<u64>(row);
        whole += <i32>popcnt<u64>(bits & within) << k;
        cut += <i32>((bits & last) != 0) << k;
        row += stride;
      }
    } else {
      for (let k = 0; k < many; k++) {
        whole += countBits(row, at, edge) << k;
        cut += <i32>((load<u8>(row + <usize>(edge >> 3)) >> (<u8>(7 - (edge & 7)))) & 1) << k;
        row += stride;
      }
    }
    at = edge;
    const beyond = <f64>cut * load<f64>(shares);
    if (i > 0) {
      const sum = <f64>whole + beyond - before;
      store<f64>(out, load<f64>(out) + sum * weight);
      store<f64>(next, load<f64>(next) + sum * rest);
      out += 8;
      next += 8;
    }
    before = beyond;
    edges += 4;
    masks += 16;
    shares += 8;
  }
}

/** Adds 128 bits to numbers of `many` binary digits that lie `stride` bytes from one to the next, the lowest first. */
// @ts-ignore: decorator
@inline
function count(bits: v128, digit: usize, stride: usize, many: i32): void {
  for (let k = 0; k < many; k++) {
    const before = v128.load(digit);
    v128.store(digit, v128.xor(before, bits));
    bits = v128.and(before, bits);
    digit += stride;
  }
}

/**
 * Counts rows of bits, column by column, for every set of up to four of them: how often all of a set had ink. The rows lie `rowStride` bytes
 * apart. Set s (a bit for each row, from 1 on) has six rows of digits, the lowest first, at `digits` + 6 · (s − 1) · `stride`.
 * The first `many` digits are counted in. `bytes` of each row are read, up to a multiple of 16.
 */
export function countSets(
  rows: usize,
  rowStride: usize,
  plates: i32,
  digits: usize,
  stride: usize,
  many: i32,
  bytes: i32,
): void {
  const six = 6 * stride;
  for (let i = 0; i < bytes; i += 16) {
    const a = v128.load(rows);
    count(a, digits, stride, many);
    if (plates > 1) {
      const b = v128.load(rows + rowStride);
      const ab = v128.and(a, b);
      count(b, digits + six, stride, many);
      count(ab, digits + 2 * six, stride, many);
      if (plates > 2) {
        const c = v128.load(rows + 2 * rowStride);
        const ac = v128.and(a, c);
        const bc = v128.and(b, c);
        const abc = v128.and(ab, c);
        count(c, digits + 3 * six, stride, many);
        count(ac, digits + 4 * six, stride, many);
        count(bc, digits + 5 * six, stride, many);
        count(abc, digits + 6 * six, stride, many);
        if (plates > 3) {
          const d = v128.load(rows + 3 * rowStride);
          count(d, digits + 7 * six, stride, many);
          count(v128.and(a, d), digits + 8 * six, stride, many);
          count(v128.and(b, d), digits + 9 * six, stride, many);
          count(v128.and(ab, d), digits + 10 * six, stride, many);
          count(v128.and(c, d), digits + 11 * six, stride, many);
          count(v128.and(ac, d), digits + 12 * six, stride, many);
          count(v128.and(bc, d), digits + 13 * six, stride, many);
          count(v128.and(abc, d), digits + 14 * six, stride, many);
        }
      }
    }
    rows += 16;
    digits += 16;
  }
}
