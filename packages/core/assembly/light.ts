/** Adds `count` numbers (f32) times a weight to others. Reads and writes up to three numbers past them. */
export function addScaled(from: usize, weight: f32, to: usize, count: i32): void {
  const by = f32x4.splat(weight);
  for (let i = 0; i < count; i += 4) {
    v128.store(to, f32x4.add(v128.load(to), f32x4.mul(v128.load(from), by)));
    from += 16;
    to += 16;
  }
}

/** Bits that two rows both have. Reads and writes up to 15 bytes past them. */
export function bothBits(a: usize, b: usize, out: usize, bytes: i32): void {
  for (let i = 0; i < bytes; i += 16) {
    v128.store(out, v128.and(v128.load(a), v128.load(b)));
    a += 16;
    b += 16;
    out += 16;
  }
}

/**
 * Inked pixels of blocks 2^shift pixels wide (shift 0–3) and `rows` rows of bits high, a byte each; rows lie `stride` bytes apart. Reads up
 * to 16 bytes past them, and writes whole groups of 16 blocks.
 */
export function countBlocks(
  bits: usize,
  stride: usize,
  rows: i32,
  shift: i32,
  out: usize,
  count: i32,
): void {
  let order = i8x16(0, 0, 0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 1, 1);
  let mask = i8x16(-128, 64, 32, 16, 8, 4, 2, 1, -128, 64, 32, 16, 8, 4, 2, 1);
  if (shift == 1) {
    order = i8x16(0, 0, 0, 0, 1, 1, 1, 1, 2, 2, 2, 2, 3, 3, 3, 3);
    mask = i8x16(-64, 48, 12, 3, -64, 48, 12, 3, -64, 48, 12, 3, -64, 48, 12, 3);
  } else if (shift == 2) {
    order = i8x16(0, 0, 1, 1, 2, 2, 3, 3, 4, 4, 5, 5, 6, 6, 7, 7);
    mask = i8x16(-16, 15, -16, 15, -16, 15, -16, 15, -16, 15, -16, 15, -16, 15, -16, 15);
  } else if (shift == 3) {
    order = i8x16(0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15);
    mask = i8x16.splat(-1);
  }
  const step = <usize>(2 << shift);
  for (let i = 0; i < count; i += 16) {
    let sums = i8x16.splat(0);
    let row = bits;
    for (let r = 0; r < rows; r++) {
      sums = i8x16.add(sums, i8x16.popcnt(v128.and(i8x16.swizzle(v128.load(row), order), mask)));
      row += stride;
    }
    v128.store(out, sums);
    out += 16;
    bits += step;
  }
}

/** Set bits of `count` bytes. */
export function sumBits(from: usize, count: i32): i32 {
  let sum = 0;
  let sums = i32x4.splat(0);
  let i = 0;
  for (; i + 16 <= count; i += 16) {
    const pairs = i16x8.extadd_pairwise_i8x16_u(i8x16.popcnt(v128.load(from + <usize>i)));
    sums = i32x4.add(sums, i32x4.extadd_pairwise_i16x8_u(pairs));
  }
  for (; i < count; i++) sum += popcnt<i32>(<i32>load<u8>(from + <usize>i));
  return sum + total(sums);
}

// @ts-ignore: decorator
@inline
function total(sums: v128): i32 {
  return (
    i32x4.extract_lane(sums, 0) +
    i32x4.extract_lane(sums, 1) +
    i32x4.extract_lane(sums, 2) +
    i32x4.extract_lane(sums, 3)
  );
}

/** The sum of `count` bytes. */
export function sumBytes(from: usize, count: i32): i32 {
  let sum = 0;
  let sums = i32x4.splat(0);
  let i = 0;
  for (; i + 16 <= count; i += 16) {
    const pairs = i16x8.extadd_pairwise_i8x16_u(v128.load(from + <usize>i));
    sums = i32x4.add(sums, i32x4.extadd_pairwise_i16x8_u(pairs));
  }
  for (; i < count; i++) sum += <i32>load<u8>(from + <usize>i);
  return sum + total(sums);
}

/**
 * Adds counts (bytes) times their weights to three rows of numbers (f32) that lie `outStride` bytes apart. Counts of one set after another lie
 * `stride` bytes apart; `weights` holds three numbers (f32) for each set. Reads and writes up to seven numbers past `count`.
 */
export function addLight(
  counts: usize,
  stride: usize,
  sets: i32,
  weights: usize,
  out: usize,
  outStride: usize,
  count: i32,
): void {
  const second = outStride;
  const third = 2 * outStride;
  for (let i = 0; i < count; i += 8) {
    let r0 = v128.load(out);
    let r1 = v128.load(out + 16);
    let g0 = v128.load(out + second);
    let g1 = v128.load(out + second + 16);
    let b0 = v128.load(out + third);
    let b1 = v128.load(out + third + 16);
    let at = counts;
    let weight = weights;
    for (let set = 0; set < sets; set++) {
      const words = v128.load_ext<u8>(at);
      const low = f32x4.convert_i32x4_s(i32x4.extend_low_i16x8_u(words));
      const high = f32x4.convert_i32x4_s(i32x4.extend_high_i16x8_u(words));
      const r = v128.load_splat<f32>(weight);
      const g = v128.load_splat<f32>(weight + 4);
      const b = v128.load_splat<f32>(weight + 8);
      r0 = f32x4.add(r0, f32x4.mul(low, r));
      r1 = f32x4.add(r1, f32x4.mul(high, r));
      g0 = f32x4.add(g0, f32x4.mul(low, g));
      g1 = f32x4.add(g1, f32x4.mul(high, g));
      b0 = f32x4.add(b0, f32x4.mul(low, b));
      b1 = f32x4.add(b1, f32x4.mul(high, b));
      at += stride;
      weight += 12;
    }
    v128.store(out, r0);
    v128.store(out + 16, r1);
    v128.store(out + second, g0);
    v128.store(out + second + 16, g1);
    v128.store(out + third, b0);
    v128.store(out + third + 16, b1);
    counts += 8;
    out += 32;
  }
}

