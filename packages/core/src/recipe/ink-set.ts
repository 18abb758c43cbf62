import { inkOf } from '../ink/ink-of.ts';
import type { InkSet } from '../ink/ink-set.ts';
import type { Recipe } from './recipe.ts';

/** The inks of a recipe's plates, in their order. */
export const inkSetOf = ({ stock, plates, inks, overprints }: Recipe): InkSet => ({
  stock,
  inks: plates.map(({ ink }) => inkOf(inks, ink)),
  overprints,
});
