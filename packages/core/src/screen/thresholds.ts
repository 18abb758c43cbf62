import { SOLID } from '../raster/plane.ts';
import { brickOf, type Brick } from './brick.ts';
import { cellRanks } from './cell-order.ts';
import type { Spot } from './spot/spot.ts';
import type { Supercell } from './supercell.ts';

/**
 * A supercell's thresholds as a brick. A pixel is inked where coverage > threshold. Each brick row is repeated until it
 * is `run` long, so that film rows are compared in long runs, and followed by a little of its beginning (`stride` −
 * `run` entries), so that eight pixels can be read from any column.
 */
export interface Thresholds {
  readonly brick: Brick;
  readonly run: number;
  readonly stride: number;
  readonly data: Uint16Array;
}

/** Least length of a repeated row. */
const LEAST_RUN = 1024;

/** Pixels that a row can be read past its end. */
const OVERHANG = 8;

/** Spot values are ranked in this many steps, so that rounding noise cannot part pixels that are tied. */
const KEY_BITS = 22;
const DIGIT = 11;

/**
 * Ranks every pixel of a supercell by the spot function and turns ranks into thresholds, so that a flat coverage c
 * inks exactly round(c ÷ 65535 · N) of its N pixels, whatever the shape. Pixels that tie are taken one a cell, in the
 * cells' own evenly spread order.
 */
export function buildThresholds(supercell: Supercell, spot: Spot): Thresholds {
  const brick = brickOf(supercell.ax, supercell.ay);
  if (supercell.pixels >= MANY_PIXELS) return layRanks(brick, ranksOfMany(supercell, brick, spot));
  const { keys, cells } = measurePixels(supercell, brick, spot);
  const order = rankPixels(keys, cells, supercell.cells);
  return layThresholds(brick, order);
}

/** From so many pixels on cells are so large that it shows nowhere which of tied pixels comes first. */
const MANY_PIXELS = 1 << 20;
/** Keys of theirs: so many that hardly more pixels share one than share a threshold, and so few that counting them is quick. */
const MANY_KEYS = 2 ** 18;
/** Places each way at which a shape's least and greatest value are looked for. */
const LOOKED_AT = 512;

/**
 * The rank of every pixel of a supercell of large cells, counted by keys in two passes over its rows: no list is sorted, and no two pixels
 * have one rank.
 */
function ranksOfMany({ m, n, ax, ay, pixels }: Supercell, brick: Brick, spot: Spot): Uint32Array {
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const full = 2 * pixels;
  const { least, scale } = valueRange(spot);
  const most = MANY_KEYS - 1;
  const ranks = new Uint32Array(pixels);
  const before = new Uint32Array(MANY_KEYS + 1);
  let at = 0;
  for (let y = 0; y < brick.height; y++) {
    let su = within(p - (2 * y + 1) * q, full);
    let sv = within(q + (2 * y + 1) * p, full);
    for (let x = 0; x < brick.width; x++, at++) {
      const key = (spot.value(su / full - 0.5, sv / full - 0.5) - least) * scale;
      const whole = key <= 0 ? 0 : key >= most ? most : Math.round(key);
      ranks[at] = whole;
      before[whole + 1]++;
      su = within(su + 2 * p, full);
      sv = within(sv + 2 * q, full);
    }
  }
  for (let key = 1; key < before.length; key++) before[key] += before[key - 1];
  for (let i = 0; i < pixels; i++) ranks[i] = before[ranks[i]]++;
  return ranks;
}

/** A whole number's rest, 0 or more. */
function within(value: number, by: number): number {
  if (value >= 0 && value < by) return value;
  const rest = value % by;
  return rest < 0 ? rest + by : rest;
}

/** The least value of a shape, and what makes keys of values. */
function valueRange(spot: Spot): { least: number; scale: number } {
  let [least, greatest] = [Infinity, -Infinity];
  for (let j = 0; j < LOOKED_AT; j++) {
    for (let i = 0; i < LOOKED_AT; i++) {
      const value = spot.value((i + 0.5) / LOOKED_AT - 0.5, (j + 0.5) / LOOKED_AT - 0.5);
      if (value < least) least = value;
      if (value > greatest) greatest = value;
    }
  }
  return { least, scale: (MANY_KEYS - 1) / Math.max(1e-12, greatest - least) };
}

/** Thresholds of a brick from its pixels' ranks. */
function layRanks(brick: Brick, ranks: Uint32Array): Thresholds {
  return laid(brick, ranks.length, (put) => {
    for (let pixel = 0; pixel < ranks.length; pixel++) put(pixel, ranks[pixel]);
  });
}

/**
 * Thresholds of a brick from the order in which its pixels are inked.
 *
 * @param order pixels (row · width + column), first inked first
 */
export function layThresholds(brick: Brick, order: ArrayLike<number>): Thresholds {
  return laid(brick, order.length, (put) => {
    for (let rank = 0; rank < order.length; rank++) put(order[rank], rank);
  });
}

