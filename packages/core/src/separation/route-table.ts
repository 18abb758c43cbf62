import { inkModel, type InkModel } from '../ink/model.ts';
import type { Ink, Overprint, Stock } from '../ink/ink.ts';
import { recentOnly } from '../base/recent.ts';
import { processGrid } from './process.ts';
import type { ProfileRoute, ProcessRoute, Route, SpotRoute } from './route.ts';
import { spotGrid } from './spot.ts';
import { tableOf, type SeparationTable } from './table.ts';

/** Colours each way of the table that films are made with, and of the one for a first picture. */
const FINE = 17;
const QUICK = 9;

/** What inks are printed on, in which order, and how their overprints look. */
export interface Press {
  readonly stock: Stock;
  /** In printing order, the first one down first. */
  readonly inks: readonly Ink[];
  readonly overprints: readonly Overprint[];
}

/** Ids of the inks of a table, in its order. */
export function tableInks(route: Route, press: Press): string[] {
  if (route.kind === 'process' || route.kind === 'profile') {
    return [route.cyan, route.magenta, route.yellow, route.black];
  }
  return press.inks.filter(({ id }) => route.kind === 'spot' && route.inks.includes(id)).map(({ id }) => id);
}

/** The model of a route's inks, in the order of its table. */
export function routeModel(route: SpotRoute | ProcessRoute | ProfileRoute, press: Press): InkModel {
  const ids = tableInks(route, press);
  const printed = press.inks.filter(({ id }) => ids.includes(id));
  const model = inkModel(press.stock, printed, press.overprints);
  // The table's order may be another than that of printing.
  const place = ids.map((id) => printed.findIndex((ink) => ink.id === id));
  const primaries = new Float64Array(model.primaries.length);
  for (let set = 0; set < 1 << ids.length; set++) {
    const from = place.reduce((mask, at, i) => (set & (1 << i) ? mask | (1 << at) : mask), 0);
    primaries.set(model.primaries.subarray(3 * from, 3 * from + 3), 3 * set);
  }
  return { ...model, primaries };
}

const recentTables = recentOnly<SeparationTable>(10);

/** The table of a route that goes by the ink model. */
export function routeTable(route: SpotRoute | ProcessRoute, press: Press, draft: boolean): SeparationTable {
  const size = draft ? QUICK : FINE;
  const model = routeModel(route, press);
  const key = `${model.n} ${model.primaries.join(' ')}`;
  const { generation, replacement, from } = route.kind === 'process' ? route : ({} as Partial<ProcessRoute>);
  return recentTables(
    JSON.stringify([key, route.kind, generation, replacement, from, route.limit, size]),
    () =>
      tableOf(
        route.kind === 'process'
          ? processGrid(model, key, route, size)
          : spotGrid(model, route.limit / 100, size),
      ),
  );
}
