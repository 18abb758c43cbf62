import { packed } from './packed';

/** The first four of eight pixels of two rows in pairs. */
// @ts-ignore: decorator
@inline
function pairedLow(a: v128, b: v128): v128 {
  return i16x8.shuffle(a, b, 0, 8, 1, 9, 2, 10, 3, 11);
}

/** The last four. */
// @ts-ignore: decorator
@inline
function pairedHigh(a: v128, b: v128): v128 {
  return i16x8.shuffle(a, b, 4, 12, 5, 13, 6, 14, 7, 15);
}

/** Eight pairs of pixels mixed by a pair of weights (2¹⁴ together); all of them moved by −2¹⁵. */
// @ts-ignore: decorator
@inline
function mixedEight(low: v128, high: v128, pair: v128): v128 {
  return i16x8.narrow_i32x4_s(
    i32x4.shr_s(i32x4.dot_i16x8_s(low, pair), 14),
    i32x4.shr_s(i32x4.dot_i16x8_s(high, pair), 14),
  );
}

// @ts-ignore: decorator
@inline
function pairOf(weight: i32): v128 {
  return i32x4.splat((weight << 16) | (16384 - weight));
}

/**
 * out = upper + ((lower − upper) · weight >> 14), for weights 0–2¹⁴ and rows moved by −2¹⁵ as the stretched ones are. Up to seven entries
 * beyond `count` are written.
 */
export function mixRows(upper: usize, lower: usize, weight: i32, out: usize, count: i32): void {
  const pair = pairOf(weight);
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 8) {
    const a = v128.load(upper);
    const b = v128.load(lower);
    v128.store(out, v128.xor(mixedEight(pairedLow(a, b), pairedHigh(a, b), pair), middle));
    upper += 16;
    lower += 16;
    out += 16;
  }
}

/** Whole bytes of a row of thresholds from a column to its end. */
// @ts-ignore: decorator
@inline
function bytesFrom(column: i32, run: i32): i32 {
  return (run - column + 7) >> 3;
}

/** Which of eight mixed pixels are above their thresholds. */
// @ts-ignore: decorator
@inline
function above(low: v128, high: v128, pair: v128, thresholds: usize): v128 {
  return i16x8.gt_s(mixedEight(low, high, pair), v128.xor(v128.load(thresholds), i16x8.splat(-32768)));
}

/** What `mixAndCompare` does, for one, two or three rows at once: what these read of the rows above and below is read once. */
// @ts-ignore: decorator
@inline
function compareMixed(rows: i32, upper: usize, lower: usize, lines: usize, run: i32, brick: i32, width: i32): void {
  const two = rows > 1;
  const three = rows > 2;
  const pair1 = pairOf(load<i32>(lines));
  const pair2 = two ? pairOf(load<i32>(lines, 16)) : pair1;
  const pair3 = three ? pairOf(load<i32>(lines, 32)) : pair1;
  let column1 = load<i32>(lines, 8);
  let column2 = two ? load<i32>(lines, 24) : 0;
  let column3 = three ? load<i32>(lines, 40) : 0;
  let from1 = <usize>load<i32>(lines, 4) + ((<usize>column1) << 1);
  let from2: usize = two ? <usize>load<i32>(lines, 20) + ((<usize>column2) << 1) : 0;
  let from3: usize = three ? <usize>load<i32>(lines, 36) + ((<usize>column3) << 1) : 0;
  let out1 = <usize>load<i32>(lines, 12);
  let out2: usize = two ? <usize>load<i32>(lines, 28) : 0;
  let out3: usize = three ? <usize>load<i32>(lines, 44) : 0;
  let bytes = width >> 3;
  while (bytes > 0) {
    let count = min(bytes, bytesFrom(column1, run));
    if (two) count = min(count, bytesFrom(column2, run));
    if (three) count = min(count, bytesFrom(column3, run));
    let i = 0;
    for (; i + 2 <= count; i += 2) {
      const a = pairedLow(v128.load(upper), v128.load(lower));
      const b = pairedHigh(v128.load(upper), v128.load(lower));
      const c = pairedLow(v128.load(upper, 16), v128.load(lower, 16));
      const d = pairedHigh(v128.load(upper, 16), v128.load(lower, 16));
      store<u16>(out1, <u16>packed(above(a, b, pair1, from1), above(c, d, pair1, from1 + 16)));
      from1 += 32;
      out1 += 2;
      if (two) {
        store<u16>(out2, <u16>packed(above(a, b, pair2, from2), above(c, d, pair2, from2 + 16)));
        from2 += 32;
        out2 += 2;
      }
      if (three) {
        store<u16>(out3, <u16>packed(above(a, b, pair3, from3), above(c, d, pair3, from3 + 16)));
        from3 += 32;
        out3 += 2;
      }
      upper += 32;
      lower += 32;
    }
    if (i < count) {
      const a = pairedLow(v128.load(upper), v128.load(lower));
      const b = pairedHigh(v128.load(upper), v128.load(lower));
      const first = above(a, b, pair1, from1);
      store<u8>(out1++, <u8>packed(first, first));
      from1 += 16;
      if (two) {
        const second = above(a, b, pair2, from2);
        store<u8>(out2++, <u8>packed(second, second));
        from2 += 16;
      }
      if (three) {
        const third = above(a, b, pair3, from3);
        store<u8>(out3++, <u8>packed(third, third));
        from3 += 16;
      }
      upper += 16;
      lower += 16;
    }
    bytes -= count;
    column1 += count << 3;
    if (column1 >= run) {
      column1 %= brick;
      from1 = <usize>load<i32>(lines, 4) + ((<usize>column1) << 1);
    }
    if (two) {
      column2 += count << 3;
      if (column2 >= run) {
        column2 %= brick;
        from2 = <usize>load<i32>(lines, 20) + ((<usize>column2) << 1);
      }
    }
    if (three) {
      column3 += count << 3;
      if (column3 >= run) {
        column3 %= brick;
        from3 = <usize>load<i32>(lines, 36) + ((<usize>column3) << 1);
      }
    }
  }
  const rest = width & 7;
  if (rest == 0) return;
  const mask = 0xff00 >> rest;
  const a = pairedLow(v128.load(upper), v128.load(lower));
  const b = pairedHigh(v128.load(upper), v128.load(lower));
  const first = above(a, b, pair1, from1);
  store<u8>(out1, <u8>(packed(first, first) & mask));
  if (two) {
    const second = above(a, b, pair2, from2);
    store<u8>(out2, <u8>(packed(second, second) & mask));
  }
  if (three) {
    const third = above(a, b, pair3, from3);
    store<u8>(out3, <u8>(packed(third, third) & mask));
  }
}

