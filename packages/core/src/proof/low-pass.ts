/**
 * The low-pass that films are shown through where dots are smaller than a few screen pixels: round, of linear phase, k(x, y) = a(x) a(y) − b(x) b(y)
 * with x and y in screen pixels. Found by minimising what it lets pass beyond 1/1.8 cycles a pixel. Its response by cycles a screen
 * pixel, the least and the most over all angles, with that of a plain mean over a pixel below:
 *
 *     0.1        0.2        0.25       0.3        1/3        0.4        0.45       0.5        5/9 and more
 *     0.96–0.97  0.95–1.03  0.98–1.07  0.96–1.05  0.88–0.97  0.45–0.62  0.16–0.30  0.01–0.08  0.008 at most
 *     0.98       0.94       0.90       0.86       0.83       0.76       0.70       0.64       0.56 and less
 *
 * A hard edge overshoots by 8 %; what comes to lie beyond all colours by that is shared out among pixels around it (`within-range.ts`).
 */

/** Screen pixels that it reaches to every side. */
export const RADIUS = 5;

/** Sums of cosines of whole half waves over the radius, under a cosine squared. */
const A = [
  -0.05410217, -0.3156434, -0.09658591, -0.2835446, 0.02342408, -0.01782357, 0.007323962, -0.001662941,
  -0.0001864,
];
const B = [
  -0.1151828, 0.09019815, -0.256358, 0.3673942, -0.09872445, 0.08858209, -0.06153822, 0.03497462, -0.0129757,
];

function sumOf(terms: readonly number[], t: number): number {
  const turn = (Math.PI * t) / RADIUS;
  const window = Math.cos(turn / 2) ** 2;
  return window * terms.reduce((sum, term, m) => sum + term * Math.cos(turn * m), 0);
}

/** Steps of a screen pixel in the tables of both. */
const STEPS = 512;
const tableOf = (terms: readonly number[]) =>
  Float64Array.from({ length: RADIUS * STEPS + 2 }, (_, i) =>
    i > RADIUS * STEPS ? 0 : sumOf(terms, i / STEPS),
  );
const TABLES = { a: tableOf(A), b: tableOf(B) };

/** The value of a table at a distance in screen pixels, up to the radius. */
function valueAt(table: Float64Array, distance: number): number {
  const at = Math.abs(distance) * STEPS;
  const low = Math.floor(at);
  return table[low] + (table[low + 1] - table[low]) * (at - low);
}

/** What a and b sum up to over all places, and what their kernel does. */
const [A_SUM, B_SUM] = [A, B].map((terms) => RADIUS * (terms[0] + terms[1] / 2));
const UNIT = A_SUM * A_SUM - B_SUM * B_SUM;

/** Weights of samples on a line. */
export interface Taps {
  /** The first sample that has a weight. */
  readonly first: number;
  readonly a: readonly number[];
  readonly b: readonly number[];
}

/**
 * Weights of the samples around a place. Flat light passes unchanged, wherever the place lies between samples.
 *
 * @param place    in samples; sample i covers i to i + 1
 * @param perPixel samples in a screen pixel
 */
export function lowPassTaps(place: number, perPixel: number): Taps {
  const reach = RADIUS * perPixel;
  const first = Math.ceil(place - reach - 0.5);
  const count = Math.floor(place + reach - 0.5) - first + 1;
  const weigh = (table: Float64Array, whole: number) => {
    const values = Array.from({ length: count }, (_, i) =>
      valueAt(table, (first + i + 0.5 - place) / perPixel),
    );
    const sum = values.reduce((total, value) => total + value, 0);
    return values.map((value) => (value * whole) / sum);
  };
  return { first, a: weigh(TABLES.a, A_SUM / Math.sqrt(UNIT)), b: weigh(TABLES.b, B_SUM / Math.sqrt(UNIT)) };
}

/** The same for a plain mean over the screen pixel. */
export function meanTaps(place: number, perPixel: number): Taps {
  const [from, to] = [place - perPixel / 2, place + perPixel / 2];
  const first = Math.floor(from);
  const a = Array.from(
    { length: Math.ceil(to) - first },
    (_, i) => (Math.min(to, first + i + 1) - Math.max(from, first + i)) / perPixel,
  );
  return { first, a, b: a.map(() => 0) };
}

/** Steps of a cycle a screen pixel in the tables of responses, which end where next to nothing is left. */
const CYCLE_STEPS = 256;
const LAST_CYCLE = 1.5;
let responses: { readonly a: Float64Array; readonly b: Float64Array } | undefined;

/** What a row of weights leaves of waves, by their frequency. */
function responseTable(table: Float64Array): Float64Array {
  const every = 8;
  return Float64Array.from({ length: LAST_CYCLE * CYCLE_STEPS + 2 }, (_, at) => {
    let sum = table[0];
    for (let i = every; i <= RADIUS * STEPS; i += every) {
      sum += 2 * table[i] * Math.cos((2 * Math.PI * (at / CYCLE_STEPS) * i) / STEPS);
    }
    return (sum * every) / STEPS / Math.sqrt(UNIT);
  });
}

/**
 * What the low-pass leaves of a wave, 0–1.
 *
 * @param across cycles a screen pixel along the rows
 * @param down   the same along the columns
 */
export function response(across: number, down: number): number {
  responses ??= { a: responseTable(TABLES.a), b: responseTable(TABLES.b) };
  const { a, b } = responses;
  const [x, y] = [Math.abs(across), Math.abs(down)];
  if (x >= LAST_CYCLE || y >= LAST_CYCLE) return 0;
  const of = (table: Float64Array, cycles: number) => {
    const at = cycles * CYCLE_STEPS;
    const low = Math.floor(at);
    return table[low] + (table[low + 1] - table[low]) * (at - low);
  };
  return of(a, x) * of(a, y) - of(b, x) * of(b, y);
}
