import { plainPlate } from '@brachytone/core';
import {
  latticeOf,
  routeInks,
  type Ink,
  type Overprint,
  type PlateRecipe,
  type Recipe,
  type Route,
  type Screen,
  type Stock,
} from '@brachytone/core';
import { angleSets } from './angle-sets.ts';
import { LIMITS } from './limits.ts';
import {
  PRINTING_CONDITIONS,
  PROCESS_IDS,
  processInks,
  type PrintingCondition,
} from './printing-conditions.ts';
import { byDarkness, newProcess, startCurves } from './routes.ts';
import { SHIPPED_INKS, type ShelfInk } from './shipped-inks.ts';

/** What a change of an original's route brings with it. */
export interface RouteChange {
  readonly route: Route;
  /** Inks that the job may not have yet. */
  readonly inks?: readonly Ink[];
  readonly overprints?: readonly Overprint[];
  readonly stock?: Stock;
}

/** A screen at another angle, if it has one. */
const atAngle = (screen: Screen, angle: number): Screen =>
  latticeOf(screen) && 'angle' in screen.settings
    ? { ...screen, settings: { ...screen.settings, angle } }
    : screen;

/** Plates with the angles of a set, plate by plate. */
export const withAngles = (plates: readonly PlateRecipe[], angles: readonly number[]): PlateRecipe[] =>
  plates.map((plate, i) => ({ ...plate, screen: atAngle(plate.screen, angles[i]) }));

const inkOf = (inks: readonly Ink[], id: string): Ink => inks.find((one) => one.id === id)!;

/** Plates 30° apart, by the colours of their inks. */
const apart = (plates: readonly PlateRecipe[], inks: readonly Ink[]): PlateRecipe[] =>
  withAngles(plates, angleSets(plates.map(({ ink }) => inkOf(inks, ink).lab))[0].angles);

/** An id that no ink or plate of a list has yet. */
function freshId(word: string, taken: ReadonlySet<string>): string {
  let number = 1;
  while (taken.has(`${word}-${number}`)) number++;
  return `${word}-${number}`;
}

