import type { InkSet } from '../../ink/ink-set.ts';
import { ink } from '../route-field.ts';
import { defineRoute, hasTwice, INK_TWICE, type Modelled } from '../route-kind.ts';
import { madeTable, modelOf, modelTable } from '../route-model.ts';
import { separatedRows } from '../separated-rows.ts';
import { spotGrid } from '../spot.ts';

/** Its colours in any inks: each colour becomes the dots of these inks that come nearest. */
export interface SpotRoute {
  readonly kind: 'spot';
  readonly inks: readonly string[];
  /** Most of all inks together, percent. */
  readonly limit: number;
}

/** In printing order. */
const tableIds = ({ inks }: SpotRoute, inkSet: InkSet): string[] =>
  inkSet.inks.filter(({ id }) => inks.includes(id)).map(({ id }) => id);

const modelled: Modelled<SpotRoute> = {
  model: (route, inkSet) => modelOf(tableIds(route, inkSet), inkSet),
  table(route, inkSet, draft) {
    const model = modelled.model(route, inkSet);
    const make = (size: number) => spotGrid(model, route.limit / 100, size);
    return modelTable(model, ['spot', route.limit], make, draft);
  },
  limit: ({ limit }) => limit,
};

export const spotRoute = defineRoute<SpotRoute>({
  kind: 'spot',
  name: 'Spot inks',
  says: 'Each colour as the dots of these inks that come nearest',
  fields: {
    inks: { type: 'list', label: 'Inks', least: 2, most: 8, of: ink('Ink') },
    limit: { type: 'ink limit', label: 'Ink limit' },
  },
  problem: ({ inks }) => (hasTwice(inks) ? INK_TWICE : undefined),
  suits: 'colours',
  picks: 4,
  start({ own, others, picked, shelfInk, most }) {
    const ids = picked.length > 1 ? picked.map(({ id }) => id) : [...own, ...others].slice(0, most.inks);
    const added = ids.length > 1 ? picked : [shelfInk('Lantern')];
    const all = ids.length > 1 ? ids : [...ids, ...added.map(({ id }) => id)];
    const limit = Math.min(most.limit, 100 * Math.min(3, all.length));
    return { route: { kind: 'spot', inks: all, limit }, inks: added };
  },
  isColour: true,
  inks: ({ inks }) => inks,
  lineInks: ({ inks }) => inks.slice(-1),
  rows: (route, id, { source, tone, inkSet, tables, draft }) =>
    separatedRows(
      source,
      tone,
      madeTable(modelled.table(route, inkSet, draft), tables),
      tableIds(route, inkSet).indexOf(id),
    ),
  modelled,
});
