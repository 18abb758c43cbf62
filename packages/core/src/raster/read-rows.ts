import { isStraight, type Affine } from './affine.ts';
import type { Plane } from './plane.ts';
import type { Region } from './region.ts';
import { resampleInto } from './resample.ts';
import type { Rows } from './rows.ts';
import { sampleInto } from './sample.ts';

/**
 * Reads rows through any map into a plane of the region's size, the quick way where the map neither turns nor shears.
 * Beyond the source's edge its outermost pixels repeat.
 *
 * @param map from output pixels to the source's
 */
export function readInto(rows: Rows, map: Affine, region: Region, out: Plane): void {
  if (isStraight(map)) readStraight(rows, map, region, out, 0, 0);
  else sampleInto(rows, map, region, out);
}

/** The same for a map that neither turns nor shears, into a larger plane with the region's left top pixel at (x, y). */
export const readStraight = (
  rows: Rows,
  map: Affine,
  region: Region,
  out: Plane,
  x: number,
  y: number,
): void =>
  resampleInto(rows, { origin: map.x0, step: map.xx }, { origin: map.y0, step: map.yy }, region, out, x, y);
