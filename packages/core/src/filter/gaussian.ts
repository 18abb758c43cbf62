import { CELLS, FILTER, keep, kernels, pixelsAt, ROWS, wholesAt } from '../kernel/memory.ts';
import { power } from '../power.ts';
import type { Plane } from '../raster/plane.ts';
import { giveBack, scratchPlane } from '../raster/scratch.ts';
import { resampleInto } from '../raster/resample.ts';
import { rowsOf } from '../raster/rows.ts';
import { recentOnly } from '../recent.ts';
import { filtered, type RowFilter } from './row-filter.ts';
import { windowFilter } from './window.ts';

/** A standard deviation below this (pixels) changes nothing worth having. */
const LEAST = 0.15;
/** Wider ones than this are made on halved pictures, where fewer taps do the same. */
const WIDEST = 4;
/** Taps reach this many standard deviations. */
const REACH = 3;
const ONE = 1 << 15;

interface Passes {
  /** The picture is reduced by 2 to this power first. */
  readonly halvings: number;
  /** Weights of the taps, adding up to 2¹⁵. */
  readonly weights: Uint16Array;
}

const recentPasses = recentOnly<Passes>(16);

function passesOf(sigma: number): Passes {
  return recentPasses(String(sigma), () => {
    let halvings = 0;
    while (sigma / 2 ** halvings > WIDEST) halvings++;
    const cell = 4 ** halvings;
    // Means over cells and the straight lines between their centres blur too: cells by (s² − 1)/12, lines by s²/6.
    const rest = sigma * sigma - (halvings === 0 ? 0 : (cell - 1) / 12 + cell / 6);
    const narrow = Math.sqrt(rest / cell);
    const radius = Math.ceil(REACH * narrow);
    const bell = Array.from({ length: 2 * radius + 1 }, (_, i) =>
      power(Math.E, -((i - radius) ** 2) / (2 * narrow * narrow) + 20),
    );
    const sum = bell.reduce((a, b) => a + b, 0);
    const weights = Uint16Array.from(bell, (value) => Math.round((value / sum) * ONE));
    weights[radius] += ONE - weights.reduce((a, b) => a + b, 0);
    return { halvings, weights };
  });
}

/** Rows above and below that a row's result depends on. */
export function gaussianMargin(sigma: number): number {
  if (sigma < LEAST) return 0;
  const { halvings, weights } = passesOf(sigma);
  return ((weights.length >> 1) + (halvings === 0 ? 0 : 2)) << halvings;
}

/** Side of the cells that a blur is made on: a plane that begins at a multiple of it is blurred as that part of a whole. */
export const gaussianCell = (sigma: number): number => (sigma < LEAST ? 1 : 1 << passesOf(sigma).halvings);

/**
 * A Gaussian blur of whole rows. Beyond the plane's edges its outermost pixels repeat; rows nearer to an edge than the
 * margin are only right where that edge is the picture's own.
 *
 * @param sigma standard deviation in pixels
 * @param y     row of the whole picture that the plane begins at
 */
export function gaussian(plane: Plane, sigma: number, y: number): Plane {
  if (sigma < LEAST) return plane;
  const { halvings, weights } = passesOf(sigma);
  if (halvings === 0) return filtered(plane, [weighing(weights)]);
  const pad = (weights.length >> 1) + 1;
  const small = reduced(plane, halvings, pad, y);
  const soft = filtered(small, [weighing(weights)]);
  const out = scratchPlane(plane.width, plane.height);
  const step = 1 / 2 ** halvings;
  resampleInto(
    rowsOf(soft),
    { origin: pad, step },
    { origin: y * step - (y >> halvings) + pad, step },
    { x: 0, y: 0, width: plane.width, height: plane.height },
    out,
    0,
    0,
  );
  giveBack(small);
  giveBack(soft);
  return out;
}

/**
 * Means over square cells of 2ⁿ pixels, in step with the whole picture's rows, `pad` of them beyond every edge, where the
 * outermost pixels repeat.
 */
function reduced(plane: Plane, halvings: number, pad: number, y: number): Plane {
  const { width, height, data } = plane;
  const size = 1 << halvings;
  const first = y >> halvings;
  const columns = ((width - 1) >> halvings) + 1;
  const rows = ((y + height - 1) >> halvings) - first + 1;
  const out = scratchPlane(columns + 2 * pad, rows + 2 * pad);
  // One column for each of the last cell's pixels, beyond the plane's edge too.
  const sums = wholesAt(CELLS, columns << halvings);
  const pixels = pixelsAt(ROWS.source, width);
  const means = pixelsAt(ROWS.out, columns);
  for (let row = 0; row < out.height; row++) {
    sums.fill(0);
    for (let k = 0; k < size; k++) {
      const j = Math.min(height - 1, Math.max(0, (row - pad + first) * size + k - y));
      pixels.set(data.subarray(j * width, (j + 1) * width));
      kernels.addPixels(ROWS.source, CELLS, width);
    }
    sums.fill(sums[width - 1], width);
    const start = row * out.width;
    out.data.fill(Math.round(sums[0] / size), start, start + pad);
    out.data.fill(Math.round(sums[width - 1] / size), start + pad + columns, start + out.width);
    kernels.cellMeans(CELLS, halvings, ROWS.out, columns);
    out.data.set(means, start + pad);
  }
  return out;
}

/** The taps down the columns, then along the rows. */
function weighing(weights: Uint16Array): RowFilter {
  const taps = weights.length;
  return windowFilter(taps, taps >> 1, (out, count) => {
    kernels.weigh(FILTER.addresses, keep(weights), taps, out, count);
  });
}

/** The same blur row by row; undefined where it is too wide for that, and nothing where it would change nothing. */
export function gaussianFilters(sigma: number): RowFilter[] | undefined {
  if (sigma < LEAST) return [];
  const { halvings, weights } = passesOf(sigma);
  return halvings === 0 ? [weighing(weights)] : undefined;
}

/**
 * Rows made out of themselves and the same rows blurred, which lie at two addresses; undefined where the blur is too wide for that. Where
 * it would change nothing, a row is its own blur.
 */
export function againstBlur(
  sigma: number,
  make: (row: number, soft: number, out: number, count: number) => void,
): RowFilter[] | undefined {
  if (sigma < LEAST)
    return [{ before: 0, after: 0, make: (_y, at, out, width) => make(at(0), at(0), out, width) }];
  return gaussianFilters(sigma)?.map((blur) => ({
    ...blur,
    make(y, at, out, width) {
      blur.make(y, at, ROWS.lower, width);
      make(at(0), ROWS.lower, out, width);
    },
  }));
}
