import { addressOf, bytesAt, keep, kernels, pixelsAt, ROWS } from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import { brickColumn, brickRow } from './brick.ts';
import type { Thresholds } from './thresholds.ts';

/**
 * Screens coverage into bits. The plane's top left pixel stands at (x, y) of the film, which fixes where in the
 * thresholds it falls: any part of a film equals that part of the whole.
 */
export function screenPlane(coverage: Plane, x: number, y: number, thresholds: Thresholds): Bits {
  const { width, height, data } = coverage;
  const { brick, run, stride } = thresholds;
  const bits = createBits(width, height);
  const kept = keep(thresholds.data);
  const plane = addressOf(data);
  const row = pixelsAt(ROWS.upper, width);
  const made = bytesAt(ROWS.out, strideOf(width));
  for (let i = 0; i < height; i++) {
    if (plane === undefined) row.set(data.subarray(i * width, (i + 1) * width));
    kernels.compareRow(
      plane === undefined ? ROWS.upper : plane + 2 * i * width,
      kept + 2 * brickRow(brick, y + i) * stride,
      run,
      brick.width,
      brickColumn(brick, x, y + i),
      width,
      ROWS.out,
    );
    bits.data.set(made, i * bits.stride);
  }
  return bits;
}
