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

/** out[i] = the least of row[t][i] for `taps` rows at the given addresses. Up to seven entries beyond `count` are used. */
export function leastOf(addresses: usize, taps: i32, out: usize, count: i32): void {
  for (let at: usize = 0; at < (<usize>count) << 1; at += 16) {
    let found = v128.load(<usize>load<i32>(addresses) + at);
    for (let t: usize = 1; t < <usize>taps; t++) {
      found = i16x8.min_u(found, v128.load(<usize>load<i32>(addresses + (t << 2)) + at));
    }
    v128.store(out + at, found);
  }
}

/** The same for the greatest. */
export function mostOf(addresses: usize, taps: i32, out: usize, count: i32): void {
  for (let at: usize = 0; at < (<usize>count) << 1; at += 16) {
    let found = v128.load(<usize>load<i32>(addresses) + at);
    for (let t: usize = 1; t < <usize>taps; t++) {
      found = i16x8.max_u(found, v128.load(<usize>load<i32>(addresses + (t << 2)) + at));
    }
    v128.store(out + at, found);
  }
}

/** Four of eight pixels as reals. */
// @ts-ignore: decorator
@inline
function reals(pixels: v128, high: bool): v128 {
  return f32x4.convert_i32x4_u(high ? i32x4.extend_high_i16x8_u(pixels) : i32x4.extend_low_i16x8_u(pixels));
}

/** Eight reals as pixels, rounded and kept within 0 to 65535. */
// @ts-ignore: decorator
@inline
function pixels(low: v128, high: v128): v128 {
  const half = f32x4.splat(0.5);
  return i16x8.narrow_i32x4_u(
    i32x4.trunc_sat_f32x4_s(f32x4.add(low, half)),
    i32x4.trunc_sat_f32x4_s(f32x4.add(high, half)),
  );
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

/** Four numbers as `randomAt` in src/random.ts gives them, for x at the given places. */
// @ts-ignore: decorator
@inline
function randoms(seed: i32, x: v128, y: i32): v128 {
  const h = v128.xor(i32x4.splat(seed * 0x9e3779b1), i32x4.mul(x, i32x4.splat(0x85ebca6b)));
  const g = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 15)), i32x4.splat(0x2c1b3c6d));
  return mixedUp(v128.xor(g, i32x4.splat(y * 0xc2b2ae35)));
}

// @ts-ignore: decorator
@inline
function grains(seed: i32, x: v128, y: i32, range: v128): v128 {
  const share = f32x4.mul(f32x4.convert_i32x4_u(randoms(seed, x, y)), f32x4.splat(<f32>(1.0 / 4294967296.0)));
  return f32x4.mul(f32x4.sub(share, f32x4.splat(0.5)), range);
}

/** out = row + (random share − ½) · range, a number of its own for each pixel from x on. Uses seven entries beyond. */
export function grainRow(row: usize, seed: i32, x: i32, y: i32, range: f32, out: usize, count: i32): void {
  const ranges = f32x4.splat(range);
  let low = i32x4.add(i32x4.splat(x), i32x4(0, 1, 2, 3));
  let high = i32x4.add(low, i32x4.splat(4));
  for (let i = 0; i < count; i += 8) {
    const a = v128.load(row);
    v128.store(
      out,
      pixels(
        f32x4.add(reals(a, false), grains(seed, low, y, ranges)),
        f32x4.add(reals(a, true), grains(seed, high, y, ranges)),
      ),
    );
    low = i32x4.add(low, i32x4.splat(8));
    high = i32x4.add(high, i32x4.splat(8));
    row += 16;
    out += 16;
  }
}

/** Where the threshold of a place in a cell lies. */
// @ts-ignore: decorator
@inline
function cellAt(table: usize, u: i32, v: i32): usize {
  return table + (<usize>((((<u32>v) >> 24) << 8) | ((<u32>u) >> 24)) << 1);
}