/** Thresholds of a brick of `count` pixels, each put where its rank says. */
function laid(
  brick: Brick,
  count: number,
  fill: (put: (pixel: number, rank: number) => void) => void,
): Thresholds {
  const run = brick.width * Math.ceil(LEAST_RUN / brick.width);
  const stride = run + OVERHANG;
  const data = new Uint16Array(stride * brick.height);
  fill((pixel, rank) => {
    const row = Math.floor(pixel / brick.width);
    // The least coverage c with round(c · N ÷ 65535) > rank is threshold + 1.
    data[row * stride + (pixel - row * brick.width)] = Math.ceil(((rank + 0.5) * SOLID) / count) - 1;
  });
  for (let row = 0; row < brick.height; row++) {
    const start = row * stride;
    for (let i = brick.width; i < stride; i++) data[start + i] = data[start + i - brick.width];
  }
  return { brick, run, stride, data };
}

/** One threshold everywhere. */
export function evenThresholds(threshold: number): Thresholds {
  const stride = LEAST_RUN + OVERHANG;
  const data = new Uint16Array(stride).fill(threshold);
  return { brick: { width: 1, height: 1, shift: 0 }, run: LEAST_RUN, stride, data };
}

/** The spot's value (as a whole-number key) and the rank of the cell, for every pixel of the brick. */
function measurePixels(supercell: Supercell, brick: Brick, spot: Spot) {
  const { m, n, ax, ay, pixels } = supercell;
  const cellBrick = brickOf(m, n);
  const ranks = cellRanks(m, n);
  // Screen coordinates of a pixel are (x + iy) · (m + in) ÷ (ax + i·ay); (p + iq) is that factor times N = ax² + ay².
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const full = 2 * pixels;
  const values = new Float64Array(pixels);
  const cells = new Uint16Array(pixels);
  let least = Infinity;
  let greatest = -Infinity;
  let at = 0;
  for (let y = 0; y < brick.height; y++) {
    for (let x = 0; x < brick.width; x++, at++) {
      // Twice N times the coordinates of the pixel's centre: whole numbers, so cell edges and ties are exact.
      const su = (2 * x + 1) * p - (2 * y + 1) * q;
      const sv = (2 * x + 1) * q + (2 * y + 1) * p;
      const i = Math.floor(su / full);
      const j = Math.floor(sv / full);
      const value = spot.value((su - i * full) / full - 0.5, (sv - j * full) / full - 0.5);
      values[at] = value;
      if (value < least) least = value;
      if (value > greatest) greatest = value;
      const course = Math.floor(j / cellBrick.height);
      let column = (i - course * cellBrick.shift) % cellBrick.width;
      if (column < 0) column += cellBrick.width;
      cells[at] = ranks[(j - course * cellBrick.height) * cellBrick.width + column];
    }
  }
  const scale = (2 ** KEY_BITS - 1) / Math.max(1e-12, greatest - least);
  const keys = new Uint32Array(pixels);
  for (let i = 0; i < pixels; i++) keys[i] = Math.round((values[i] - least) * scale);
  return { keys, cells };
}

/** Pixels in the order they are inked. */
function rankPixels(keys: Uint32Array, cells: Uint16Array, cellCount: number): Uint32Array {
  let order = new Uint32Array(keys.length);
  for (let i = 0; i < order.length; i++) order[i] = i;
  order = stableSort(order, cells, 0, cellCount);
  order = stableSort(order, keys, 0, 1 << DIGIT);
  order = stableSort(order, keys, DIGIT, 1 << DIGIT);
  spreadTies(order, keys, cells);
  return order;
}

/** Counting sort by (value >>> shift) mod `buckets`, a power of two or more than any value. */
export function stableSort(
  order: Uint32Array,
  values: Uint16Array | Uint32Array,
  shift: number,
  buckets: number,
): Uint32Array<ArrayBuffer> {
  const mask = (1 << (32 - Math.clz32(buckets - 1))) - 1;
  const starts = new Uint32Array(mask + 2);
  for (let i = 0; i < order.length; i++) starts[((values[order[i]] >>> shift) & mask) + 1]++;
  for (let b = 0; b <= mask; b++) starts[b + 1] += starts[b];
  const out = new Uint32Array(order.length);
  for (let i = 0; i < order.length; i++) out[starts[(values[order[i]] >>> shift) & mask]++] = order[i];
  return out;
}

/** Reorders each run of tied pixels so that every cell gives its first before any gives its second. */
function spreadTies(order: Uint32Array, keys: Uint32Array, cells: Uint16Array): void {
  for (let start = 0; start < order.length;) {
    let end = start + 1;
    let repeats = false;
    while (end < order.length && keys[order[end]] === keys[order[start]]) {
      if (cells[order[end]] === cells[order[end - 1]]) repeats = true;
      end++;
    }
    if (repeats) {
      const rounds: number[][] = [];
      for (let i = start, turn = 0; i < end; i++) {
        turn = i > start && cells[order[i]] === cells[order[i - 1]] ? turn + 1 : 0;
        (rounds[turn] ??= []).push(order[i]);
      }
      order.set(rounds.flat(), start);
    }
    start = end;
  }
}
