import type { Recipe } from '@brachytone/core';

/** Recipes that a worker keeps: those drawn by now, on the table and in the rack, before a movement and after. */
const MOST = 24;

/**
 * Recipes by number, on either side of a worker: one is sent once, and not again with every strip that is drawn by it. Both sides drop the oldest alike.
 */
export class KeptRecipes {
  private readonly numbers = new Map<Recipe, number>();
  private readonly recipes = new Map<number, Recipe>();
  private next = 0;

  /** The number of a recipe, and whether it is new and has to be sent. */
  numberOf(recipe: Recipe): { readonly number: number; readonly isNew: boolean } {
    const known = this.numbers.get(recipe);
    if (known !== undefined) return { number: known, isNew: false };
    this.keep(this.next, recipe);
    return { number: this.next++, isNew: true };
  }

  keep(number: number, recipe: Recipe): void {
    this.numbers.set(recipe, number);
    this.recipes.set(number, recipe);
    if (this.recipes.size <= MOST) return;
    const [[oldest, dropped]] = this.recipes;
    this.recipes.delete(oldest);
    this.numbers.delete(dropped);
  }

  /** @throws RangeError for one that is not kept, or no longer */
  recipe(number: number): Recipe {
    const recipe = this.recipes.get(number);
    if (!recipe) throw new RangeError(`Recipe ${number} is not kept.`);
    return recipe;
  }
}
