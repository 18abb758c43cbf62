/** Bits of a pixel that places are told by, and of these those that pixels are mixed by. */
const PLACE_BITS: i32 = 20;
const PART_BITS: i32 = 7;

/**
 * Tones of a plane (u16, `width` pixels a row) at the points of a square, row by row: `side` of them each way, from (x, y) on in 2⁻²⁰ pixel, by steps
 * (xx, yx) along a row and (xy, yy) from row to row. Four pixels are mixed, and the mix sent through a table of 65536 unless that is 0; what is
 * 0 stays so. Writes tones (f32), and the least and the largest of them (i32); returns their sum. Writes up to three tones past the last, and reads pixels of
 * as many points past each row.
 */
export function readCell(
  plane: usize,
  width: i32,
  x: i32,
  y: i32,
  xx: i32,
  xy: i32,
  yx: i32,
  yy: i32,
  side: i32,
  table: usize,
  out: usize,
  range: usize,
): f64 {
  const steps = i32x4(0, 1, 2, 3);
  const acrossFour = i32x4.splat(xx << 2);
  const downFour = i32x4.splat(yx << 2);
  const rowPixels = i32x4.splat(width);
  const parts = i32x4.splat((1 << PART_BITS) - 1);
  const all = i32x4.splat(1 << PART_BITS);
  // Pixels less 32768, as numbers with a sign are mixed.
  const signs = i32x4.splat(0x80008000);
  const middle = i32x4.splat(1 << (15 + 2 * PART_BITS));
  const none = i32x4.splat(0);
  let least = i32x4.splat(65535);
  let most = none;
  let sum: f64 = 0;
  for (let row = 0; row < side; row++) {
    let px = i32x4.add(i32x4.splat(x), i32x4.mul(steps, i32x4.splat(xx)));
    let py = i32x4.add(i32x4.splat(y), i32x4.mul(steps, i32x4.splat(yx)));
    let rowSum = i64x2.splat(0);
    for (let i = 0; i < side; i += 4) {
      const at = i32x4.shl(
        i32x4.add(i32x4.mul(i32x4.shr_s(py, PLACE_BITS), rowPixels), i32x4.shr_s(px, PLACE_BITS)),
        1,
      );
      const a = plane + <usize>i32x4.extract_lane(at, 0);
      const b = plane + <usize>i32x4.extract_lane(at, 1);
      const c = plane + <usize>i32x4.extract_lane(at, 2);
      const d = plane + <usize>i32x4.extract_lane(at, 3);
      const below = <usize>(width << 1);
      let upper = v128.load32_zero(a);
      upper = v128.load32_lane(b, upper, 1);
      upper = v128.load32_lane(c, upper, 2);
      upper = v128.load32_lane(d, upper, 3);
      let lower = v128.load32_zero(a + below);
      lower = v128.load32_lane(b + below, lower, 1);
      lower = v128.load32_lane(c + below, lower, 2);
      lower = v128.load32_lane(d + below, lower, 3);
      const fx = v128.and(i32x4.shr_s(px, PLACE_BITS - PART_BITS), parts);
      const weights = v128.or(i32x4.sub(all, fx), i32x4.shl(fx, 16));
      const first = i32x4.dot_i16x8_s(v128.xor(upper, signs), weights);
      const second = i32x4.dot_i16x8_s(v128.xor(lower, signs), weights);
      const fy = v128.and(i32x4.shr_s(py, PLACE_BITS - PART_BITS), parts);
      const mixed = i32x4.add(
        i32x4.add(i32x4.shl(first, PART_BITS), i32x4.mul(i32x4.sub(second, first), fy)),
        middle,
      );
      let tones = i32x4.shr_s(mixed, 2 * PART_BITS);
      if (table) {
        let made = v128.load16_lane(table + <usize>(i32x4.extract_lane(tones, 0) << 1), none, 0);
        made = v128.load16_lane(table + <usize>(i32x4.extract_lane(tones, 1) << 1), made, 2);
        made = v128.load16_lane(table + <usize>(i32x4.extract_lane(tones, 2) << 1), made, 4);
        made = v128.load16_lane(table + <usize>(i32x4.extract_lane(tones, 3) << 1), made, 6);
        tones = v128.and(v128.and(made, i32x4.splat(0xffff)), i32x4.gt_s(tones, none));
      }
      v128.store(out, f32x4.convert_i32x4_s(tones));
      if (i + 4 > side) {
        // Points past the row say nothing.
        const counts = i32x4.lt_s(steps, i32x4.splat(side - i));
        least = i32x4.min_s(least, v128.bitselect(tones, i32x4.splat(65535), counts));
        tones = v128.and(tones, counts);
      } else least = i32x4.min_s(least, tones);
      most = i32x4.max_s(most, tones);
      rowSum = i64x2.add(rowSum, i64x2.extend_low_i32x4_u(tones));
      rowSum = i64x2.add(rowSum, i64x2.extend_high_i32x4_u(tones));
      px = i32x4.add(px, acrossFour);
      py = i32x4.add(py, downFour);
      out += 16;
    }
    sum += <f64>(i64x2.extract_lane(rowSum, 0) + i64x2.extract_lane(rowSum, 1));
    x += xy;
    y += yy;
    out -= <usize>(((4 - (side & 3)) & 3) << 2);
  }
  least = i32x4.min_s(least, i32x4.shuffle(least, least, 2, 3, 0, 1));
  least = i32x4.min_s(least, i32x4.shuffle(least, least, 1, 0, 3, 2));
  most = i32x4.max_s(most, i32x4.shuffle(most, most, 2, 3, 0, 1));
  most = i32x4.max_s(most, i32x4.shuffle(most, most, 1, 0, 3, 2));
  store<i32>(range, i32x4.extract_lane(least, 0));
  store<i32>(range, i32x4.extract_lane(most, 0), 4);
  return sum;
}
