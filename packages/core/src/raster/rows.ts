import type { Plane } from './plane.ts';
import type { Region } from './region.ts';
import { scratchPlane } from './scratch.ts';

/** A plane (0–65535) whose rows are made when they are asked for. A row must not be changed. */
export interface Rows {
  readonly width: number;
  readonly height: number;
  /** Row `y`, 0 ≤ y < height. */
  readonly row: (y: number) => Uint16Array;
}

/** The rows of a plane that is there already. */
export const rowsOf = ({ width, height, data }: Plane): Rows => ({
  width,
  height,
  row: (y) => data.subarray(y * width, (y + 1) * width),
});

/** A copy of a part of the rows; the region must lie inside. */
export function cutRows(rows: Rows, region: Region): Plane {
  const { x, y, width, height } = region;
  const whole = x === 0 && width === rows.width;
  const plane = scratchPlane(width, height);
  for (let i = 0; i < height; i++) {
    const row = rows.row(y + i);
    plane.data.set(whole ? row : row.subarray(x, x + width), i * width);
  }
  return plane;
}
