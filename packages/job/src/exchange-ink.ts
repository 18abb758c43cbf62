import type { Ink, Recipe, Stock } from '@brachytone/core';
import { withInks } from './change-route.ts';
import type { ShelfInk } from './shipped-inks.ts';

/** True for a stock that swallows inks which do not cover it: darker than L* 50. */
export const isDark = ({ lab }: Pick<Stock, 'lab'>): boolean => lab[0] < 50;

/** How far inks cover that are offered for a dark stock, at least. */
const COVERS = 0.85;

/** An ink as it is offered for a stock: for a dark one it covers. */
export function offeredOn(stock: Stock, ink: ShelfInk): ShelfInk {
  if (!isDark(stock) || ink.opacity >= COVERS) return ink;
  return { ...ink, name: `${ink.name}, covering`, opacity: COVERS };
}

/** True for a white that covers: it lies under the others. */
const isWhite = ({ lab, opacity }: Ink): boolean => lab[0] > 88 && opacity >= COVERS;

/** A recipe with a further ink, printed last; on a dark stock a white is printed first, under the others. */
export function withInkInOrder(recipe: Recipe, ink: Ink): Recipe {
  const added = withInks(recipe, [ink]);
  if (!isDark(recipe.stock) || !isWhite(ink)) return added;
  const plates = added.plates.filter((plate) => plate.ink !== ink.id);
  const own = added.plates.filter((plate) => plate.ink === ink.id);
  return { ...added, plates: [...own, ...plates] };
}

/**
 * A recipe in which another ink stands for one: its plate, its screen and whatever prints in it stay. What was measured of overprints with the ink before is
 * let go.
 */
export const exchangedInk = (recipe: Recipe, id: string, next: ShelfInk): Recipe => ({
  ...recipe,
  inks: recipe.inks.map((ink) => (ink.id === id ? { ...next, id } : ink)),
  overprints: recipe.overprints.filter(({ inks }) => !inks.includes(id)),
});
