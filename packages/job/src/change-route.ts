import {
  inkOf,
  latticeOf,
  newProcess,
  plainPlate,
  routeInks,
  ROUTES,
  WHITE_STOCK,
  type Ink,
  type PlateRecipe,
  type Recipe,
  type Route,
  type Screen,
  type StartedRoute,
  present,
} from '@brachytone/core';
import { angleSets, freeAngle } from './angle-sets.ts';
import { freeId } from './free-id.ts';
import { LIMITS } from './limits.ts';
import {
  PRINTING_CONDITIONS,
  PROCESS_IDS,
  processInks,
  type PrintingCondition,
} from './printing-conditions.ts';
import { byDarkness, startCurves } from './routes.ts';
import { SHIPPED_INKS, type ShelfInk } from './shipped-inks.ts';

/** What a change of an original's route brings with it. */
export type RouteChange = StartedRoute<Route>;

/** A screen at another angle, if it has one. */
const atAngle = (screen: Screen, angle: number): Screen =>
  latticeOf(screen) && 'angle' in screen.settings
    ? { ...screen, settings: { ...screen.settings, angle } }
    : screen;

/** Plates with the angles of a set, plate by plate. */
export const withAngles = (plates: readonly PlateRecipe[], angles: readonly number[]): PlateRecipe[] =>
  plates.map((plate, i) => ({ ...plate, screen: atAngle(plate.screen, angles[i]) }));

/** Plates 30° apart, by the colours of their inks. */
const atOddAngles = (plates: readonly PlateRecipe[], inks: readonly Ink[]): PlateRecipe[] =>
  withAngles(plates, angleSets(plates.map(({ ink }) => inkOf(inks, ink).lab))[0].angles);

/** A recipe with further inks, each with a plate that is printed last: its screen is like the first plate's, at the angle farthest from the others'. */
export function withInks(recipe: Recipe, added: readonly Ink[]): Recipe {
  const missing = added.filter(({ id }) => recipe.inks.every((ink) => ink.id !== id));
  if (missing.length === 0) return recipe;
  const plates = [...recipe.plates];
  for (const { id } of missing) {
    const angles = plates.flatMap(({ screen }) => latticeOf(screen)?.angle ?? []);
    plates.push(plainPlate(freeId('plate', plates), id, atAngle(recipe.plates[0].screen, freeAngle(angles))));
  }
  return { ...recipe, inks: [...recipe.inks, ...missing], plates };
}

/** True when an original is printed in an ink. */
export const isUsed = (recipe: Recipe, ink: string): boolean =>
  recipe.originals.some(({ route }) => routeInks(route).includes(ink));

/** A recipe without an ink and its plate; at least one stays. */
export function withoutInk(recipe: Recipe, ink: string): Recipe {
  if (recipe.inks.length === 1 || isUsed(recipe, ink)) return recipe;
  return {
    ...recipe,
    inks: recipe.inks.filter(({ id }) => id !== ink),
    overprints: recipe.overprints.filter(({ inks }) => !inks.includes(ink)),
    plates: recipe.plates
      .filter((plate) => plate.ink !== ink)
      .map((plate) =>
        plate.base?.highlights === ink ? { ...plate, base: { ...plate.base, highlights: null } } : plate,
      ),
  };
}

/** A recipe whose base lets its highlights go to a white of their own, printed last; or takes them back. */
export function withHighlights(recipe: Recipe, base: string, onOwnPlate: boolean): Recipe {
  const at = recipe.plates.findIndex((plate) => plate.ink === base);
  const present = recipe.plates[at].base;
  if (!present) return recipe;
  const { id: _, ...under } = inkOf(recipe.inks, base);
  const white = inkForJob(recipe, { ...under, name: `${under.name}, highlights` });
  const next = onOwnPlate ? withInks(recipe, [white]) : recipe;
  const changed = {
    ...next,
    plates: next.plates.map((plate) =>
      plate.ink === base
        ? { ...plate, base: { ...present, highlights: onOwnPlate ? white.id : null } }
        : plate,
    ),
  };
  return onOwnPlate || !present.highlights ? changed : withoutInk(changed, present.highlights);
}

/** A shelf's ink as an ink of a job. */
export function inkForJob(recipe: Pick<Recipe, 'inks'>, ink: ShelfInk): Ink {
  return { id: freeId('ink', recipe.inks), ...ink };
}

