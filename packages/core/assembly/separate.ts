/**
 * Amounts of four inks for pixels of red, green and blue coverage, interpolated tetrahedrally between the nodes of a table
 * of `size` values each way (see separation/table.ts). A node is four 16-bit amounts; blue runs fastest. Writes four rows,
 * `stride` bytes one after another.
 */
export function separateRow(
  red: usize,
  green: usize,
  blue: usize,
  table: usize,
  size: i32,
  out: usize,
  stride: usize,
  count: i32,
): void {
  for (let i = 0; i < count; i++) {
    separatePixel(load<u16>(red), load<u16>(green), load<u16>(blue), table, size, out, stride);
    red += 2;
    green += 2;
    blue += 2;
    out += 2;
  }
}

/** The same for pixels of `channels` bytes, red, green and blue first, each sent through 256 coverages at `tone`. */
export function separateBytes(
  pixels: usize,
  channels: i32,
  tone: usize,
  table: usize,
  size: i32,
  out: usize,
  stride: usize,
  count: i32,
): void {
  for (let i = 0; i < count; i++) {
    separatePixel(
      load<u16>(tone + 2 * <usize>load<u8>(pixels)),
      load<u16>(tone + 2 * <usize>load<u8>(pixels, 1)),
      load<u16>(tone + 2 * <usize>load<u8>(pixels, 2)),
      table,
      size,
      out,
      stride,
    );
    pixels += channels;
    out += 2;
  }
}

function separatePixel(
  red: u16,
  green: u16,
  blue: u16,
  table: usize,
  size: i32,
  out: usize,
  stride: usize,
): void {
  const last = size - 2;
  const alongGreen = size * 8;
  const alongRed = size * alongGreen;
  const across = <usize>(alongRed + alongGreen + 8);
  const fr = whole(red) * (size - 1);
  const fg = whole(green) * (size - 1);
  const fb = whole(blue) * (size - 1);
  const r = min(fr >> 16, last);
  const g = min(fg >> 16, last);
  const b = min(fb >> 16, last);
  let most = (fr - (r << 16)) >> 1;
  let middle = (fg - (g << 16)) >> 1;
  const into = (fb - (b << 16)) >> 1;
  let least = into;
  let first = alongRed;
  let second = alongRed + alongGreen;
  if (most < middle) {
    const swap = most;
    most = middle;
    middle = swap;
    first = alongGreen;
  }
  if (least > middle) {
    least = middle;
    middle = into;
    second = first + 8;
    if (middle > most) {
      middle = most;
      most = into;
      first = 8;
    }
  }
  const low = table + <usize>(r * alongRed + g * alongGreen + b * 8);
  let sum = i32x4.mul(v128.load16x4_u(low), i32x4.splat(32768 - most));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + <usize>first), i32x4.splat(most - middle)));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + <usize>second), i32x4.splat(middle - least)));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + across), i32x4.splat(least)));
  // Rounded down, so that no sum of inks grows.
  sum = i32x4.shr_u(sum, 15);
  store<u16>(out, <u16>i32x4.extract_lane(sum, 0));
  store<u16>(out + stride, <u16>i32x4.extract_lane(sum, 1));
  store<u16>(out + 2 * stride, <u16>i32x4.extract_lane(sum, 2));
  store<u16>(out + 3 * stride, <u16>i32x4.extract_lane(sum, 3));
}

/** Coverage with solid at 65536, so that it comes to the very last node. */
function whole(value: u16): i32 {
  return <i32>value + (<i32>value >> 15);
}
