// Where pixels fall in the cells of a bent or scattered screen: src/screen/places.ts in basic arithmetic, square roots and
// whole numbers alone, so that all machines find the same places.

/** Bytes of the state of four scatters: the cell asked last, and the numbers of all four at its corners. */
const STATE: usize = 144;
/** Where the states of two sets of scatters begin: behind the numbers. */
let states: usize = 0;
/** Seeds of the two sets, each times the hash's first factor. */
let seeds0: v128 = i32x4.splat(0);
let seeds1: v128 = i32x4.splat(0);

let u: f64 = 0;
let v: f64 = 0;
let offset: f64 = 0;

/** Writes numbers from −½ to ½ for a point of the lattice, one for each of four seeds (src/random.ts). */
// @ts-ignore: decorator
@inline
function writeAt(out: usize, seeds: v128, i: i32, j: i32): void {
  let h = v128.xor(seeds, i32x4.splat(i * 0x85ebca6b));
  h = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 15)), i32x4.splat(0x2c1b3c6d));
  h = v128.xor(h, i32x4.splat(j * 0xc2b2ae35));
  h = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 16)), i32x4.splat(0x85ebca6b));
  h = i32x4.mul(v128.xor(h, i32x4.shr_u(h, 13)), i32x4.splat(0xc2b2ae35));
  h = v128.xor(h, i32x4.shr_u(h, 16));
  const scale = f64x2.splat(1.0 / 4294967296.0);
  const half = f64x2.splat(0.5);
  v128.store(out, f64x2.sub(f64x2.mul(f64x2.convert_low_i32x4_u(h), scale), half));
  const high = i32x4.shuffle(h, h, 2, 3, 2, 3);
  v128.store(out, f64x2.sub(f64x2.mul(f64x2.convert_low_i32x4_u(high), scale), half), 16);
}

/** Moves a set of scatters to a cell, from the one asked last. */
function enter(p: usize, seeds: v128, i: f64, j: f64): void {
  if (i == load<f64>(p) + 1 && j == load<f64>(p, 8)) {
    v128.store(p, v128.load(p, 48), 16);
    v128.store(p, v128.load(p, 64), 32);
    v128.store(p, v128.load(p, 112), 80);
    v128.store(p, v128.load(p, 128), 96);
  } else {
    writeAt(p + 16, seeds, <i32>i, <i32>j);
    writeAt(p + 80, seeds, <i32>i, <i32>j + 1);
  }
  writeAt(p + 48, seeds, <i32>i + 1, <i32>j);
  writeAt(p + 112, seeds, <i32>i + 1, <i32>j + 1);
  store<f64>(p, i);
  store<f64>(p, j, 8);
}

/**
 * Two numbers from −½ to ½ of their own for every point of a lattice, running straight from one to the next, at the place (fu, fv) of the
 * cell that is entered: the first two of a set, or with 16 added to `p` the others.
 */
// @ts-ignore: decorator
@inline
function pairIn(p: usize, fu: f64, fv: f64): v128 {
  const left = f64x2.splat(1 - fu);
  const right = f64x2.splat(fu);
  const upper = f64x2.add(f64x2.mul(v128.load(p, 16), left), f64x2.mul(v128.load(p, 48), right));
  const lower = f64x2.add(f64x2.mul(v128.load(p, 80), left), f64x2.mul(v128.load(p, 112), right));
  return f64x2.add(f64x2.mul(upper, f64x2.splat(1 - fv)), f64x2.mul(lower, f64x2.splat(fv)));
}

function sineOfTurns(turns: f64): f64 {
  let t = turns - floor(turns + 0.5);
  if (t > 0.25) t = 0.5 - t;
  else if (t < -0.25) t = -0.5 - t;
  const x = t * 2 * Math.PI;
  const x2 = x * x;
  let sum: f64 = 1.0 / 6227020800.0;
  sum = sum * x2 + -1.0 / 39916800.0;
  sum = sum * x2 + 1.0 / 362880.0;
  sum = sum * x2 + -1.0 / 5040.0;
  sum = sum * x2 + 1.0 / 120.0;
  sum = sum * x2 + -1.0 / 6.0;
  sum = sum * x2 + 1.0;
  return x * sum;
}

function turnsOf(x: f64, y: f64): f64 {
  const a = abs(x);
  const b = abs(y);
  if (a == 0 && b == 0) return 0;
  let t = min(a, b) / max(a, b);
  t /= 1 + sqrt(1 + t * t);
  t /= 1 + sqrt(1 + t * t);
  const t2 = t * t;
  let sum: f64 = -1.0 / 15.0;
  sum = sum * t2 + 1.0 / 13.0;
  sum = sum * t2 + -1.0 / 11.0;
  sum = sum * t2 + 1.0 / 9.0;
  sum = sum * t2 + -1.0 / 7.0;
  sum = sum * t2 + 1.0 / 5.0;
  sum = sum * t2 + -1.0 / 3.0;
  sum = sum * t2 + 1.0;
  let turns = (4 * t * sum) / (2 * Math.PI);
  if (b > a) turns = 0.25 - turns;
  if (x < 0) turns = 0.5 - turns;
  if (y < 0) turns = 1 - turns;
  return turns >= 1 ? 0 : turns;
}

