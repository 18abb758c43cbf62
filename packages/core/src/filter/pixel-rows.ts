import { scratchPlane } from '../raster/scratch.ts';
import { pixelsAt, ROWS } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';

/** Work is handed to the kernels in runs of so many pixels, however wide the plane is. */
const RUN = 1 << 15;

/**
 * A plane made run by run: `make` writes so many pixels at an address from those of the plane at another, and of a second
 * plane of the same size at a third. Not for work that hangs on where a pixel lies.
 */
export function byRuns(
  { width, height, data }: Plane,
  second: Plane,
  make: (row: number, second: number, out: number, count: number) => void,
): Plane {
  const { data: out } = scratchPlane(width, height);
  for (let at = 0; at < data.length; at += RUN) {
    const count = Math.min(RUN, data.length - at);
    pixelsAt(ROWS.upper, count).set(data.subarray(at, at + count));
    pixelsAt(ROWS.lower, count).set(second.data.subarray(at, at + count));
    make(ROWS.upper, ROWS.lower, ROWS.out, count);
    out.set(pixelsAt(ROWS.out, count), at);
  }
  return { width, height, data: out };
}