/**
 * A recipe with an original sent another way; inks that this leaves with nothing to print go, with their plates. What somebody set stays: plates that were
 * there keep their angles, and so does a stock that was chosen.
 *
 * @param takesStock true to print on the stock that the way's inks were measured on
 */
export function withRoute(
  recipe: Recipe,
  original: string,
  change: RouteChange,
  takesStock = recipe.stock.name === WHITE_STOCK.name,
): Recipe {
  const before = recipe.originals.find(({ id }) => id === original);
  if (!before) return recipe;
  let next = withInks(change.replaces ? withReplaced(recipe, change) : recipe, change.inks ?? []);
  next = {
    ...next,
    ...(change.stock && takesStock ? { stock: change.stock } : {}),
    // Overprints are measured on their own stock alone.
    overprints: [...next.overprints, ...(change.stock && !takesStock ? [] : (change.overprints ?? []))],
    originals: next.originals.map((one) => (one.id === original ? { ...one, route: change.route } : one)),
  };
  for (const ink of routeInks(before.route)) next = withoutInk(next, ink);
  if (next.inks.length > LIMITS.inks.most) {
    throw new RangeError(
      `A job has up to ${LIMITS.inks.most} inks, and this would take ${next.inks.length}. Send other originals to the same inks first.`,
    );
  }
  const isNew = ({ id }: PlateRecipe) => recipe.plates.every((plate) => plate.id !== id);
  return next.plates.every(isNew) ? { ...next, plates: atOddAngles(next.plates, next.inks) } : next;
}

/** A recipe in which what it has of the inks, and of the overprints among them, is as a change brings them. */
function withReplaced(recipe: Recipe, { inks = [] }: RouteChange): Recipe {
  const ids = new Set(inks.map(({ id }) => id));
  return {
    ...recipe,
    inks: recipe.inks.map((ink) => inks.find(({ id }) => id === ink.id) ?? ink),
    overprints: recipe.overprints.filter(({ inks: over }) => !over.every((id) => ids.has(id))),
  };
}

/** The inks and paper of a printing condition, for an original's process route; what the job has of them is replaced. */
export function withCondition(recipe: Recipe, original: string, condition: PrintingCondition): Recipe {
  const { inks, overprints } = processInks(condition);
  const before = recipe.originals.find(({ id }) => id === original)?.route;
  const route =
    before?.kind === 'process'
      ? { ...before, limit: condition.limit }
      : newProcess(PROCESS_IDS, condition.limit);
  return withRoute(
    recipe,
    original,
    { route, inks, overprints, stock: condition.stock, replaces: true },
    true,
  );
}

/**
 * What an original's first route of a kind brings with it.
 *
 * @param picked   inks for the colours of the picture, for kinds that ask for some
 * @param channels of the picture's file, where it is separated
 * @throws RangeError for a kind that is not offered by itself
 */
export function newRoute(
  kind: Route['kind'],
  recipe: Recipe,
  original: string,
  picked: readonly Ink[] = [],
  channels: readonly { readonly picture: string; readonly ink: Ink }[] = [],
): RouteChange {
  const { start, name } = ROUTES[kind];
  if (!start) throw new RangeError(`“${name}” is not a route to begin with.`);
  const route = recipe.originals.find(({ id }) => id === original)?.route;
  const now = byDarkness(route ? routeInks(route).map((id) => inkOf(recipe.inks, id)) : []);
  // What was on no plate, as it is on the stock already, begins with the darkest ink there is.
  const own = now.length > 0 ? now : byDarkness(recipe.inks).slice(0, 1);
  const [condition] = PRINTING_CONDITIONS;
  const { inks, overprints } = processInks(condition);
  const [black, cyan, magenta, yellow] = inks;
  return start({
    own,
    others: byDarkness(recipe.inks.filter(({ id }) => !own.includes(id))),
    stock: recipe.stock,
    picked,
    channels,
    shelfInk: (wanted) =>
      inkForJob(
        recipe,
        present(
          SHIPPED_INKS.find((one) => one.name === wanted),
          `ink “${wanted}” on the shelf`,
        ),
      ),
    condition: { cyan, magenta, yellow, black, stock: condition.stock, overprints, limit: condition.limit },
    most: { inks: LIMITS.inks.most, limit: LIMITS.inkLimit.most },
    curves: startCurves,
  });
}