// @ts-ignore: decorator
@inline
function scattered(p: usize, x: f64, y: f64): void {
  const along = load<f64>(p);
  const across = load<f64>(p, 8);
  const grown = load<f64>(p, 16);
  const moved = load<f64>(p, 24);
  const frayed = load<f64>(p, 32);
  u = (x + 0.5) * along - (y + 0.5) * across;
  v = (x + 0.5) * across + (y + 0.5) * along;
  const cu = u - 0.5;
  const cv = v - 0.5;
  const i = floor(cu);
  const j = floor(cv);
  const fu = cu - i;
  const fv = cv - j;
  if (i != load<f64>(states) || j != load<f64>(states, 8)) enter(states, seeds0, i, j);
  offset = grown > 0 ? f64x2.extract_lane(pairIn(states + 16, fu, fv), 0) * grown : 0;
  if (moved > 0) {
    const by = pairIn(states, fu, fv);
    u += f64x2.extract_lane(by, 0) * moved;
    v += f64x2.extract_lane(by, 1) * moved;
  }
  if (frayed > 0) {
    const x5 = cu * 5;
    const y5 = cv * 5;
    const i5 = floor(x5);
    const j5 = floor(y5);
    const q = states + STATE;
    if (i5 != load<f64>(q) || j5 != load<f64>(q, 8)) enter(q, seeds1, i5, j5);
    const by = pairIn(q, x5 - i5, y5 - j5);
    u += f64x2.extract_lane(by, 0) * frayed;
    v += f64x2.extract_lane(by, 1) * frayed;
  }
}

// @ts-ignore: decorator
@inline
function running(kind: i32, p: usize, column: f64, row: f64): void {
  const mm = load<f64>(p);
  const perCell = load<f64>(p, 8);
  const plain = load<f64>(p, 72);
  const x = (column + 0.5) * mm;
  const y = (row + 0.5) * mm;
  u = 0;
  offset = 0;
  if (kind <= 2) {
    const cos = load<f64>(p, 16);
    const sin = load<f64>(p, 24);
    u = (x * cos - y * sin) * perCell;
    v = (x * sin + y * cos) * perCell;
    if (kind == 2) v += (load<f64>(p, 40) / 2) * perCell * sineOfTurns(u / perCell / load<f64>(p, 32));
  } else {
    const dx = x - load<f64>(p, 48);
    const dy = y - load<f64>(p, 56);
    v = sqrt(dx * dx + dy * dy) * perCell;
    if (kind == 3) {
      if (plain == 0) {
        const around = max<f64>(1, floor(2 * Math.PI * (floor(v) + 0.5) + 0.5));
        u = (turnsOf(dx, -dy) - load<f64>(p, 64)) * around;
      }
    } else {
      const turn = turnsOf(dx, -dy) - load<f64>(p, 64);
      v -= turn;
      if (plain == 0) {
        const along = floor(v) + 0.5 + turn;
        u = Math.PI * along * along;
      }
    }
  }
  const wobble = load<f64>(p, 80);
  if (wobble > 0) {
    const wu = (x * perCell) / 3;
    const wv = (y * perCell) / 3;
    const i = floor(wu);
    const j = floor(wv);
    if (i != load<f64>(states) || j != load<f64>(states, 8)) enter(states, seeds0, i, j);
    const by = pairIn(states, wu - i, wv - j);
    v += f64x2.extract_lane(by, 0) * wobble;
    if (plain == 0) u += f64x2.extract_lane(by, 1) * wobble;
  }
}

// @ts-ignore: decorator
@inline
function place(kind: i32, p: usize, x: f64, y: f64): void {
  if (kind == 0) scattered(p, x, y);
  else running(kind, p, x, y);
}

/** The fraction of a number of cells, a whole one being 2³². */
// @ts-ignore: decorator
@inline
function fixed(cells: f64): i32 {
  return <i32>(<u32>((cells - floor(cells)) * 4294967296.0));
}

/**
 * Segments of a row as `lookUpRow` takes them, `count` of them of `step` pixels each, the first from pixel (x, y) on. `kind` and the
 * numbers (f64) at `numbers`, at most 16, say how places are found; behind them is room to work in, 288 bytes.
 */
export function placeRow(kind: i32, numbers: usize, x: i32, y: i32, step: i32, count: i32, out: usize): void {
  states = numbers + 128;
  store<f64>(states, NaN);
  store<f64>(states + STATE, NaN);
  const seed = <i32>(kind == 0 ? load<f64>(numbers, 40) : load<f64>(numbers, 88));
  const factor = i32x4.splat(0x9e3779b1);
  seeds0 = i32x4.mul(i32x4.add(i32x4.splat(seed), i32x4(0, 1, 2, 3)), factor);
  seeds1 = i32x4.add(seeds0, i32x4.mul(i32x4.splat(3), factor));
  const row = <f64>y;
  // Steps are powers of 2, so this loses nothing.
  const share = 1 / <f64>step;
  place(kind, numbers, <f64>x, row);
  let u0 = u;
  let v0 = v;
  let offset0 = offset;
  if (step == 1) {
    // A segment of one pixel needs no steps.
    for (let k = 0; k < count; k++) {
      if (k > 0) place(kind, numbers, <f64>(x + k), row);
      store<i32>(out, fixed(u));
      store<i32>(out, 0, 4);
      store<i32>(out, fixed(v), 8);
      store<i32>(out, 0, 12);
      store<i32>(out, <i32>(offset * 256), 16);
      store<i32>(out, 0, 20);
      out += 24;
    }
    return;
  }
  for (let k = 1; k <= count; k++) {
    place(kind, numbers, <f64>(x + k * step), row);
    store<i32>(out, fixed(u0));
    store<i32>(out, fixed((u - u0) * share), 4);
    store<i32>(out, fixed(v0), 8);
    store<i32>(out, fixed((v - v0) * share), 12);
    store<i32>(out, <i32>(offset0 * 256), 16);
    store<i32>(out, <i32>((offset - offset0) * 256 * share), 20);
    out += 24;
    u0 = u;
    v0 = v;
    offset0 = offset;
  }
}
