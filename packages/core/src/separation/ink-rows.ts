import { monotoneCurve, type CurvePoint } from '../tone/curve.ts';
import { weightsOf } from '../tone/grey.ts';
import { compileTone } from '../tone/compile.ts';
import type { Tone } from '../tone/tone.ts';
import { bandRows, toneRows, type ToneSource } from '../tone/tone-rows.ts';
import { paintStroke } from '../tone/paint-stroke.ts';
import { numberOf } from '../base/identity.ts';
import { moved, scaled, after } from '../raster/affine.ts';
import { coverageTable } from '../raster/coverage-table.ts';
import { createPlane, percentToCoverage, SOLID, type Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { recentBytes, recentOnly } from '../base/recent.ts';
import { routeInks, type BandsRoute, type Route } from './route.ts';
import { routeTable, tableInks, type Press } from './route-table.ts';
import { separateBytes, separateRow, type SeparationTable } from './table.ts';

/** Rows made at once. */
const BAND = 64;

/** Tables of profiles, by the names that `profileTableName` gives them. */
export type ProfileTables = ReadonlyMap<string, SeparationTable>;

/** Name of the table that a profile gives for an intent. */
export const profileTableName = (profile: string, intent: string, compensate: boolean): string =>
  `${profile}-${intent}${compensate ? '-compensated' : ''}`;

const recentMaps = recentOnly<Uint16Array>(16);

/** A tone curve as 65536 coverages. */
export const curveTable = (curve: readonly CurvePoint[]): Uint16Array =>
  recentMaps(JSON.stringify(curve), () => {
    const map = monotoneCurve(curve);
    return coverageTable((i) =>
      Math.round(Math.min(100, Math.max(0, map((i / SOLID) * 100))) * (SOLID / 100)),
    );
  });

const INVERTED = coverageTable((i) => SOLID - i);

/** Rows sent through a table of 65536 coverages. */
const mapped = (rows: Rows, table: Uint16Array): Rows =>
  bandRows(rows.width, rows.height, BAND, (band) => {
    const height = Math.min(rows.height, (band + 1) * BAND) - band * BAND;
    const out = createPlane(rows.width, height);
    for (let y = 0, at = 0; y < height; y++) {
      const row = rows.row(band * BAND + y);
      for (let x = 0; x < rows.width; x++) out.data[at++] = table[row[x]];
    }
    return out;
  });

const CHANNELS = [weightsOf(1, 0, 0), weightsOf(0, 1, 0), weightsOf(0, 0, 1)];

/** One channel of a source's colours after its tone steps, as coverage. */
export const channelRows = (source: ToneSource, tone: Tone, channel: number): Rows =>
  toneRows({ ...source, key: `${source.key} channel ${channel}` }, channelTone(tone, channel));

/** A tone's steps over one channel instead of grey. */
const channelTone = ({ steps }: Tone, channel: number): Tone => ({
  grey: { weights: CHANNELS[channel], reading: 'dots' },
  steps,
});

const recentSeparated = recentBytes<Plane[]>(96 << 20, (planes) =>
  planes.reduce((sum, { data }) => sum + data.byteLength, 0),
);

/** Amounts of the inks of a table, each as rows. */
function separatedRows(source: ToneSource, tone: Tone, table: SeparationTable, ink: number): Rows {
  const key = `${source.key} ${source.scale} ${source.ppi} ${JSON.stringify(tone.steps)} ${numberOf(table.data)}`;
  const separate = bytesSeparator(source, tone, table) ?? rowsSeparator(source, tone, table);
  const { width, height } = separate;
  return bandRows(
    width,
    height,
    BAND,
    (band) =>
      recentSeparated(`${key} ${band}`, () => {
        const rows = Math.min(height, (band + 1) * BAND) - band * BAND;
        const planes = Array.from({ length: table.inks }, () => createPlane(width, rows));
        const data = planes.map((plane) => plane.data);
        for (let y = 0; y < rows; y++) separate.row(band * BAND + y, data, y * width);
        return planes;
      })[ink],
  );
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
  const coverage = Uint16Array.from({ length: 256 }, (_, value) => stages[0].table![SOLID - value * 257]);
  const { width, height, channels, data } = picture;
  const row: Separator['row'] = (y, out, at) => {
    const pixels = data.subarray(y * width * channels, (y + 1) * width * channels);
    separateBytes(table, pixels, channels, coverage, out, at);
  };
  return { width, height, row };
}

/** Flat ink where the tone lies in a band of its, and in painted areas. */
function flatRows(rows: Rows, route: BandsRoute, ink: string): Rows {
  const edges = [0, ...route.at.map(percentToCoverage), SOLID + 1];
  const table = new Uint16Array(SOLID + 1);
  route.inks.forEach((one, i) => {
    if (one === ink) table.fill(SOLID, edges[i], edges[i + 1]);
  });
  const flat = mapped(rows, table);
  const painted = route.painted.filter((one) => one.ink === ink && one.strokes.length > 0);
  if (painted.length === 0) return flat;
  const { width, height } = rows;
  return bandRows(width, height, BAND, (band) => {
    const top = band * BAND;
    const count = Math.min(height, top + BAND) - top;
    const out = createPlane(width, count);
    for (let y = 0; y < count; y++) out.data.set(flat.row(top + y), y * width);
    for (const { from, to, strokes } of painted) {
      const area = createPlane(width, count);
      const map = after(scaled(width), moved(0, -top));
      for (const stroke of strokes) paintStroke(area, stroke, map);
      const [least, most] = [percentToCoverage(from), percentToCoverage(to)];
      for (let y = 0, i = 0; y < count; y++) {
        const row = rows.row(top + y);
        for (let x = 0; x < width; x++, i++) {
          if (area.data[i] > SOLID / 2 && row[x] >= least && row[x] <= most) out.data[i] = SOLID;
        }
      }
    }
    return out;
  });
}

/**
 * An original's coverage of one ink, on its source's grid or a finer one; undefined when its route does not come to the
 * ink.
 *
 * @param draft a coarser table will do
 */
export function inkRows(
  source: ToneSource,
  tone: Tone,
  route: Route,
  ink: string,
  press: Press,
  tables: ProfileTables | undefined,
  draft: boolean,
): Rows | undefined {
  if (!routeInks(route).includes(ink)) return undefined;
  switch (route.kind) {
    case 'ink':
      return toneRows(source, tone);
    case 'tones':
      return mapped(toneRows(source, tone), curveTable(route.inks.find((one) => one.ink === ink)!.curve));
    case 'bands':
      return flatRows(toneRows(source, tone), route, ink);
    case 'channels': {
      const rows = channelRows(source, tone, [route.red, route.green, route.blue].indexOf(ink));
      return route.ink === 'dark' ? rows : mapped(rows, INVERTED);
    }
    case 'spot':
    case 'process': {
      const table = routeTable(route, press, draft);
      return separatedRows(source, tone, table, tableInks(route, press).indexOf(ink));
    }
    case 'profile': {
      const table = tables?.get(profileTableName(route.profile, route.intent, route.compensate));
      if (!table) throw new Error('The separation by this profile is not at hand.');
      return separatedRows(source, tone, table, tableInks(route, press).indexOf(ink));
    }
  }
}
