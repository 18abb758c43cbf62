/**
 * Greys of 8-bit pixels of three channels or more, as coverage sent through a table of 65536: the weighted sum of red, green and blue in
 * 1/65536 of 16-bit grey, rounded. Weights are such sums for a sample of 1; together they are 257 · 65536.
 */
export function greyRow(
  pixels: usize,
  channels: i32,
  red: u32,
  green: u32,
  blue: u32,
  table: usize,
  out: usize,
  count: i32,
): void {
  for (let i = 0; i < count; i++) {
    const sum =
      <u32>load<u8>(pixels) * red + <u32>load<u8>(pixels, 1) * green + <u32>load<u8>(pixels, 2) * blue + 32768;
    store<u16>(out, load<u16>(table + (<usize>(65535 - (sum >> 16)) << 1)));
    pixels += channels;
    out += 2;
  }
}

/** out[i] = table[row[i]], for a table of 65536; the two may be the same. */
export function throughTable(row: usize, table: usize, out: usize, count: i32): void {
  for (let i = 0; i < count; i++) {
    store<u16>(out, load<u16>(table + ((<usize>load<u16>(row)) << 1)));
    row += 2;
    out += 2;
  }
}
