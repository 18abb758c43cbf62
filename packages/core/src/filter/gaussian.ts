import { ROWS } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { rowsOf } from '../raster/rows.ts';
import { LEAST_SIGMA, passesOf, weighing } from './bell.ts';
import { filtered, type RowFilter } from './row-filter.ts';
import { overWideBlur } from './wide-blur.ts';

/** Rows above and below that a row's result depends on. */
export function gaussianMargin(sigma: number): number {
  if (sigma < LEAST_SIGMA) return 0;
  const { halvings, weights } = passesOf(sigma);
  return ((weights.length >> 1) + (halvings === 0 ? 0 : 2)) << halvings;
}

/** Side of the cells that a blur is made on: a plane that begins at a multiple of it is blurred as that part of a whole. */
export const gaussianCell = (sigma: number): number =>
  sigma < LEAST_SIGMA ? 1 : 1 << passesOf(sigma).halvings;

/**
 * A Gaussian blur of whole rows. Beyond the plane's edges its outermost pixels repeat; rows nearer to an edge than the
 * margin are only right where that edge is the picture's own.
 *
 * @param sigma standard deviation in pixels
 * @param y     row of the whole picture that the plane begins at
 */
export function gaussian(plane: Plane, sigma: number, y: number): Plane {
  if (sigma < LEAST_SIGMA) return plane;
  const { halvings, weights } = passesOf(sigma);
  if (halvings === 0) return filtered(plane, [weighing(weights)]);
  // Beyond the plane's own rows its outermost ones repeat.
  const rows = { ...rowsOf(plane), height: y + plane.height };
  return overWideBlur({ ...rows, row: (row) => rows.row(Math.max(0, row - y)) }, sigma, y, y + plane.height);
}

/** The same blur row by row; undefined where it is too wide for that, and nothing where it would change nothing. */
export function gaussianFilters(sigma: number): RowFilter[] | undefined {
  if (sigma < LEAST_SIGMA) return [];
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
  if (sigma < LEAST_SIGMA)
    return [{ before: 0, after: 0, make: (_y, at, out, width) => make(at(0), at(0), out, width) }];
  return gaussianFilters(sigma)?.map((blur) => ({
    ...blur,
    make(y, at, out, width) {
      blur.make(y, at, ROWS.lower, width);
      make(at(0), ROWS.lower, out, width);
    },
  }));
}