/**
 * Mixes two rows as `mixRows` does, by the weights of several rows between them, and compares each of these with its thresholds as
 * `compareRow` does, in one go. Up to seven entries of the two rows beyond `width` are read.
 *
 * @param lines four numbers (i32) for each row: weight, address of its thresholds, its column in them, and where its bits are written
 */
export function mixAndCompare(
  upper: usize,
  lower: usize,
  rows: i32,
  lines: usize,
  run: i32,
  brick: i32,
  width: i32,
): void {
  for (; rows > 4 || rows == 3; rows -= 3) {
    compareMixed(3, upper, lower, lines, run, brick, width);
    lines += 48;
  }
  for (; rows > 1; rows -= 2) {
    compareMixed(2, upper, lower, lines, run, brick, width);
    lines += 32;
  }
  if (rows > 0) compareMixed(1, upper, lower, lines, run, brick, width);
}

/** Four pairs out of sixteen bytes, mixed by their weights. */
// @ts-ignore: decorator
@inline
function picked(near: v128, mask: usize, weights: usize): v128 {
  return i32x4.shr_s(i32x4.dot_i16x8_s(i8x16.swizzle(near, v128.load(mask)), v128.load(weights)), 14);
}

/**
 * Stretches a row as `stretchRow` does, where every eight outputs read pairs that lie within 16 bytes of the row: those begin at
 * `bases` (one for eight outputs), and `masks` (32 bytes) say which of these bytes make up the eight pairs. Writes up to seven entries beyond `count`.
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
  for (let i = 0; i < count; i += 8) {
    const near = v128.xor(v128.load(row + <usize>load<i32>(bases)), middle);
    v128.store(
      out,
      i16x8.narrow_i32x4_s(picked(near, masks, weights), picked(near, masks + 16, weights + 16)),
    );
    bases += 4;
    masks += 32;
    weights += 32;
    out += 16;
  }
}

/**
 * Stretches a row: out[i] is the pair of pixels at byte offset offsets[i] of the row, mixed by the pair of weights (2¹⁴
 * together) at weights[i], and moved by −2¹⁵ to fit a signed number. Reads and writes up to three entries beyond `count`.
 */
export function stretchRow(row: usize, offsets: usize, weights: usize, out: usize, count: i32): void {
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 4) {
    let pairs = v128.load32_zero(row + <usize>load<i32>(offsets));
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 4), pairs, 1);
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 8), pairs, 2);
    pairs = v128.load32_lane(row + <usize>load<i32>(offsets, 12), pairs, 3);
    const sums = i32x4.dot_i16x8_s(v128.xor(pairs, middle), v128.load(weights));
    const mixed = i32x4.shr_s(sums, 14);
    v128.store64_lane(out, i16x8.narrow_i32x4_s(mixed, mixed), 0);
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