/**
 * Compares a row with a table of 256 × 256 thresholds, read at places of a screen cell that run evenly within segments of
 * 2^`shift` pixels: bit = coverage > threshold − offset, which is kept within 0 and 65534; a threshold of 65535 stays. A segment is six numbers (i32): u and its step a pixel, v and its
 * step (a cell is 2³² long), the offset and its step (1/256 of coverage). The row begins `skip` pixels into the first
 * segment.
 */
export function lookUpRow(
  coverage: usize,
  table: usize,
  segments: usize,
  shift: i32,
  skip: i32,
  width: i32,
  out: usize,
): void {
  let byte = 0;
  let i = 0;
  for (let from = skip; i < width; from = 0) {
    const du = load<i32>(segments, 4);
    const dv = load<i32>(segments, 12);
    const step = load<i32>(segments, 20);
    let u = load<i32>(segments) + du * from;
    let v = load<i32>(segments, 8) + dv * from;
    let offset = load<i32>(segments, 16) + step * from;
    const end = min(width, i + (1 << shift) - from);
    segments += 24;
    const plain = offset == 0 && step == 0;
    while (i < end) {
      if ((i & 7) == 0 && i + 8 <= end) {
        // Eight at a time where a whole byte lies within the segment.
        let found = v128.load16_lane(cellAt(table, u, v), i16x8.splat(0), 0);
        found = v128.load16_lane(cellAt(table, u + du, v + dv), found, 1);
        found = v128.load16_lane(cellAt(table, u + 2 * du, v + 2 * dv), found, 2);
        found = v128.load16_lane(cellAt(table, u + 3 * du, v + 3 * dv), found, 3);
        found = v128.load16_lane(cellAt(table, u + 4 * du, v + 4 * dv), found, 4);
        found = v128.load16_lane(cellAt(table, u + 5 * du, v + 5 * dv), found, 5);
        found = v128.load16_lane(cellAt(table, u + 6 * du, v + 6 * dv), found, 6);
        found = v128.load16_lane(cellAt(table, u + 7 * du, v + 7 * dv), found, 7);
        if (!plain) {
          const low = i32x4.add(i32x4.splat(offset), i32x4.mul(i32x4.splat(step), i32x4(0, 1, 2, 3)));
          const high = i32x4.add(low, i32x4.splat(4 * step));
          found = v128.bitselect(
            found,
            i16x8.min_u(
              i16x8.splat(-2),
              i16x8.narrow_i32x4_u(
                i32x4.sub(i32x4.extend_low_i16x8_u(found), i32x4.shr_s(low, 8)),
                i32x4.sub(i32x4.extend_high_i16x8_u(found), i32x4.shr_s(high, 8)),
              ),
            ),
            i16x8.eq(found, i16x8.splat(-1)),
          );
        }
        const inked = i16x8.gt_u(v128.load(coverage + ((<usize>i) << 1)), found);
        const both = i8x16.narrow_i16x8_s(inked, inked);
        const turned = i8x16.shuffle(both, both, 7, 6, 5, 4, 3, 2, 1, 0, 15, 14, 13, 12, 11, 10, 9, 8);
        store<u8>(out++, <u8>i8x16.bitmask(turned));
        i += 8;
        u += 8 * du;
        v += 8 * dv;
        offset += 8 * step;
        continue;
      }
      let threshold = <i32>load<u16>(cellAt(table, u, v));
      if (!plain && threshold != 65535) threshold = min(65534, max(0, threshold - (offset >> 8)));
      byte = (byte << 1) | <i32>(<i32>load<u16>(coverage + ((<usize>i) << 1)) > threshold);
      if ((i & 7) == 7) {
        store<u8>(out++, <u8>byte);
        byte = 0;
      }
      i++;
      u += du;
      v += dv;
      offset += step;
    }
  }
  if (width & 7) store<u8>(out, <u8>(byte << (8 - (width & 7))));
}

/** Adds to a number of an array of whole numbers. */
// @ts-ignore: decorator
@inline
function addTo(at: usize, value: i32): void {
  store<i32>(at, load<i32>(at) + value);
}

