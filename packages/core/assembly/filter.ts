/** The least or the greatest of eight pixels of each row. */
// @ts-ignore: decorator
@inline
function extreme(addresses: usize, taps: usize, at: usize, least: bool): v128 {
  let found = v128.load(<usize>load<i32>(addresses) + at);
  for (let t: usize = 1; t < taps; t++) {
    const other = v128.load(<usize>load<i32>(addresses + (t << 2)) + at);
    found = least ? i16x8.min_u(found, other) : i16x8.max_u(found, other);
  }
  return found;
}

// @ts-ignore: decorator
@inline
function extremes(addresses: usize, taps: usize, out: usize, count: i32, least: bool): void {
  const end = (<usize>((count + 7) & ~7)) << 1;
  let at: usize = 0;
  if (taps == 2) {
    // Small windows are made of these.
    const a = <usize>load<i32>(addresses);
    const b = <usize>load<i32>(addresses, 4);
    for (; at < end; at += 16) {
      const first = v128.load(a + at);
      const second = v128.load(b + at);
      v128.store(out + at, least ? i16x8.min_u(first, second) : i16x8.max_u(first, second));
    }
    return;
  }
  for (; at < end; at += 16) v128.store(out + at, extreme(addresses, taps, at, least));
}

/** out[i] = the least of row[t][i] for `taps` rows at the given addresses. Up to seven entries beyond `count` are used. */
export function leastOf(addresses: usize, taps: i32, out: usize, count: i32): void {
  extremes(addresses, taps, out, count, true);
}

/** The same for the greatest. */
export function mostOf(addresses: usize, taps: i32, out: usize, count: i32): void {
  extremes(addresses, taps, out, count, false);
}

/** Four of eight pixels as reals; taken as signed, which is one instruction where unsigned is eight. */
// @ts-ignore: decorator
@inline
function reals(pixels: v128, high: bool): v128 {
  return f32x4.convert_i32x4_s(high ? i32x4.extend_high_i16x8_u(pixels) : i32x4.extend_low_i16x8_u(pixels));
}

/** A real below 2²³ either way as a whole number, the even one of two alike near: beside 2²³ its last bits are just that. */
// @ts-ignore: decorator
@inline
function whole(real: v128): v128 {
  return i32x4.sub(f32x4.add(real, f32x4.splat(8388608)), i32x4.splat(0x4b000000));
}

/** Eight reals as pixels, rounded and kept within 0 to 65535. */
// @ts-ignore: decorator
@inline
function pixels(low: v128, high: v128): v128 {
  return i16x8.narrow_i32x4_u(whole(low), whole(high));
}

// @ts-ignore: decorator
@inline
function sharper(value: v128, soft: v128, gain: v128, least: v128): v128 {
  const edge = f32x4.sub(value, soft);
  return f32x4.add(value, v128.and(f32x4.mul(edge, gain), f32x4.gt(f32x4.abs(edge), least)));
}

/** out = row + (row − soft) · gain where they differ by more than `least`. Up to seven entries beyond `count` are used. */
export function sharpenRow(row: usize, soft: usize, gain: f32, least: f32, out: usize, count: i32): void {
  const gains = f32x4.splat(gain);
  const leasts = f32x4.splat(least);
  for (let i = 0; i < count; i += 8) {
    const a = v128.load(row);
    const b = v128.load(soft);
    v128.store(
      out,
      pixels(
        sharper(reals(a, false), reals(b, false), gains, leasts),
        sharper(reals(a, true), reals(b, true), gains, leasts),
      ),
    );
    row += 16;
    soft += 16;
    out += 16;
  }
}

// @ts-ignore: decorator
@inline
function recovered(value: v128, around: v128, dark: v128, light: v128): v128 {
  // −1 at bare, 1 at solid.
  const side = f32x4.sub(f32x4.mul(around, f32x4.splat(<f32>(2.0 / 65535.0))), f32x4.splat(1));
  const pull = f32x4.mul(
    f32x4.mul(side, side),
    v128.bitselect(dark, light, f32x4.gt(side, f32x4.splat(0))),
  );
  const gain = f32x4.add(f32x4.splat(1), f32x4.abs(pull));
  const moved = f32x4.add(around, f32x4.mul(pull, f32x4.splat(65535)));
  return f32x4.add(moved, f32x4.mul(f32x4.sub(value, around), gain));
}

/**
 * Moves surroundings towards the middle tone by the square of how far they are from it, dark ones `dark` (0 or less) and
 * light ones `light` shares of the whole at most; what stands out from them stays and grows as much. Up to seven entries
 * beyond `count` are used.
 */
export function recoverRow(row: usize, around: usize, dark: f32, light: f32, out: usize, count: i32): void {
  const darks = f32x4.splat(dark);
  const lights = f32x4.splat(light);
  for (let i = 0; i < count; i += 8) {
    const a = v128.load(row);
    const b = v128.load(around);
    v128.store(
      out,
      pixels(
        recovered(reals(a, false), reals(b, false), darks, lights),
        recovered(reals(a, true), reals(b, true), darks, lights),
      ),
    );
    row += 16;
    around += 16;
    out += 16;
  }
}

// @ts-ignore: decorator
@inline
function mixedUp(h: v128): v128 {
  h = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 16)), i32x4.splat(0x85ebca6b));
  h = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 13)), i32x4.splat(0xc2b2ae35));
  return v128.xor(h, i32x4.shr_u(h, 16));
}

/**
 * out = row + n · share / 2¹⁵, twice, each rounded and what comes out kept within 0 to 65535. Every pixel has a number n of its own, −2¹⁵ to
 * 2¹⁵ − 1: half of the bits of `randomBelow` in src/random.ts, for a row `y` and a column that two pixels share. Uses seven entries beyond.
 *
 * @param columns as `columnOfRandom` gives them, one for each two pixels
 * @param share   at most 2¹⁵ − 1
 */
export function grainRow(row: usize, columns: usize, y: i32, share: i32, out: usize, count: i32): void {
  const shares = i16x8.splat(<i16>share);
  const rows = i32x4.splat(y * 0xc2b2ae35);
  const middle = i16x8.splat(-32768);
  for (let i = 0; i < count; i += 8) {
    const random = mixedUp(v128.xor(v128.load(columns), rows));
    const grain = i16x8.q15mulr_sat_s(random, shares);
    const moved = v128.xor(v128.load(row), middle);
    v128.store(out, v128.xor(i16x8.add_sat_s(i16x8.add_sat_s(moved, grain), grain), middle));
    columns += 16;
    row += 16;
    out += 16;
  }
}

/** Adds a row of pixels to a row of sums (u32). Up to seven entries beyond `count` are used. */
export function addPixels(row: usize, sums: usize, count: i32): void {
  for (let i = 0; i < count; i += 8) {
    const pixels = v128.load(row);
    v128.store(sums, i32x4.add(v128.load(sums), i32x4.extend_low_i16x8_u(pixels)));
    v128.store(sums, i32x4.add(v128.load(sums, 16), i32x4.extend_high_i16x8_u(pixels)), 16);
    row += 16;
    sums += 32;
  }
}

/** Means, rounded, of cells of 2^`shift` sums (u32) that each hold as many rows. */
export function cellMeans(sums: usize, shift: i32, out: usize, count: i32): void {
  const size = 1 << shift;
  const half = (1 << (2 * shift)) >> 1;
  for (let i = 0; i < count; i++) {
    let sum = half;
    for (let k = 0; k < size; k++) {
      sum += load<u32>(sums);
      sums += 4;
    }
    store<u16>(out, <u16>((<u32>sum) >> (2 * shift)));
    out += 2;
  }
}
