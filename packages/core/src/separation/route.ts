import type { InkModel } from '../ink/model.ts';
import type { InkSet } from '../ink/ink-set.ts';
import type { Rows } from '../raster/rows.ts';
import type { ProfileUse, Separating } from './route-kind.ts';
import { madeTable, type ModelTable } from './route-model.ts';
import { routeKind, type Route } from './routes/index.ts';
import type { SeparationTable } from './table.ts';

/** Ids of the inks a route prints in, each once. */
export const routeInks = (route: Route): readonly string[] => routeKind(route).inks(route);

/** Ids of the inks that what is never screened, and has no colours, is printed in. */
export const lineInks = (route: Route): readonly string[] => routeKind(route).lineInks(route);

/** True for routes that keep an original's colours. */
export const isColourRoute = (route: Route): boolean => routeKind(route).isColour;

/** True for a route that leaves an original on the stock, as no ink of the job prints it. */
export const isOnStock = (route: Route): boolean => routeKind(route).isOnStock === true;

/**
 * An original's coverage of one ink, on its source's grid or a finer one; undefined when its route does not come to the ink.
 *
 * @throws MissingMaterial when it goes by a profile whose table is not at hand
 */
export const inkRows = (route: Route, ink: string, at: Separating): Rows | undefined =>
  routeInks(route).includes(ink) ? routeKind(route).rows(route, ink, at) : undefined;

/** The profile that a route goes by. */
export const profileOf = (route: Route): ProfileUse | undefined => routeKind(route).profile?.(route);

/** Pictures that a route takes besides the original's own, by SHA-256. */
export const picturesOf = (route: Route): readonly string[] => routeKind(route).pictures?.(route) ?? [];

/** A route's own separation by the ink model. */
export interface RouteModel {
  readonly model: InkModel;
  /** Most of all inks together, percent. */
  readonly limit: number;
  readonly table: (draft: boolean) => SeparationTable;
}

/** How a route separates by the ink model; undefined when it does not. */
export function routeModel(route: Route, inkSet: InkSet): RouteModel | undefined {
  const { modelled } = routeKind(route);
  return (
    modelled && {
      model: modelled.model(route, inkSet),
      limit: modelled.limit(route),
      table: (draft) => madeTable(modelled.table(route, inkSet, draft), undefined),
    }
  );
}

/** The tables by which films of routes are separated by the ink model, each once. */
export function modelTables(routes: readonly Route[], inkSet: InkSet): ModelTable[] {
  const all = routes.flatMap((route) => {
    const { modelled } = routeKind(route);
    return modelled ? [modelled.table(route, inkSet, false)] : [];
  });
  return [...new Map(all.map((table) => [table.name, table])).values()];
}

/** Most of all inks together that a route asks for, percent; undefined when it sets no limit. */
export const inkLimit = (route: Route): number | undefined => routeKind(route).modelled?.limit(route);
