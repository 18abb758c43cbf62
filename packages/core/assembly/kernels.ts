// The inner loops, for WebAssembly with 128-bit SIMD. AssemblyScript; `npm run kernels` compiles it into
// src/kernel/kernels.wasm.ts. Every loop is whole-number arithmetic, so all machines make the same bits.

/**
 * Packs coverage > threshold into bits, most significant first. `column` is where in the brick row the first pixel
 * falls; the thresholds hold `run` entries, a multiple of the brick's width, and eight more of its beginning.
 */
export function compareRow(
  coverage: usize,
  thresholds: usize,
  run: i32,
  brick: i32,
  column: i32,
  width: i32,
  out: usize,
): void {
  let bytes = width >> 3;
  while (bytes > 0) {
    const count = min(bytes, (run - column + 7) >> 3);
    let from = thresholds + ((<usize>column) << 1);
    let i = 0;
    for (; i + 2 <= count; i += 2) {
      const left = i16x8.gt_u(v128.load(coverage), v128.load(from));
      const right = i16x8.gt_u(v128.load(coverage, 16), v128.load(from, 16));
      const both = i8x16.narrow_i16x8_s(left, right);
      const turned = i8x16.shuffle(both, both, 7, 6, 5, 4, 3, 2, 1, 0, 15, 14, 13, 12, 11, 10, 9, 8);
      store<u16>(out, <u16>i8x16.bitmask(turned));
      coverage += 32;
      from += 32;
      out += 2;
    }
    if (i < count) {
      const left = i16x8.gt_u(v128.load(coverage), v128.load(from));
      const both = i8x16.narrow_i16x8_s(left, left);
      const turned = i8x16.shuffle(both, both, 7, 6, 5, 4, 3, 2, 1, 0, 15, 14, 13, 12, 11, 10, 9, 8);
      store<u8>(out, <u8>i8x16.bitmask(turned));
      coverage += 16;
      out += 1;
    }
    bytes -= count;
    column = (column + count * 8) % brick;
  }
  const rest = width & 7;
  if (rest == 0) return;
  let byte = 0;
  for (let i = 0; i < rest; i++) {
    const threshold = load<u16>(thresholds + ((<usize>((column + i) % brick)) << 1));
    if (load<u16>(coverage + ((<usize>i) << 1)) > threshold) byte |= 0x80 >> i;
  }
  store<u8>(out, <u8>byte);
}

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
 * that pixel (f64) that still counts to the left. Writes `count` sums (f64).
 */
export function sumRow(row: usize, edges: usize, shares: usize, count: i32, out: usize): void {
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
      store<f64>(out, total - previous);
      out += 8;
    }
    previous = total;
    edges += 4;
    shares += 8;
  }
}
