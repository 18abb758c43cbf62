import type { Recipe } from '../recipe/recipe.ts';

/** Where squares of a sheet lie that stand for all of it, as shares of what they can move. */
export const PLACES: readonly (readonly [number, number])[] = [
  [0.5, 0.5],
  [0.2, 0.3],
  [0.75, 0.2],
  [0.3, 0.8],
  [0.85, 0.75],
];

/** A square of the sheet as a sheet of its own, without what was painted on plates. */
export const squareOf = (recipe: Recipe, x: number, y: number, side: number): Recipe => ({
  ...recipe,
  sheet: { ...recipe.sheet, width: side, height: side, bleed: 0 },
  originals: recipe.originals.map((original) => ({
    ...original,
    placement: { ...original.placement, x: original.placement.x - x, y: original.placement.y - y },
  })),
  plates: recipe.plates.map((plate) => ({ ...plate, strokes: [], shift: { x: 0, y: 0, turn: 0 } })),
});
