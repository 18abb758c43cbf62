import type { RouteKind } from '../route-kind.ts';
import { bandsRoute, type BandsRoute } from './bands.ts';
import { channelsRoute, type ChannelsRoute } from './channels.ts';
import { huesRoute, type HuesRoute } from './hues.ts';
import { inkRoute, type InkRoute } from './ink.ts';
import { processRoute, type ProcessRoute } from './process.ts';
import { profileRoute, type ProfileRoute } from './profile.ts';
import { separatedRoute, type SeparatedRoute } from './separated.ts';
import { spotRoute, type SpotRoute } from './spot.ts';
import { stockRoute, type StockRoute } from './stock.ts';
import { tonesRoute, type TonesRoute } from './tones.ts';

/** How an original comes to the inks. */
export type Route =
  | InkRoute
  | TonesRoute
  | ProcessRoute
  | ProfileRoute
  | SeparatedRoute
  | ChannelsRoute
  | SpotRoute
  | BandsRoute
  | HuesRoute
  | StockRoute;

/** Every kind of route, in the order they are offered. */
export const ROUTES: {
  readonly [Kind in Route['kind']]: RouteKind<Extract<Route, { kind: Kind }>>;
} = {
  ink: inkRoute,
  tones: tonesRoute,
  process: processRoute,
  profile: profileRoute,
  separated: separatedRoute,
  channels: channelsRoute,
  spot: spotRoute,
  bands: bandsRoute,
  hues: huesRoute,
  stock: stockRoute,
};

/** The kind of a route. */
export const routeKind = <R extends Route>(route: R): RouteKind<R> =>
  ROUTES[route.kind] as unknown as RouteKind<R>;
