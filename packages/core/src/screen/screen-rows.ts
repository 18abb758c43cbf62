import {
  addressOf,
  bytesAt,
  canUpload,
  kernels,
  MIXED_LINES,
  MIXED_ROWS,
  ROWS,
  uploadOnce,
  wholesAt,
} from '../kernel/memory.ts';
import { createBits, type Bits } from '../raster/bits.ts';
import type { Region } from '../raster/region.ts';
import { stretchRows, type AxisMap } from '../raster/resample.ts';
import type { Rows } from '../raster/rows.ts';
import { brickColumn, brickRow } from './brick.ts';
import type { Thresholds } from './thresholds.ts';

const lines = wholesAt(MIXED_LINES, 4 * MIXED_ROWS);

/** Whether thresholds are few enough for `screenRows`. */
export const canScreenRows = ({ data }: Thresholds): boolean => canUpload(data);

/**
 * Screens rows of coverage as they are resampled: the bits that `resampleInto` and `screenPlane` would make one after the other, without
 * the plane between them.
 *
 * @param region of the film
 * @param bits   for the result, of the region's size; each of their bytes is written
 */
export function screenRows(
  source: Rows,
  mapX: AxisMap,
  mapY: AxisMap,
  region: Region,
  { brick, run, stride, data }: Thresholds,
  bits: Bits = createBits(region.width, region.height),
): Bits {
  const { x, y: top, width } = region;
  const { stride: bytes } = bits;
  const place = addressOf(bits.data);
  stretchRows(source, mapX, mapY, region, (y, upper, lower, weights) => {
    for (let from = 0; from < weights.length; from += MIXED_ROWS) {
      const rows = Math.min(MIXED_ROWS, weights.length - from);
      const first = place === undefined ? ROWS.out : place + (y + from) * bytes;
      for (let i = 0; i < rows; i++) {
        const line = top + y + from + i;
        const thresholds = uploadOnce(data) + 2 * brickRow(brick, line) * stride;
        const numbers = [weights[from + i], thresholds, brickColumn(brick, x, line), first + i * bytes];
        lines.set(numbers, 4 * i);
      }
      kernels.mixAndCompare(upper, lower, rows, MIXED_LINES, run, brick.width, width);
      if (place === undefined) bits.data.set(bytesAt(first, rows * bytes), (y + from) * bytes);
    }
  });
  return bits;
}
