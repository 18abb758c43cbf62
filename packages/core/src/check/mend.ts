import type { OriginalRecipe, PlateRecipe, Recipe } from '../recipe/recipe.ts';
import type { Press } from '../press/press.ts';
import type { Mend } from './finding.ts';
import { plain } from './words.ts';

/** A mend of one plate. */
export const mendPlate = (
  plate: number,
  label: string,
  change: (plate: PlateRecipe) => Partial<PlateRecipe>,
): Mend => ({
  label,
  change: (recipe) => ({
    ...recipe,
    plates: recipe.plates.map((one, i) => (i === plate ? { ...one, ...change(one) } : one)),
  }),
});

/** A mend of the ruling of some plates. */
export const mendRuling = (plates: readonly number[], ruling: number): Mend => ({
  label: `Ruling ${plain(ruling)} lpi`,
  change: (recipe) => ({
    ...recipe,
    plates: recipe.plates.map((one, i) =>
      plates.includes(i)
        ? { ...one, screen: { ...one.screen, settings: { ...one.screen.settings, ruling } } }
        : one,
    ),
  }),
});

/** A mend of one original. */
export const mendOriginal = (
  id: string,
  label: string,
  change: (original: OriginalRecipe) => Partial<OriginalRecipe>,
): Mend => ({
  label,
  change: (recipe) => ({
    ...recipe,
    originals: recipe.originals.map((one) => (one.id === id ? { ...one, ...change(one) } : one)),
  }),
});

/** A mend of the press's own numbers. */
export const mendPress = (label: string, change: (press: Press) => Partial<Press>): Mend => ({
  label,
  change: (recipe) =>
    recipe.press
      ? {
          ...recipe,
          press: { ...recipe.press, press: { ...recipe.press.press, ...change(recipe.press.press) } },
        }
      : recipe,
});

/** A mend of the sheet. */
export const mendSheet = (label: string, sheet: Partial<Recipe['sheet']>): Mend => ({
  label,
  change: (recipe) => ({ ...recipe, sheet: { ...recipe.sheet, ...sheet } }),
});

/** Plates whose screens have a setting of the same value as one of them: they are changed together. */
export const alike = ({ plates }: Recipe, plate: number, setting: string): number[] =>
  plates.flatMap(({ screen }, i) =>
    screen.kind === plates[plate].screen.kind &&
    screen.settings[setting] === plates[plate].screen.settings[setting]
      ? [i]
      : [],
  );
