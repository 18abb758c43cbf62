import { bandPlane } from '../raster/band-plane.ts';
import type { Rows } from '../raster/rows.ts';
import { bandRows, toneRows, type ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';
import { separatedBands } from './separated-bands.ts';

/** Rows made at once. */
export const ROWS_AT_ONCE = 64;

/**
 * A source's coverage after its tone steps, sent through a table of 65536 coverages.
 *
 * @param tableKey cache key: equal iff the table is equal
 */
export function mappedRows(source: ToneSource, tone: Tone, tableKey: string, table: Uint16Array): Rows {
  const rows = toneRows(source, tone);
  const { width, height } = rows;
  const key = `${source.key} ${source.scale} ${source.ppi} ${JSON.stringify(tone)} ${tableKey}`;
  return bandRows(width, height, ROWS_AT_ONCE, (band) =>
    separatedBands(`${key} ${band}`, () => {
      const top = band * ROWS_AT_ONCE;
      const out = bandPlane(width, Math.min(height, top + ROWS_AT_ONCE) - top);
      for (let y = 0, at = 0; y < out.height; y++) {
        const row = rows.row(top + y);
        for (let x = 0; x < width; x++) out.data[at++] = table[row[x]];
      }
      return out;
    }),
  );
}