/**
 * Two weighted sums of rows (f32), column by column. `rows` holds their addresses (i32), `weights` two numbers (f32) for each, one for each
 * sum. Reads and writes up to fifteen numbers past `count`.
 */
export function weighRows(rows: usize, weights: usize, taps: i32, a: usize, b: usize, count: i32): void {
  const end = rows + <usize>(4 * taps);
  const bytes = <usize>(4 * count);
  for (let at: usize = 0; at < bytes; at += 64) {
    let a0 = f32x4.splat(0);
    let a1 = f32x4.splat(0);
    let a2 = f32x4.splat(0);
    let a3 = f32x4.splat(0);
    let b0 = f32x4.splat(0);
    let b1 = f32x4.splat(0);
    let b2 = f32x4.splat(0);
    let b3 = f32x4.splat(0);
    let weight = weights;
    for (let place = rows; place < end; place += 4) {
      const row = <usize>load<u32>(place) + at;
      const wa = v128.load_splat<f32>(weight);
      const wb = v128.load_splat<f32>(weight, 4);
      let light = v128.load(row);
      a0 = f32x4.add(a0, f32x4.mul(light, wa));
      b0 = f32x4.add(b0, f32x4.mul(light, wb));
      light = v128.load(row, 16);
      a1 = f32x4.add(a1, f32x4.mul(light, wa));
      b1 = f32x4.add(b1, f32x4.mul(light, wb));
      light = v128.load(row, 32);
      a2 = f32x4.add(a2, f32x4.mul(light, wa));
      b2 = f32x4.add(b2, f32x4.mul(light, wb));
      light = v128.load(row, 48);
      a3 = f32x4.add(a3, f32x4.mul(light, wa));
      b3 = f32x4.add(b3, f32x4.mul(light, wb));
      weight += 8;
    }
    v128.store(a + at, a0);
    v128.store(a + at, a1, 16);
    v128.store(a + at, a2, 32);
    v128.store(a + at, a3, 48);
    v128.store(b + at, b0);
    v128.store(b + at, b1, 16);
    v128.store(b + at, b2, 32);
    v128.store(b + at, b3, 48);
  }
}

/**
 * Numbers (f32), each the sum of a stretch of row `a` and one of row `b` by weights of its own. Stretches are `taps` numbers long, a multiple of 4,
 * and begin where `starts` (i32) says; `weights` holds those for `a` and then those for `b` for each number in turn.
 */
export function weighColumns(
  a: usize,
  b: usize,
  starts: usize,
  weights: usize,
  taps: i32,
  out: usize,
  count: i32,
): void {
  const bytes = <usize>(4 * taps);
  for (let i = 0; i < count; i++) {
    const from = <usize>(4 * load<i32>(starts));
    let sum = f32x4.splat(0);
    for (let k: usize = 0; k < bytes; k += 16) {
      sum = f32x4.add(sum, f32x4.mul(v128.load(a + from + k), v128.load(weights + k)));
      sum = f32x4.add(sum, f32x4.mul(v128.load(b + from + k), v128.load(weights + bytes + k)));
    }
    const halves = f32x4.add(sum, i8x16.shuffle(sum, sum, 8, 9, 10, 11, 12, 13, 14, 15, 0, 1, 2, 3, 4, 5, 6, 7));
    store<f32>(out, f32x4.extract_lane(halves, 0) + f32x4.extract_lane(halves, 1));
    starts += 4;
    weights += 2 * bytes;
    out += 4;
  }
}

/**
 * One channel of what plates come to that know nothing of one another: colours (f32) of their 2^plates sets are mixed by the shares (f32) of the last
 * plate, those two by two by the shares of the one before, and so on. Rows of shares lie `stride` bytes apart; `work` has room for as many times 16
 * bytes as half of the sets. Reads and writes up to three numbers past the rows.
 */
export function mixSets(
  shares: usize,
  stride: i32,
  plates: i32,
  colours: usize,
  work: usize,
  out: usize,
  count: i32,
): void {
  const last = shares + <usize>((plates - 1) * stride);
  for (let i = 0; i < count; i += 4) {
    const at = <usize>(4 * i);
    let sets = 1 << (plates - 1);
    let share = v128.load(last + at);
    for (let set = 0; set < sets; set++) {
      const from = v128.load_splat<f32>(colours + <usize>(4 * set));
      const to = v128.load_splat<f32>(colours + <usize>(4 * (set + sets)));
      v128.store(work + <usize>(16 * set), f32x4.add(from, f32x4.mul(f32x4.sub(to, from), share)));
    }
    for (let row = last - <usize>stride; row >= shares; row -= <usize>stride) {
      sets >>= 1;
      share = v128.load(row + at);
      for (let set = 0; set < sets; set++) {
        const from = v128.load(work + <usize>(16 * set));
        const to = v128.load(work + <usize>(16 * (set + sets)));
        v128.store(work + <usize>(16 * set), f32x4.add(from, f32x4.mul(f32x4.sub(to, from), share)));
      }
    }
    v128.store(out + at, v128.load(work));
  }
}
