import type { Stroke } from '../../base/field.ts';
import { after, moved, scaled } from '../../raster/affine.ts';
import { createPlane, percentToCoverage, SOLID } from '../../raster/plane.ts';
import type { Rows } from '../../raster/rows.ts';
import { paintStroke } from '../../tone/paint-stroke.ts';
import { bandRows, toneRows, type ToneSource } from '../../tone/tone-rows.ts';
import type { Tone } from '../../tone/tone.ts';
import { mappedRows, ROWS_AT_ONCE } from '../mapped-rows.ts';
import { ink, percent } from '../route-field.ts';
import { defineRoute } from '../route-kind.ts';

/** Flat ink in a painted area, where the tone lies between two. */
export interface PaintedInk {
  readonly ink: string;
  readonly from: number;
  readonly to: number;
  readonly strokes: readonly Stroke[];
}

/** Flat inks for bands of tone, from light to dark. */
export interface BandsRoute {
  readonly kind: 'bands';
  /** Tones in percent that part the bands, rising. */
  readonly at: readonly number[];
  /** Id of each band's ink, one more than there are partings; null for bare stock. */
  readonly inks: readonly (string | null)[];
  readonly painted: readonly PaintedInk[];
}

const isInk = (id: string | null): id is string => id !== null;

/** Flat ink where the tone lies in a band of its, and in painted areas. */
function flatRows(source: ToneSource, tone: Tone, route: BandsRoute, id: string): Rows {
  const edges = [0, ...route.at.map(percentToCoverage), SOLID + 1];
  const table = new Uint16Array(SOLID + 1);
  route.inks.forEach((one, i) => {
    if (one === id) table.fill(SOLID, edges[i], edges[i + 1]);
  });
  const key = JSON.stringify([route.at, route.inks.map((one) => one === id)]);
  const flat = mappedRows(source, tone, key, table);
  const painted = route.painted.filter((one) => one.ink === id && one.strokes.length > 0);
  if (painted.length === 0) return flat;
  const rows = toneRows(source, tone);
  const { width, height } = rows;
  return bandRows(width, height, ROWS_AT_ONCE, (band) => {
    const top = band * ROWS_AT_ONCE;
    const count = Math.min(height, top + ROWS_AT_ONCE) - top;
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

export const bandsRoute = defineRoute<BandsRoute>({
  kind: 'bands',
  name: 'Flat bands',
  says: 'Its tones in flat inks, band by band',
  fields: {
    at: { type: 'tones', label: 'Parted at', least: 1, most: 5 },
    inks: { type: 'list', label: 'Inks', least: 2, most: 6, of: { ...ink('Ink'), orBare: true } },
    painted: {
      type: 'list',
      label: 'Painted inks',
      least: 0,
      most: 8,
      of: {
        ink: ink('Ink'),
        from: percent('From'),
        to: percent('To'),
        strokes: { type: 'strokes', label: 'Strokes' },
      },
    },
  },
  problem: ({ at, inks }) =>
    inks.length === at.length + 1
      ? undefined
      : 'There must be one band more than there are tones that part them.',
  suits: 'tones',
  start({ own, others, shelfInk }) {
    const light = [...own, ...others].toReversed().slice(-3);
    const added = light.length > 1 ? [] : [shelfInk('Sea glass')];
    const inks = [...added.map(({ id }) => id), ...light];
    const at = inks.map((_, i) => Math.round(25 + (i * 50) / Math.max(1, inks.length - 1)));
    return { route: { kind: 'bands', at, inks: [null, ...inks], painted: [] }, inks: added };
  },
  isColour: false,
  inks: ({ inks, painted }) => [...new Set([...inks.filter(isInk), ...painted.map((one) => one.ink)])],
  lineInks: ({ inks }) => inks.slice(-1).filter(isInk),
  rows: (route, id, { source, tone }) => flatRows(source, tone, route, id),
  isFlat: true,
});
