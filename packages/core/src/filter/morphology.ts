import { FILTER, kernels } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { throughWindow } from './window.ts';

/** The least value under a square of `size` pixels, of which `back` lie before each. */
const erode = (plane: Plane, size: number, back: number): Plane =>
  throughWindow(plane, size, back, (out, count) => kernels.leastOf(FILTER.addresses, size, out, count));

/** The greatest. */
const dilate = (plane: Plane, size: number, back: number): Plane =>
  throughWindow(plane, size, back, (out, count) => kernels.mostOf(FILTER.addresses, size, out, count));

/** Least value under a square of `size` pixels, then the greatest of those under it turned about: dark spots go. */
export function opening(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return dilate(erode(plane, size, back), size, size - 1 - back);
}

/** The same the other way about: light spots go. */
export function closing(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return erode(dilate(plane, size, back), size, size - 1 - back);
}
