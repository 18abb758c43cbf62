import { FILTER, kernels } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { filtered, type RowFilter } from './row-filter.ts';
import { windowFilter } from './window.ts';

/** The least value under a square of `size` pixels, of which `back` lie before each. */
const erode = (size: number, back: number): RowFilter =>
  windowFilter(size, back, (out, count) => kernels.leastOf(FILTER.addresses, size, out, count));

/** The greatest. */
const dilate = (size: number, back: number): RowFilter =>
  windowFilter(size, back, (out, count) => kernels.mostOf(FILTER.addresses, size, out, count));

/** Least value under a square of `size` pixels, then the greatest of those under it turned about: dark spots go. */
export function openingFilters(size: number): RowFilter[] {
  const back = (size - 1) >> 1;
  return [erode(size, back), dilate(size, size - 1 - back)];
}

/** The same the other way about: light spots go. */
export function closingFilters(size: number): RowFilter[] {
  const back = (size - 1) >> 1;
  return [dilate(size, back), erode(size, size - 1 - back)];
}

/** An opening, then a closing. Its two middle passes are one of a square as large as both. */
export function openingAndClosingFilters(size: number): RowFilter[] {
  const back = (size - 1) >> 1;
  return [erode(size, back), dilate(2 * size - 1, size - 1), erode(size, size - 1 - back)];
}

export const closing = (plane: Plane, size: number): Plane => filtered(plane, closingFilters(size));
