/**
 * Greys of 8-bit pixels of three channels or more, as coverage sent through a table of 65536: the weighted sum of red, green and blue in
 * 1/65536 of 16-bit grey, rounded. Weights are such sums for a sample of 1; together they are 257 · 65536. Up to four bytes beyond
 * the last pixel are read.
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
  let i = 0;
  if (channels <= 4) {
    // Four at once: each sample in a lane of its own.
    const first = channels == 3 ? i32x4(0, 3, 6, 9) : i32x4(0, 4, 8, 12);
    const reds = v128.or(first, i32x4.splat(0x80808000));
    const greens = i32x4.add(reds, i32x4.splat(1));
    const blues = i32x4.add(reds, i32x4.splat(2));
    const r = i32x4.splat(red);
    const g = i32x4.splat(green);
    const b = i32x4.splat(blue);
    for (; i + 4 <= count; i += 4) {
      const four = v128.load(pixels);
      let sum = i32x4.mul(i8x16.swizzle(four, reds), r);
      sum = i32x4.add(sum, i32x4.mul(i8x16.swizzle(four, greens), g));
      sum = i32x4.add(sum, i32x4.mul(i8x16.swizzle(four, blues), b));
      sum = i32x4.shr_u(i32x4.add(sum, i32x4.splat(32768)), 16);
      // Twice the place in the table.
      sum = i32x4.shl(i32x4.sub(i32x4.splat(65535), sum), 1);
      store<u16>(out, load<u16>(table + <usize>i32x4.extract_lane(sum, 0)));
      store<u16>(out, load<u16>(table + <usize>i32x4.extract_lane(sum, 1)), 2);
      store<u16>(out, load<u16>(table + <usize>i32x4.extract_lane(sum, 2)), 4);
      store<u16>(out, load<u16>(table + <usize>i32x4.extract_lane(sum, 3)), 6);
      pixels += channels << 2;
      out += 8;
    }
  }
  for (; i < count; i++) {
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
