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

/** Copies the numbers of one corner of a cell to another. */
// @ts-ignore: decorator
@inline
function copyCorner(to: usize, from: usize): void {
  v128.store(to, v128.load(from));
  v128.store(to, v128.load(from, 16), 16);
}

/** Moves a set of scatters to a cell, from the one asked last; what a neighbour shares with it is kept. */
function enter(p: usize, seeds: v128, i: f64, j: f64): void {
  const right = i - load<f64>(p);
  const down = j - load<f64>(p, 8);
  store<f64>(p, i);
  store<f64>(p, j, 8);
  const upperLeft = p + 16;
  const upperRight = p + 48;
  const lowerLeft = p + 80;
  const lowerRight = p + 112;
  const column = <i32>i;
  const row = <i32>j;
  if (right == 1 && down == 0) {
    copyCorner(upperLeft, upperRight);
    copyCorner(lowerLeft, lowerRight);
    writeAt(upperRight, seeds, column + 1, row);
    writeAt(lowerRight, seeds, column + 1, row + 1);
  } else if (right == 0 && down == 1) {
    copyCorner(upperLeft, lowerLeft);
    copyCorner(upperRight, lowerRight);
    writeAt(lowerLeft, seeds, column, row + 1);
    writeAt(lowerRight, seeds, column + 1, row + 1);
  } else if (right == -1 && down == 0) {
    copyCorner(upperRight, upperLeft);
    copyCorner(lowerRight, lowerLeft);
    writeAt(upperLeft, seeds, column, row);
    writeAt(lowerLeft, seeds, column, row + 1);
  } else if (right == 0 && down == -1) {
    copyCorner(lowerLeft, upperLeft);
    copyCorner(lowerRight, upperRight);
    writeAt(upperLeft, seeds, column, row);
    writeAt(upperRight, seeds, column + 1, row);
  } else {
    writeAt(upperLeft, seeds, column, row);
    writeAt(upperRight, seeds, column + 1, row);
    writeAt(lowerLeft, seeds, column, row + 1);
    writeAt(lowerRight, seeds, column + 1, row + 1);
  }
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

/** The same for two directions. */
// @ts-ignore: decorator
@inline
function turnsOfTwo(x: v128, y: v128): v128 {
  const one = f64x2.splat(1);
  const a = f64x2.abs(x);
  const b = f64x2.abs(y);
  const most = f64x2.max(a, b);
  let t = f64x2.div(f64x2.min(a, b), most);
  t = f64x2.div(t, f64x2.add(one, f64x2.sqrt(f64x2.add(one, f64x2.mul(t, t)))));
  t = f64x2.div(t, f64x2.add(one, f64x2.sqrt(f64x2.add(one, f64x2.mul(t, t)))));
  const t2 = f64x2.mul(t, t);
  let sum = f64x2.splat(-1.0 / 15.0);
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(1.0 / 13.0));
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(-1.0 / 11.0));
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(1.0 / 9.0));
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(-1.0 / 7.0));
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(1.0 / 5.0));
  sum = f64x2.add(f64x2.mul(sum, t2), f64x2.splat(-1.0 / 3.0));
  sum = f64x2.add(f64x2.mul(sum, t2), one);
  let turns = f64x2.div(f64x2.mul(f64x2.mul(f64x2.splat(4), t), sum), f64x2.splat(2 * Math.PI));
  const zero = f64x2.splat(0);
  turns = v128.bitselect(f64x2.sub(f64x2.splat(0.25), turns), turns, f64x2.gt(b, a));
  turns = v128.bitselect(f64x2.sub(f64x2.splat(0.5), turns), turns, f64x2.lt(x, zero));
  turns = v128.bitselect(f64x2.sub(one, turns), turns, f64x2.lt(y, zero));
  // At the middle itself there is no direction.
  return v128.and(turns, v128.and(f64x2.lt(turns, one), f64x2.gt(most, zero)));
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

