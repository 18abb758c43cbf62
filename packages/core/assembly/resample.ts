/** out = upper + ((lower − upper) · weight >> 14), for weights 0–2¹⁴. Up to seven entries beyond `count` are written. */
export function mixRows(upper: usize, lower: usize, weight: i32, out: usize, count: i32): void {
  const second = i16x8.splat(<i16>weight);
  const first = i16x8.splat(<i16>(16384 - weight));
  for (let i = 0; i < count; i += 8) {
    const a = v128.load(upper);
    const b = v128.load(lower);
    const low = i32x4.add(i32x4.extmul_low_i16x8_u(a, first), i32x4.extmul_low_i16x8_u(b, second));
    const high = i32x4.add(i32x4.extmul_high_i16x8_u(a, first), i32x4.extmul_high_i16x8_u(b, second));
    v128.store(out, i16x8.narrow_i32x4_u(i32x4.shr_u(low, 14), i32x4.shr_u(high, 14)));
    upper += 16;
    lower += 16;
    out += 16;
  }
}

/**
 * Stretches a row: out[i] is the pair of pixels at byte offset offsets[i] of the row, mixed by the pair of weights (2¹⁴
 * together) at weights[i]. Reads and writes up to three entries beyond `count`.
 */
export function stretchRow(row: usize, offsets: usize, weights: usize, out: usize, count: i32): void {
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 4) {
    let pairs = v128.load32_zero(row + <usize>load<i32>(offsets));
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 4), pairs, 1);
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 8), pairs, 2);
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 12), pairs, 3);
    // Pixels are moved by −2¹⁵ to fit the signed product, and back.
    const sums = i32x4.dot_i16x8_s(v128.xor(pairs, middle), v128.load(weights));
    const mixed = i32x4.add(i32x4.shr_s(sums, 14), i32x4.splat(32768));
    v128.store64_lane(out, i16x8.narrow_i32x4_u(mixed, mixed), 0);
    offsets += 16;
    weights += 16;
    out += 8;
  }
}

/**
 * out[i] = Σ weight[t] · row[t][i], rounded, for `taps` rows of pixels at the given addresses; weights add up to 2¹⁵. Up to
 * seven entries beyond `count` are read and written.
 */
export function weigh(addresses: usize, weights: usize, taps: i32, out: usize, count: i32): void {
  const half = i32x4.splat(16384);
  for (let at: usize = 0; at < (<usize>count) << 1; at += 16) {
    let low = half;
    let high = half;
    for (let t: usize = 0; t < <usize>taps; t++) {
      const pixels = v128.load(<usize>load<i32>(addresses + (t << 2)) + at);
      const weight = v128.load_splat<u16>(weights + (t << 1));
      low = i32x4.add(low, i32x4.extmul_low_i16x8_u(pixels, weight));
      high = i32x4.add(high, i32x4.extmul_high_i16x8_u(pixels, weight));
    }
    v128.store(out + at, i16x8.narrow_i32x4_u(i32x4.shr_u(low, 15), i32x4.shr_u(high, 15)));
  }
}