/** A recipe with further inks, each with a plate that is printed last; its screen is like the first plate's. */
export function withInks(recipe: Recipe, added: readonly Ink[]): Recipe {
  const missing = added.filter(({ id }) => recipe.inks.every((ink) => ink.id !== id));
  if (missing.length === 0) return recipe;
  const taken = new Set(recipe.plates.map(({ id }) => id));
  const plates = [...recipe.plates];
  for (const { id } of missing) {
    const plate = freshId('plate', taken);
    taken.add(plate);
    plates.push(plainPlate(plate, id, recipe.plates[0].screen));
  }
  const inks = [...recipe.inks, ...missing];
  return { ...recipe, inks, plates: apart(plates, inks) };
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
export function withHighlights(recipe: Recipe, base: string, apart: boolean): Recipe {
  const at = recipe.plates.findIndex((plate) => plate.ink === base);
  const present = recipe.plates[at].base;
  if (!present) return recipe;
  const { id: _, ...under } = inkOf(recipe.inks, base);
  const white = inkForJob(recipe, { ...under, name: `${under.name}, highlights` });
  const next = apart ? withInks(recipe, [white]) : recipe;
  const changed = {
    ...next,
    plates: next.plates.map((plate) =>
      plate.ink === base ? { ...plate, base: { ...present, highlights: apart ? white.id : null } } : plate,
    ),
  };
  return apart || !present.highlights ? changed : withoutInk(changed, present.highlights);
}

/** A shelf's ink as an ink of a job. */
export function inkForJob(recipe: Pick<Recipe, 'inks'>, ink: ShelfInk): Ink {
  return { id: freshId('ink', new Set(recipe.inks.map(({ id }) => id))), ...ink };
}

/** A recipe with an original sent another way; inks that this leaves with nothing to print go, with their plates. */
export function withRoute(recipe: Recipe, original: string, change: RouteChange): Recipe {
  const before = recipe.originals.find(({ id }) => id === original);
  if (!before) return recipe;
  let next = withInks(recipe, change.inks ?? []);
  next = {
    ...next,
    ...(change.stock ? { stock: change.stock } : {}),
    overprints: [...next.overprints, ...(change.overprints ?? [])],
    originals: next.originals.map((one) => (one.id === original ? { ...one, route: change.route } : one)),
  };
  for (const ink of routeInks(before.route)) next = withoutInk(next, ink);
  if (next.inks.length > LIMITS.inks.most) {
    throw new RangeError(
      `A job has up to ${LIMITS.inks.most} inks, and this would take ${next.inks.length}. Send other originals to the same inks first.`,
    );
  }
  return next.plates.length === recipe.plates.length
    ? next
    : { ...next, plates: apart(next.plates, next.inks) };
}

/** The inks and paper of a printing condition, for an original's process route; what the job has of them is replaced. */
export function withCondition(recipe: Recipe, original: string, condition: PrintingCondition): Recipe {
  const { inks, overprints } = processInks(condition);
  const ids = new Set<string>(Object.values(PROCESS_IDS));
  const own = recipe.inks.map((ink) => inks.find(({ id }) => id === ink.id) ?? ink);
  const before = recipe.originals.find(({ id }) => id === original)?.route;
  const route =
    before?.kind === 'process'
      ? { ...before, limit: condition.limit }
      : newProcess(PROCESS_IDS, condition.limit);
  return withRoute(
    {
      ...recipe,
      inks: own,
      overprints: recipe.overprints.filter(({ inks: over }) => !over.every((id) => ids.has(id))),
    },
    original,
    { route, inks, overprints, stock: condition.stock },
  );
}

const shelfInk = (name: string): ShelfInk => SHIPPED_INKS.find((one) => one.name === name)!;

/** Three inks for the channels of a picture: light ones on dark stock, dark ones on light. */
function channelInks(dark: boolean): Ink[] {
  const ink = (id: string, name: string, lab: Ink['lab'], opacity: number): Ink => ({
    id,
    name,
    lab,
    opacity,
    fountain: null,
  });
  return dark
    ? [
        ink('red', 'Red, covering', [52, 70, 48], 0.6),
        ink('green', 'Green, covering', [70, -62, 52], 0.6),
        ink('blue', 'Blue, covering', [42, 20, -66], 0.6),
      ]
    : PRINTING_CONDITIONS.filter(({ id }) => id === 'uncoated').flatMap((condition) => [
        ink('red', 'Cyan', condition.cyan, 0),
        ink('green', 'Magenta', condition.magenta, 0),
        ink('blue', 'Yellow', condition.yellow, 0),
      ]);
}

/**
 * A route of a kind as an original first gets it, with the inks it takes.
 *
 * @param picked inks for the colours of the picture, for spot routes
 */
export function newRoute(
  kind: Exclude<Route['kind'], 'process' | 'profile'>,
  recipe: Recipe,
  original: string,
  picked: readonly Ink[] = [],
): RouteChange {
  const { route } = recipe.originals.find(({ id }) => id === original)!;
  const own = byDarkness(routeInks(route).map((id) => inkOf(recipe.inks, id)));
  const others = byDarkness(recipe.inks.filter(({ id }) => !own.includes(id)));
  switch (kind) {
    case 'ink':
      return { route: { kind, ink: own[0] } };
    case 'tones': {
      let ids = [...own, ...others].slice(0, Math.max(2, Math.min(4, own.length)));
      const second = inkForJob(recipe, shelfInk('Lantern'));
      const inks = ids.length < 2 ? [second] : [];
      if (ids.length < 2) ids = [...ids, second.id];
      const curves = startCurves(ids.length);
      return { route: { kind, inks: ids.map((ink, i) => ({ ink, curve: curves[i] })) }, inks };
    }
    case 'channels': {
      const dark = recipe.stock.lab[0] < 50;
      return {
        route: { kind, red: 'red', green: 'green', blue: 'blue', ink: dark ? 'light' : 'dark' },
        inks: channelInks(dark),
      };
    }
    case 'spot': {
      const ids =
        picked.length > 1 ? picked.map(({ id }) => id) : [...own, ...others].slice(0, LIMITS.inks.most);
      const second = inkForJob(recipe, shelfInk('Lantern'));
      const all = ids.length > 1 ? ids : [...ids, second.id];
      return {
        route: { kind, inks: all, limit: Math.min(LIMITS.inkLimit.most, 100 * Math.min(3, all.length)) },
        inks: ids.length > 1 ? picked : [second],
      };
    }
    case 'bands': {
      const light = [...own, ...others].toReversed().slice(-3);
      const second = inkForJob(recipe, shelfInk('Sea glass'));
      const inks = light.length > 1 ? light : [second.id, ...light];
      const at = inks.map((_, i) => Math.round(25 + (i * 50) / Math.max(1, inks.length - 1)));
      return {
        route: { kind, at, inks: [null, ...inks], painted: [] },
        inks: light.length > 1 ? [] : [second],
      };
    }
  }
}
