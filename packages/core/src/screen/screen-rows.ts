import { bytesAt, keep, kernels, ROWS } from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import { stretchRows, type AxisMap } from '../raster/resample.ts';
import type { Rows } from '../raster/rows.ts';
import { brickColumn, brickRow } from './brick.ts';
import type { Thresholds } from './thresholds.ts';

/**
 * Screens rows of coverage as they are resampled: the bits that `resampleInto` and `screenPlane` would make one after the other, without
 * the plane between them.
 *
 * @param region of the film
 */
export function screenRows(
  source: Rows,
  mapX: AxisMap,
  mapY: AxisMap,
  region: Region,
  { brick, run, stride, data }: Thresholds,
): Bits {
  const { x, y: top, width, height } = region;
  const bits = createBits(width, height);
  const made = bytesAt(ROWS.out, strideOf(width));
  stretchRows(source, mapX, mapY, region, (y, upper, lower, weight) => {
    const row = keep(data) + 2 * brickRow(brick, top + y) * stride;
    const column = brickColumn(brick, x, top + y);
    kernels.mixAndCompare(upper, lower, weight, row, run, brick.width, column, width, ROWS.out);
    bits.data.set(made, y * bits.stride);
  });
  return bits;
}
