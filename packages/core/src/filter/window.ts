import { FILTER, pixelsAt, RING_BYTES, wholesAt } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { scratchPlane } from '../raster/scratch.ts';

/**
 * Sends a plane through a window of `taps` pixels along its rows, then along its columns. Each time `reduce` makes rows at
 * an address out of the `taps` rows whose addresses wait at `FILTER.addresses`. Beyond the plane's edges its outermost
 * pixels repeat. Rows already made wait in a ring until the last that needs them.
 *
 * @param back taps that lie before a pixel
 */
export function throughWindow(
  plane: Plane,
  taps: number,
  back: number,
  reduce: (out: number, count: number) => void,
): Plane {
  const { width, height } = plane;
  const rowBytes = (2 * width + 31) & ~15;
  const slots = taps + 1;
  if (slots * rowBytes > RING_BYTES)
    throw new RangeError('The picture is too wide for a filter of this size.');
  const out = scratchPlane(width, height);
  const padded = pixelsAt(FILTER.row, width + taps);
  const addresses = wholesAt(FILTER.addresses, taps);
  const along = (y: number): void => {
    padded.set(plane.data.subarray(y * width, (y + 1) * width), back);
    padded.fill(padded[back], 0, back);
    padded.fill(padded[back + width - 1], back + width);
    for (let t = 0; t < taps; t++) addresses[t] = FILTER.row + 2 * t;
    reduce(FILTER.ring + (y % slots) * rowBytes, width);
  };
  const made = pixelsAt(FILTER.row, width);
  let next = 0;
  for (let y = 0; y < height; y++) {
    const last = Math.min(height - 1, y + taps - 1 - back);
    for (; next <= last; next++) along(next);
    for (let t = 0; t < taps; t++) {
      const row = Math.min(height - 1, Math.max(0, y + t - back));
      addresses[t] = FILTER.ring + (row % slots) * rowBytes;
    }
    reduce(FILTER.row, width);
    out.data.set(made, y * width);
  }
  return out;
}
