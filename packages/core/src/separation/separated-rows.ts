import { numberOf } from '../base/identity.ts';
import { bandPlane } from '../raster/band-plane.ts';
import { SOLID } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { compileTone } from '../tone/compile.ts';
import { bandRows, type ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';
import { channelRows, channelTone } from './channel-rows.ts';
import { ROWS_AT_ONCE } from './mapped-rows.ts';
import { separatedBands } from './separated-bands.ts';
import { separateBytes, separateRow, type SeparationTable } from './table.ts';

/**
 * Amounts of one ink of a table, as rows.
 *
 * @param ink place among the table's inks
 */
export function separatedRows(source: ToneSource, tone: Tone, table: SeparationTable, ink: number): Rows {
  const key = `${source.key} ${source.scale} ${source.ppi} ${JSON.stringify(tone.steps)} ${numberOf(table.data)}`;
  const separate = bytesSeparator(source, tone, table) ?? rowsSeparator(source, tone, table);
  const { width, height } = separate;
  return bandRows(width, height, ROWS_AT_ONCE, (band) => {
    const top = band * ROWS_AT_ONCE;
    const rows = Math.min(height, top + ROWS_AT_ONCE) - top;
    const pixels = rows * width;
    // One ink's under another's.
    const { data } = separatedBands(`${key} ${band}`, () => {
      const all = bandPlane(width, rows * table.inks);
      const out = Array.from({ length: table.inks }, (_, i) =>
        all.data.subarray(i * pixels, (i + 1) * pixels),
      );
      for (let y = 0; y < rows; y++) separate.row(top + y, out, y * width);
      return all;
    });
    return { width, height: rows, data: data.subarray(ink * pixels, (ink + 1) * pixels) };
  });
}

/** Makes a row of all inks of a table. */
interface Separator {
  readonly width: number;
  readonly height: number;
  readonly row: (y: number, out: Uint16Array[], at: number) => void;
}

/** By way of the three channels after all tone steps. */
function rowsSeparator(source: ToneSource, tone: Tone, table: SeparationTable): Separator {
  const channels = [0, 1, 2].map((k) => channelRows(source, tone, k));
  const { width, height } = channels[0];
  const row: Separator['row'] = (y, out, at) => {
    const [r, g, b] = channels.map((rows) => rows.row(y));
    separateRow(table, r, g, b, out, at);
  };
  return { width, height, row };
}

/** Straight from a picture's bytes, where the tone steps look at each sample by itself; the same to the last bit. */
function bytesSeparator(source: ToneSource, tone: Tone, table: SeparationTable): Separator | undefined {
  const { picture } = source;
  if (!picture || picture.channels < 3 || !(picture.data instanceof Uint8Array)) return undefined;
  const stages = compileTone(channelTone(tone, 0), source);
  if (stages.length > 1) return undefined;
  const [{ table: tones }] = stages;
  const coverage = Uint16Array.from({ length: 256 }, (_, value) => tones[SOLID - value * 257]);
  const { width, height, channels, data } = picture;
  const row: Separator['row'] = (y, out, at) => {
    const pixels = data.subarray(y * width * channels, (y + 1) * width * channels);
    separateBytes(table, pixels, channels, coverage, out, at);
  };
  return { width, height, row };
}
