import { createBits, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import { brickColumn, brickRow } from './brick.ts';
import { compareBytes } from './compare.ts';
import type { Thresholds } from './thresholds.ts';

/**
 * Screens coverage into bits. The plane's top left pixel stands at (x, y) of the film, which fixes where in the
 * thresholds it falls: any part of a film equals that part of the whole.
 */
export function screenPlane(coverage: Plane, x: number, y: number, thresholds: Thresholds): Bits {
  const bits = createBits(coverage.width, coverage.height);
  for (let row = 0; row < coverage.height; row++) {
    screenRow(coverage, row, x, y + row, thresholds, bits);
  }
  return bits;
}

function screenRow(
  plane: Plane,
  row: number,
  x: number,
  y: number,
  thresholds: Thresholds,
  bits: Bits,
): void {
  const { brick, run: length, stride, data } = thresholds;
  const base = brickRow(brick, y) * stride;
  let column = brickColumn(brick, x, y);
  let from = row * plane.width;
  let to = row * bits.stride;
  let bytes = plane.width >> 3;
  while (bytes > 0) {
    // The last byte before the row's end may read into its overhang, which repeats its beginning.
    const run = Math.min(bytes, Math.ceil((length - column) / 8));
    compareBytes(
      plane.data.subarray(from, from + run * 8),
      data.subarray(base + column),
      bits.data.subarray(to),
    );
    from += run * 8;
    to += run;
    bytes -= run;
    column = (column + run * 8) % brick.width;
  }
  for (let i = 0; i < (plane.width & 7); i++) {
    if (plane.data[from + i] > data[base + ((column + i) % brick.width)]) bits.data[to] |= 0x80 >> i;
  }
}
