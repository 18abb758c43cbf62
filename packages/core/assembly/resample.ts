import { packed } from './packed';

/** Four of eight pixels of two rows, mixed by a pair of weights (2¹⁴ together), as whole numbers moved by −2¹⁵. */
// @ts-ignore: decorator
@inline
function mixedLow(a: v128, b: v128, pair: v128): v128 {
  return i32x4.shr_s(i32x4.dot_i16x8_s(i16x8.shuffle(a, b, 0, 8, 1, 9, 2, 10, 3, 11), pair), 14);
}

// @ts-ignore: decorator
@inline
function mixedHigh(a: v128, b: v128, pair: v128): v128 {
  return i32x4.shr_s(i32x4.dot_i16x8_s(i16x8.shuffle(a, b, 4, 12, 5, 13, 6, 14, 7, 15), pair), 14);
}

/** Eight pixels of two rows mixed, as signed numbers: what they are as pixels, moved by −2¹⁵. */
// @ts-ignore: decorator
@inline
function mixedEight(upper: usize, lower: usize, pair: v128, middle: v128): v128 {
  const a = v128.xor(v128.load(upper), middle);
  const b = v128.xor(v128.load(lower), middle);
  return i16x8.narrow_i32x4_s(mixedLow(a, b, pair), mixedHigh(a, b, pair));
}

// @ts-ignore: decorator
@inline
function pairOf(weight: i32): v128 {
  return i32x4.splat((weight << 16) | (16384 - weight));
}

/** out = upper + ((lower − upper) · weight >> 14), for weights 0–2¹⁴. Up to seven entries beyond `count` are written. */
export function mixRows(upper: usize, lower: usize, weight: i32, out: usize, count: i32): void {
  const pair = pairOf(weight);
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 8) {
    v128.store(out, v128.xor(mixedEight(upper, lower, pair, middle), middle));
    upper += 16;
    lower += 16;
    out += 16;
  }
}

/**
 * Mixes two rows as `mixRows` does and compares what comes out with thresholds as `compareRow` does, in one go. Up to seven entries of the
 * rows beyond `width` are read.
 */
export function mixAndCompare(
  upper: usize,
  lower: usize,
  weight: i32,
  thresholds: usize,
  run: i32,
  brick: i32,
  column: i32,
  width: i32,
  out: usize,
): void {
  const pair = pairOf(weight);
  const middle = i16x8.splat(-32768);
  let bytes = width >> 3;
  while (bytes > 0) {
    const count = min(bytes, (run - column + 7) >> 3);
    let from = thresholds + ((<usize>column) << 1);
    let i = 0;
    for (; i + 2 <= count; i += 2) {
      const left = i16x8.gt_s(mixedEight(upper, lower, pair, middle), v128.xor(v128.load(from), middle));
      const right = i16x8.gt_s(
        mixedEight(upper + 16, lower + 16, pair, middle),
        v128.xor(v128.load(from, 16), middle),
      );
      store<u16>(out, <u16>packed(left, right));
      upper += 32;
      lower += 32;
      from += 32;
      out += 2;
    }
    if (i < count) {
      const left = i16x8.gt_s(mixedEight(upper, lower, pair, middle), v128.xor(v128.load(from), middle));
      store<u8>(out, <u8>packed(left, left));
      upper += 16;
      lower += 16;
      out += 1;
    }
    bytes -= count;
    column = (column + count * 8) % brick;
  }
  const rest = width & 7;
  if (rest == 0) return;
  let byte = 0;
  for (let i = 0; i < rest; i++) {
    const at = (<usize>i) << 1;
    const mixed = (load<u16>(upper + at) * (16384 - weight) + load<u16>(lower + at) * weight) >>> 14;
    const threshold = load<u16>(thresholds + ((<usize>((column + i) % brick)) << 1));
    if (<u32>mixed > <u32>threshold) byte |= 0x80 >> i;
  }
  store<u8>(out, <u8>byte);
}

/**
 * Stretches a row as `stretchRow` does, where every four outputs read pairs that lie within 16 bytes of the row: those begin at
 * `bases` (one for four outputs), and `masks` (16 bytes) say which of these bytes make up the four pairs.
 */
