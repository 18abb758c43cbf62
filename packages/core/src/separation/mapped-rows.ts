import { createPlane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { bandRows } from '../tone/tone-rows.ts';

/** Rows made at once. */
export const ROWS_AT_ONCE = 64;

/** Rows sent through a table of 65536 coverages. */
export const mappedRows = (rows: Rows, table: Uint16Array): Rows =>
  bandRows(rows.width, rows.height, ROWS_AT_ONCE, (band) => {
    const top = band * ROWS_AT_ONCE;
    const height = Math.min(rows.height, top + ROWS_AT_ONCE) - top;
    const out = createPlane(rows.width, height);
    for (let y = 0, at = 0; y < height; y++) {
      const row = rows.row(top + y);
      for (let x = 0; x < rows.width; x++) out.data[at++] = table[row[x]];
    }
    return out;
  });
