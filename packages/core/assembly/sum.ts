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

/**
 * Counts rows of bits, column by column: adds a row to numbers of six binary digits, of which every column has one. The digits lie in six
 * rows of bits, `apart` bytes from one to the next, the lowest first. `bytes` of the row are read, up to a multiple of 16.
 */
export function countRow(row: usize, digits: usize, apart: usize, bytes: i32): void {
  for (let i = 0; i < bytes; i += 16) {
    let carry = v128.load(row);
    let digit = digits;
    for (let k = 0; k < 6; k++) {
      const before = v128.load(digit);
      v128.store(digit, v128.xor(before, carry));
      carry = v128.and(before, carry);
      digit += apart;
    }
    row += 16;
    digits += 16;
  }
}
