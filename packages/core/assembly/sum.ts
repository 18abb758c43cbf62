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
 * Inked pixels between boundaries of a row of bits: `edges` holds `count` + 1 whole pixels (i32), `shares` the share of
 * that pixel (f64) that still counts to the left. Adds `count` sums times the row's weight to `out` (f64).
 */
export function addRow(
  row: usize,
  edges: usize,
  shares: usize,
  count: i32,
  weight: f64,
  out: usize,
): void {
  let at = load<i32>(edges);
  let whole = 0;
  let previous: f64 = 0;
  for (let i = 0; i <= count; i++) {
    const edge = load<i32>(edges);
    whole += countBits(row, at, edge);
    at = edge;
    const cut = (load<u8>(row + <usize>(edge >> 3)) >> (<u8>(7 - (edge & 7)))) & 1;
    const total = <f64>whole + (cut ? load<f64>(shares) : 0);
    if (i > 0) {
      store<f64>(out, load<f64>(out) + (total - previous) * weight);
      out += 8;
    }
    previous = total;
    edges += 4;
    shares += 8;
  }
}

/** Adds 128 bits to numbers of six binary digits that lie `apart` bytes from one to the next, the lowest first. */
// @ts-ignore: decorator
@inline
function count(bits: v128, digit: usize, apart: usize): void {
  for (let k = 0; k < 6; k++) {
    const before = v128.load(digit);
    v128.store(digit, v128.xor(before, bits));
    bits = v128.and(before, bits);
    digit += apart;
  }
}

/**
 * Counts rows of bits, column by column, for every set of up to four of them: how often all of a set had ink. The rows lie `rowApart` bytes
 * apart. Set s (a bit for each row, from 1 on) has six rows of digits, the lowest first, at `digits` + 6 · (s − 1) · `apart`.
 * `bytes` of each row are read, up to a multiple of 16.
 */
export function countSets(
  rows: usize,
  rowApart: usize,
  plates: i32,
  digits: usize,
  apart: usize,
  bytes: i32,
): void {
  const six = 6 * apart;
  for (let i = 0; i < bytes; i += 16) {
    const a = v128.load(rows);
    count(a, digits, apart);
    if (plates > 1) {
      const b = v128.load(rows + rowApart);
      const ab = v128.and(a, b);
      count(b, digits + six, apart);
      count(ab, digits + 2 * six, apart);
      if (plates > 2) {
        const c = v128.load(rows + 2 * rowApart);
        const ac = v128.and(a, c);
        const bc = v128.and(b, c);
        const abc = v128.and(ab, c);
        count(c, digits + 3 * six, apart);
        count(ac, digits + 4 * six, apart);
        count(bc, digits + 5 * six, apart);
        count(abc, digits + 6 * six, apart);
        if (plates > 3) {
          const d = v128.load(rows + 3 * rowApart);
          count(d, digits + 7 * six, apart);
          count(v128.and(a, d), digits + 8 * six, apart);
          count(v128.and(b, d), digits + 9 * six, apart);
          count(v128.and(ab, d), digits + 10 * six, apart);
          count(v128.and(c, d), digits + 11 * six, apart);
          count(v128.and(ac, d), digits + 12 * six, apart);
          count(v128.and(bc, d), digits + 13 * six, apart);
          count(v128.and(abc, d), digits + 14 * six, apart);
        }
      }
    }
    rows += 16;
    digits += 16;
  }
}