export function stretchNear(
  row: usize,
  bases: usize,
  masks: usize,
  weights: usize,
  out: usize,
  count: i32,
): void {
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 4) {
    const near = v128.xor(v128.load(row + <usize>load<i32>(bases)), middle);
    const sums = i32x4.shr_s(i32x4.dot_i16x8_s(i8x16.swizzle(near, v128.load(masks)), v128.load(weights)), 14);
    v128.store64_lane(out, v128.xor(i16x8.narrow_i32x4_s(sums, sums), middle), 0);
    bases += 4;
    masks += 16;
    weights += 16;
    out += 8;
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

/** Eight pixels moved by −2¹⁵, to fit a signed product. */
// @ts-ignore: decorator
@inline
function moved(row: usize): v128 {
  return v128.xor(v128.load(row), i16x8.splat(-32768));
}

/** Four of eight pixels of two rows, weighed and added. */
// @ts-ignore: decorator
@inline
function weighed(sum: v128, upper: v128, lower: v128, weights: v128, high: bool): v128 {
  const pairs = high
    ? i16x8.shuffle(upper, lower, 4, 12, 5, 13, 6, 14, 7, 15)
    : i16x8.shuffle(upper, lower, 0, 8, 1, 9, 2, 10, 3, 11);
  return i32x4.add(sum, i32x4.dot_i16x8_s(pairs, weights));
}

/** What weighed sums of pixels moved by −2¹⁵ begin with: the way back, and half a unit. */
const START: i32 = (1 << 30) + 16384;

/** The tap whose weight is 2¹⁵ and stands alone, for it fits no signed product; −1 when there is none. */
// @ts-ignore: decorator
@inline
function single(weights: usize, taps: i32): i32 {
  for (let t = 0; t < taps; t++) if (load<u16>(weights + ((<usize>t) << 1)) == 32768) return t;
  return -1;
}

/** Eight weighed sums as pixels. */
// @ts-ignore: decorator
@inline
function halves(low: v128, high: v128): v128 {
  return i16x8.narrow_i32x4_u(i32x4.shr_u(low, 15), i32x4.shr_u(high, 15));
}

/**
 * out[i] = Σ weight[t] · row[t][i] − 2¹⁵, rounded, for `taps` rows of pixels at the given addresses: signed, as `weighAlong` takes them.
 * Weights add up to 2¹⁵. Up to seven entries beyond `count` are read and written.
 */
export function weighDown(addresses: usize, weights: usize, taps: i32, out: usize, count: i32): void {
  const alone = single(weights, taps);
  if (alone >= 0) {
    const row = <usize>load<i32>(addresses + ((<usize>alone) << 2));
    for (let at: usize = 0; at < (<usize>count) << 1; at += 16) v128.store(out + at, moved(row + at));
    return;
  }
  const start = i32x4.splat(START);
  const middle = i16x8.splat(-32768);
  const end = (<usize>((count + 7) & ~7)) << 1;
  const pairs = <usize>(taps & ~1);
  let at: usize = 0;
  // Sixteen pixels at once, for addresses and weights are read as often as there are turns.
  for (; at + 32 <= end; at += 32) {
    let a = start;
    let b = start;
    let c = start;
    let d = start;
    for (let t: usize = 0; t < pairs; t += 2) {
      const upper = <usize>load<i32>(addresses + (t << 2)) + at;
      const lower = <usize>load<i32>(addresses + (t << 2), 4) + at;
      const weight = v128.load32_splat(weights + (t << 1));
      const u = moved(upper);
      const l = moved(lower);
      a = weighed(a, u, l, weight, false);
      b = weighed(b, u, l, weight, true);
      const v = moved(upper + 16);
      const m = moved(lower + 16);
      c = weighed(c, v, m, weight, false);
      d = weighed(d, v, m, weight, true);
    }
    if (taps & 1) {
      const row = <usize>load<i32>(addresses + (pairs << 2)) + at;
      const weight = i32x4.splat(<i32>load<u16>(weights + (pairs << 1)));
      const u = moved(row);
      const v = moved(row + 16);
      a = weighed(a, u, u, weight, false);
      b = weighed(b, u, u, weight, true);
      c = weighed(c, v, v, weight, false);
      d = weighed(d, v, v, weight, true);
    }
    v128.store(out + at, v128.xor(halves(a, b), middle));
    v128.store(out + at, v128.xor(halves(c, d), middle), 16);
  }
  if (at >= end) return;
  let low = start;
  let high = start;
  for (let t: usize = 0; t < <usize>taps; t++) {
    const row = moved(<usize>load<i32>(addresses + (t << 2)) + at);
    const weight = i32x4.splat(<i32>load<u16>(weights + (t << 1)));
    low = weighed(low, row, row, weight, false);
    high = weighed(high, row, row, weight, true);
  }
  v128.store(out + at, v128.xor(halves(low, high), middle));
}

/** Sums for pixels one apart, added: each product takes two taps of one pixel, and all even ones are made before all odd ones. */
// @ts-ignore: decorator
@inline
function along(sum: v128, row: usize, weights: v128): v128 {
  return i32x4.add(sum, i32x4.dot_i16x8_s(v128.load(row), weights));
}

/** Weighed sums of even and of odd pixels as eight pixels. */
// @ts-ignore: decorator
@inline
function laced(even: v128, odd: v128): v128 {
  return v128.or(i32x4.shr_u(even, 15), i32x4.shl(i32x4.shr_u(odd, 15), 16));
}

/**
 * out[i] = Σ weight[t] · (row[i + t] + 2¹⁵), rounded, for a row of signed numbers as `weighDown` makes them and `taps` weights that add up
 * to 2¹⁵. Up to fifteen entries beyond those are read, and up to seven beyond `count` written.
 */
export function weighAlong(row: usize, weights: usize, taps: i32, out: usize, count: i32): void {
  const alone = single(weights, taps);
  if (alone >= 0) {
    row += (<usize>alone) << 1;
    for (let at: usize = 0; at < (<usize>count) << 1; at += 16) v128.store(out + at, moved(row + at));
    return;
  }
  const start = i32x4.splat(START);
  const end = (<usize>((count + 7) & ~7)) << 1;
  const pairs = (<usize>(taps & ~1)) << 1;
  const last = taps & 1 ? i32x4.splat(<i32>load<u16>(weights + pairs)) : i32x4.splat(0);
  for (let at: usize = 0; at < end; at += 32) {
    const from = row + at;
    let a = start;
    let b = start;
    let c = start;
    let d = start;
    for (let t: usize = 0; t < pairs; t += 4) {
      const pair = v128.load32_splat(weights + t);
      a = along(a, from + t, pair);
      b = along(b, from + t + 2, pair);
      c = along(c, from + t + 16, pair);
      d = along(d, from + t + 18, pair);
    }
    if (taps & 1) {
      a = along(a, from + pairs, last);
      b = along(b, from + pairs + 2, last);
      c = along(c, from + pairs + 16, last);
      d = along(d, from + pairs + 18, last);
    }
    v128.store(out + at, laced(a, b));
    if (at + 16 < end) v128.store(out + at, laced(c, d), 16);
  }
}