/**
 * Error diffusion along one row, from left to right (`way` = 1) or back (−1). `here`, `next` and `after` are this row's errors
 * and those of the two below, times the kernel's divisor (i32, with room for two more to either side); the first is used up.
 * `made` holds the pixels made in the row above (bytes, 0 or 1) and is written over. `noise` is a row of 16-bit noise that moves
 * the threshold by `modulation` (1/65536 of its range) either way, or 0; `feedback` (1/65536 of
 * the range) lowers it beside pixels just inked. `made` has room for one more to either side, 0. Bare
 * and solid coverages come out bare and solid, and take no error on.
 */
export function diffuseRow(
  coverage: usize,
  here: usize,
  next: usize,
  after: usize,
  made: usize,
  noise: usize,
  modulation: i32,
  feedback: i32,
  kernel: i32,
  way: i32,
  width: i32,
): void {
  let x = way > 0 ? 0 : width - 1;
  const side: usize = way > 0 ? 4 : -4;
  const divisor = kernel == 0 ? 16 : kernel == 1 ? 48 : kernel == 2 ? 42 : 2;
  const half = divisor >> 1;
  let before = 0;
  let behind = 0;
  for (let i = 0; i < width; i++) {
    const place = (<usize>x) << 2;
    const asked = <i32>load<u16>(coverage + ((<usize>x) << 1));
    const above = <i32>load<u8>(made + <usize>x);
    let ink = 0;
    if (asked == 65535) ink = 1;
    else if (asked > 0) {
      const carried = load<i32>(here + place);
      let value = asked + (kernel == 0 ? (carried + 8) >> 4 : (carried + (carried < 0 ? -half : half)) / divisor);
      value = max(-131072, min(196608, value));
      let threshold = 32768;
      if (noise) threshold += ((<i32>load<u16>(noise + ((<usize>x) << 1)) - 32768) * modulation) >> 16;
      if (feedback) {
        const ahead = <i32>load<u8>(made + <usize>(x + way));
        const near = 22 * before + 56 * above + 25 * (ahead + behind);
        threshold += (feedback * (64 - near)) >> 7;
      }
      ink = <i32>(value >= threshold);
      const error = value - (ink ? 65535 : 0);
      const n = next + place;
      if (kernel == 0) {
        addTo(here + place + side, 7 * error);
        addTo(n - side, 3 * error);
        addTo(n, 5 * error);
        addTo(n + side, error);
      } else if (kernel == 3) {
        addTo(here + place + side, error);
        addTo(n, error);
      } else {
        const far = 2 * side;
        const h = here + place;
        const a = after + place;
        if (kernel == 1) {
          const e3 = 3 * error;
          const e5 = 5 * error;
          addTo(h + side, 7 * error);
          addTo(h + far, e5);
          addTo(n - far, e3);
          addTo(n - side, e5);
          addTo(n, 7 * error);
          addTo(n + side, e5);
          addTo(n + far, e3);
          addTo(a - far, error);
          addTo(a - side, e3);
          addTo(a, e5);
          addTo(a + side, e3);
          addTo(a + far, error);
        } else {
          const e2 = 2 * error;
          const e4 = 4 * error;
          addTo(h + side, 8 * error);
          addTo(h + far, e4);
          addTo(n - far, e2);
          addTo(n - side, e4);
          addTo(n, 8 * error);
          addTo(n + side, e4);
          addTo(n + far, e2);
          addTo(a - far, error);
          addTo(a - side, e2);
          addTo(a, e4);
          addTo(a + side, e2);
          addTo(a + far, error);
        }
      }
    }
    store<u8>(made + <usize>x, <u8>ink);
    before = ink;
    behind = above;
    x += way;
  }
}

/** Packs bytes of 0 and 1 into bits; reads up to seven bytes beyond `width`, which must be 0. */
export function packRow(made: usize, width: i32, out: usize): void {
  for (let i = 0; i < width; i += 8) {
    const eight = load<u64>(made + <usize>i);
    // Gathers the lowest bits of eight bytes, the first byte's the highest.
    store<u8>(out++, <u8>((eight * 0x8040201008040201) >> 56 & 0xff));
  }
}
