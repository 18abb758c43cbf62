import { recentOnly } from '../base/recent.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { createPlane, SOLID } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { monotoneCurve, type CurvePoint } from '../tone/curve.ts';
import { bandRows } from '../tone/tone-rows.ts';

/** Rows made at once. */
export const ROWS_AT_ONCE = 64;

const recentCurves = recentOnly<Uint16Array>(16);

/** A tone curve as 65536 coverages. */
export const curveTable = (curve: readonly CurvePoint[]): Uint16Array =>
  recentCurves(JSON.stringify(curve), () => {
    const map = monotoneCurve(curve);
    return coverageTable((i) =>
      Math.round(Math.min(100, Math.max(0, map((i / SOLID) * 100))) * (SOLID / 100)),
    );
  });

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
