import type { Place } from './places.ts';

const ONE = 2 ** 32;
const here = new Float64Array(3);
const next = new Float64Array(3);

/** The fraction of a number of cells, a whole one being 2³². */
const fixed = (cells: number): number => Math.floor((cells - Math.floor(cells)) * ONE) | 0;

/**
 * Segments of a row as the kernel that looks up takes them: six whole numbers each, u and its step a pixel, v and its step, the offset to
 * coverage (1/256 of it) and its step.
 */
export function placeSegments(
  place: Place,
  x: number,
  y: number,
  step: number,
  count: number,
  out: Int32Array,
): void {
  place(x, y, here);
  if (step === 1) {
    // A segment of one pixel needs no steps.
    for (let k = 0, at = 0; k < count; k++, at += 6) {
      place(x + k, y, here);
      out.fill(0, at, at + 6);
      out[at] = fixed(here[0]);
      out[at + 2] = fixed(here[1]);
      out[at + 4] = here[2] * 256;
    }
    return;
  }
  for (let k = 1, at = 0; k <= count; k++, at += 6) {
    place(x + k * step, y, next);
    out[at] = fixed(here[0]);
    out[at + 1] = fixed((next[0] - here[0]) / step);
    out[at + 2] = fixed(here[1]);
    out[at + 3] = fixed((next[1] - here[1]) / step);
    out[at + 4] = here[2] * 256;
    out[at + 5] = ((next[2] - here[2]) * 256) / step;
    here.set(next);
  }
}