/** Cells along ring `n`, an arc or a turn of a spiral, where it stands at a turn. */
// @ts-ignore: decorator
@inline
function alongRing(spiral: bool, n: f64, turn: f64): f64 {
  if (!spiral) return turn * max<f64>(1, floor(2 * Math.PI * (n + 0.5) + 0.5));
  const along = n + 0.5 + turn;
  return Math.PI * along * along;
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
      if (plain == 0) u = alongRing(false, floor(v), turnsOf(dx, -dy) - load<f64>(p, 64));
    } else {
      const turn = turnsOf(dx, -dy) - load<f64>(p, 64);
      v -= turn;
      if (plain == 0) u = alongRing(true, floor(v), turn);
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

/** The fraction of a number of cells, a whole one being 2³²: the digits of a number between 1 and 2. */
// @ts-ignore: decorator
@inline
function fixed(cells: f64): i32 {
  return <i32>(reinterpret<i64>(1 + (cells - floor(cells))) >> 20);
}

/** Writes a segment of so many pixels, from the place (u0, v0) on to (u1, v1) a whole `step` further. */
// @ts-ignore: decorator
@inline
function writeSegment(out: usize, u0: f64, u1: f64, v0: f64, v1: f64, share: f64, length: i32): void {
  store<i32>(out, fixed(u0));
  store<i32>(out, fixed((u1 - u0) * share), 4);
  store<i32>(out, fixed(v0), 8);
  store<i32>(out, fixed((v1 - v0) * share), 12);
  store<i32>(out, 0, 16);
  store<i32>(out, 0, 20);
  store<i32>(out, length, 24);
}

/** Writes a segment of the one pixel that is placed. */
// @ts-ignore: decorator
@inline
function writePixel(out: usize): void {
  writeSegment(out, u, u, v, v, 0, 1);
  store<i32>(out, <i32>(offset * 256), 16);
}

/** Steps from their middle within which rings bend too much to be taken as straight along a step. */
const NEAR: f64 = 8;

/** How far from the middle of rings two pixels are, in mm, and in which turns; written at `at`, and 32 bytes behind. */
// @ts-ignore: decorator
@inline
function ringsAt(at: usize, p: usize, column: f64, step: f64, dy: f64): void {
  const columns = f64x2.replace_lane(f64x2.splat(column), 1, column + step);
  const x = f64x2.mul(f64x2.add(columns, f64x2.splat(0.5)), v128.load64_splat(p));
  const dx = f64x2.sub(x, v128.load64_splat(p, 48));
  const down = f64x2.splat(dy);
  v128.store(at, f64x2.sqrt(f64x2.add(f64x2.mul(dx, dx), f64x2.mul(down, down))));
  v128.store(at, f64x2.sub(turnsOfTwo(dx, f64x2.splat(-dy)), v128.load64_splat(p, 64)), 32);
}

/** As `placeRow`, along rings: within each dots run evenly, and over its edge they begin anew. */
function placeRings(spiral: bool, p: usize, x: i32, y: i32, step: i32, count: i32, out: usize): void {
  const perCell = load<f64>(p, 8);
  const plain = load<f64>(p, 72) != 0;
  const kind = spiral ? 4 : 3;
  const length = <f64>step;
  const share = 1 / length;
  const near = NEAR * length * load<f64>(p);
  const dy = (<f64>y + 0.5) * load<f64>(p) - load<f64>(p, 56);
  ringsAt(states, p, <f64>x, length, dy);
  let from = load<f64>(states);
  let turn0 = load<f64>(states, 32);
  for (let k = 0; k < count; k++) {
    const column = x + k * step;
    if ((k & 3) == 0) {
      // Four at once, for a processor waits long for roots and quotients.
      ringsAt(states, p, <f64>(column + step), length, dy);
      ringsAt(states + 16, p, <f64>(column + 3 * step), length, dy);
    }
    const ahead = states + ((<usize>(k & 3)) << 3);
    const to = load<f64>(ahead);
    const turn = load<f64>(ahead, 32);
    // Past the end of a turn they go on.
    const turn1 = turn - floor(turn - turn0 + 0.5);
    const v0 = from * perCell - (spiral ? turn0 : 0);
    const v1 = to * perCell - (spiral ? turn1 : 0);
    const n0 = floor(v0);
    const n1 = floor(v1);
    if (from < near || abs(n1 - n0) > 1) {
      for (let i = 0; i < step; i++, out += 28) {
        running(kind, p, <f64>(column + i), <f64>y);
        writePixel(out);
      }
    } else if (plain) {
      writeSegment(out, 0, 0, v0, v1, share, step);
      out += 28;
    } else {
      let first = step;
      if (n1 != n0) {
        const crossing = ((max(n0, n1) - v0) / (v1 - v0)) * length;
        first = max(1, min(step, <i32>(n1 > n0 ? ceil(crossing) : floor(crossing) + 1)));
      }
      const u0 = alongRing(spiral, n0, turn0);
      writeSegment(out, u0, alongRing(spiral, n0, turn1), v0, v1, share, first);
      out += 28;
      if (first < step) {
        const gone = <f64>first * share;
        const w0 = alongRing(spiral, n1, turn0);
        const w1 = alongRing(spiral, n1, turn1);
        const at = w0 + (w1 - w0) * gone;
        const va = v0 + (v1 - v0) * gone;
        writeSegment(out, at, at + (w1 - w0), va, va + (v1 - v0), share, step - first);
        out += 28;
      }
    }
    from = to;
    turn0 = turn;
  }
}

/**
 * Segments of a row as `lookUpRow` takes them: `count` times `step` pixels, the first from pixel (x, y) on. `kind` and the
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
  if (step == 1) {
    // A segment of one pixel needs no steps.
    for (let k = 0; k < count; k++, out += 28) {
      place(kind, numbers, <f64>(x + k), row);
      writePixel(out);
    }
    return;
  }
  if (kind >= 3 && load<f64>(numbers, 80) == 0) {
    placeRings(kind == 4, numbers, x, y, step, count, out);
    return;
  }
  // Steps are powers of 2, so this loses nothing.
  const share = 1 / <f64>step;
  place(kind, numbers, <f64>x, row);
  let u0 = u;
  let v0 = v;
  let offset0 = offset;
  for (let k = 1; k <= count; k++, out += 28) {
    place(kind, numbers, <f64>(x + k * step), row);
    writeSegment(out, u0, u, v0, v, share, step);
    store<i32>(out, <i32>(offset0 * 256), 16);
    store<i32>(out, <i32>((offset - offset0) * 256 * share), 20);
    u0 = u;
    v0 = v;
    offset0 = offset;
  }
}
