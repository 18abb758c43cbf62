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
  let i = 0;
  for (; i + 8 <= count; i += 8) {
    const two = pair(red, green, blue, table, size);
    const four = pair(red + 4, green + 4, blue + 4, table, size);
    const six = pair(red + 8, green + 8, blue + 8, table, size);
    const eight = pair(red + 12, green + 12, blue + 12, table, size);
    storeEight(two, four, six, eight, out, stride);
    red += 16;
    green += 16;
    blue += 16;
    out += 16;
  }
  for (; i < count; i++) {
    storeOne(amounts(load<u16>(red), load<u16>(green), load<u16>(blue), table, size), out, stride);
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
  let i = 0;
  for (; i + 8 <= count; i += 8) {
    const two = pairOfBytes(pixels, channels, tone, table, size);
    const four = pairOfBytes(pixels + 2 * channels, channels, tone, table, size);
    const six = pairOfBytes(pixels + 4 * channels, channels, tone, table, size);
    const eight = pairOfBytes(pixels + 6 * channels, channels, tone, table, size);
    storeEight(two, four, six, eight, out, stride);
    pixels += 8 * channels;
    out += 16;
  }
  for (; i < count; i++) {
    storeOne(amountsOfBytes(pixels, tone, table, size), out, stride);
    pixels += channels;
    out += 2;
  }
}

/** Amounts for two pixels, one after the other (u16). */
// @ts-ignore: decorator
@inline
function pair(red: usize, green: usize, blue: usize, table: usize, size: i32): v128 {
  return i16x8.narrow_i32x4_u(
    amounts(load<u16>(red), load<u16>(green), load<u16>(blue), table, size),
    amounts(load<u16>(red, 2), load<u16>(green, 2), load<u16>(blue, 2), table, size),
  );
}

// @ts-ignore: decorator
@inline
function pairOfBytes(pixels: usize, channels: i32, tone: usize, table: usize, size: i32): v128 {
  return i16x8.narrow_i32x4_u(
    amountsOfBytes(pixels, tone, table, size),
    amountsOfBytes(pixels + channels, tone, table, size),
  );
}

// @ts-ignore: decorator
@inline
function amountsOfBytes(pixels: usize, tone: usize, table: usize, size: i32): v128 {
  return amounts(
    load<u16>(tone + 2 * <usize>load<u8>(pixels)),
    load<u16>(tone + 2 * <usize>load<u8>(pixels, 1)),
    load<u16>(tone + 2 * <usize>load<u8>(pixels, 2)),
    table,
    size,
  );
}

/** Writes eight pixels' amounts, given by twos, into the four rows. */
// @ts-ignore: decorator
@inline
function storeEight(two: v128, four: v128, six: v128, eight: v128, out: usize, stride: usize): void {
  const firstTwo = i16x8.shuffle(two, four, 0, 4, 8, 12, 1, 5, 9, 13);
  const lastTwo = i16x8.shuffle(two, four, 2, 6, 10, 14, 3, 7, 11, 15);
  const firstNext = i16x8.shuffle(six, eight, 0, 4, 8, 12, 1, 5, 9, 13);
  const lastNext = i16x8.shuffle(six, eight, 2, 6, 10, 14, 3, 7, 11, 15);
  v128.store(out, i64x2.shuffle(firstTwo, firstNext, 0, 2));
  v128.store(out + stride, i64x2.shuffle(firstTwo, firstNext, 1, 3));
  v128.store(out + 2 * stride, i64x2.shuffle(lastTwo, lastNext, 0, 2));
  v128.store(out + 3 * stride, i64x2.shuffle(lastTwo, lastNext, 1, 3));
}

// @ts-ignore: decorator
@inline
function storeOne(amounts: v128, out: usize, stride: usize): void {
  store<u16>(out, <u16>i32x4.extract_lane(amounts, 0));
  store<u16>(out + stride, <u16>i32x4.extract_lane(amounts, 1));
  store<u16>(out + 2 * stride, <u16>i32x4.extract_lane(amounts, 2));
  store<u16>(out + 3 * stride, <u16>i32x4.extract_lane(amounts, 3));
}

/** Amounts of the four inks (i32) for a pixel. */
function amounts(red: u16, green: u16, blue: u16, table: usize, size: i32): v128 {
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
  // Sorted with the axis of each in its lowest bits, and no branches: which comes first changes from pixel to pixel.
  const ofRed = ((fr - (r << 16)) >> 1) << 2;
  const ofGreen = (((fg - (g << 16)) >> 1) << 2) | 1;
  const ofBlue = (((fb - (b << 16)) >> 1) << 2) | 2;
  const larger = max(ofRed, ofGreen);
  const smaller = min(ofRed, ofGreen);
  const rest = min(larger, ofBlue);
  const first = max(larger, ofBlue);
  const second = max(smaller, rest);
  const most = first >> 2;
  const middle = second >> 2;
  const least = min(smaller, rest) >> 2;
  const one = stepOf(first & 3, alongRed, alongGreen);
  const two = one + stepOf(second & 3, alongRed, alongGreen);
  const low = table + <usize>(r * alongRed + g * alongGreen + b * 8);
  let sum = i32x4.mul(v128.load16x4_u(low), i32x4.splat(32768 - most));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + <usize>one), i32x4.splat(most - middle)));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + <usize>two), i32x4.splat(middle - least)));
  sum = i32x4.add(sum, i32x4.mul(v128.load16x4_u(low + across), i32x4.splat(least)));
  // Rounded down, so that no sum of inks grows.
  return i32x4.shr_u(sum, 15);
}

/** Bytes from a node to the next along red (0), green (1) or blue (2). */
// @ts-ignore: decorator
@inline
function stepOf(axis: i32, alongRed: i32, alongGreen: i32): i32 {
  return select<i32>(8, select<i32>(alongGreen, alongRed, axis & 1), axis & 2);
}

/** Coverage with solid at 65536, so that it comes to the very last node. */
function whole(value: u16): i32 {
  return <i32>value + (<i32>value >> 15);
}
