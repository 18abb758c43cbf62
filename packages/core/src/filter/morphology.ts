import { FILTER, kernels } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { giveBack } from '../raster/scratch.ts';
import { throughWindow } from './window.ts';

/** The least value under a square of `size` pixels, of which `back` lie before each. */
const erode = (plane: Plane, size: number, back: number): Plane =>
  throughWindow(plane, size, back, (out, count) => kernels.leastOf(FILTER.addresses, size, out, count));

/** The greatest. */
const dilate = (plane: Plane, size: number, back: number): Plane =>
  throughWindow(plane, size, back, (out, count) => kernels.mostOf(FILTER.addresses, size, out, count));

type Pass = (plane: Plane, size: number, back: number) => Plane;

function passes(plane: Plane, ...all: readonly (readonly [pass: Pass, size: number, back: number])[]): Plane {
  return all.reduce((before, [pass, size, back], i) => {
    const made = pass(before, size, back);
    if (i > 0) giveBack(before);
    return made;
  }, plane);
}

/** Least value under a square of `size` pixels, then the greatest of those under it turned about: dark spots go. */
export function opening(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return passes(plane, [erode, size, back], [dilate, size, size - 1 - back]);
}

/** The same the other way about: light spots go. */
export function closing(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return passes(plane, [dilate, size, back], [erode, size, size - 1 - back]);
}

/** An opening, then a closing. Its two middle passes are one of a square as large as both. */
export function openingAndClosing(plane: Plane, size: number): Plane {
  const back = (size - 1) >> 1;
  return passes(plane, [erode, size, back], [dilate, 2 * size - 1, size - 1], [erode, size, size - 1 - back]);
}
