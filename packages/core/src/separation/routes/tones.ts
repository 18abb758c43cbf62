import { present } from '../../base/present.ts';
import type { CurvePoint } from '../../tone/curve.ts';
import { curveTable } from '../../tone/curve-table.ts';
import { mappedRows } from '../mapped-rows.ts';
import { ink } from '../route-field.ts';
import { defineRoute, hasTwice, INK_TWICE } from '../route-kind.ts';

/** Its tones in two to four inks, a curve each: duotone, tritone, quadtone. */
export interface TonesRoute {
  readonly kind: 'tones';
  readonly inks: readonly { readonly ink: string; readonly curve: readonly CurvePoint[] }[];
}

/** Tone in percent from which on an ink's own curve makes it print line work. */
const LINE_TONE = 50;

const idsOf = ({ inks }: TonesRoute): string[] => inks.map((one) => one.ink);

const curveOf = ({ inks }: TonesRoute, id: string): readonly CurvePoint[] =>
  present(
    inks.find((one) => one.ink === id),
    'ink of this route',
  ).curve;

export const tonesRoute = defineRoute<TonesRoute>({
  kind: 'tones',
  name: 'Two to four tones',
  says: 'Its tones in two to four inks, a curve each',
  fields: {
    inks: {
      type: 'list',
      label: 'Inks',
      least: 2,
      most: 4,
      of: { ink: ink('Ink'), curve: { type: 'curve', label: 'Curve' } },
    },
  },
  problem: (route) => (hasTwice(idsOf(route)) ? INK_TWICE : undefined),
  suits: 'all',
  start({ own, others, shelfInk, curves: curvesFor }) {
    const present = [...own, ...others].slice(0, Math.max(2, Math.min(4, own.length)));
    const added = present.length < 2 ? [shelfInk('Lantern')] : [];
    const ids = [...present, ...added.map(({ id }) => id)];
    const curves = curvesFor(ids.length);
    return {
      route: { kind: 'tones', inks: ids.map((id, i) => ({ ink: id, curve: curves[i] })) },
      inks: added,
    };
  },
  isColour: false,
  inks: idsOf,
  lineInks: ({ inks }) =>
    inks.filter(({ curve }) => (curve.at(-1)?.out ?? 0) >= LINE_TONE).map((one) => one.ink),
  rows(route, id, { source, tone }) {
    const curve = curveOf(route, id);
    return mappedRows(source, tone, JSON.stringify(curve), curveTable(curve));
  },
  toneTable: (route, id) => curveTable(curveOf(route, id)),
});
