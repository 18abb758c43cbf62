import type { Recipe } from './recipe.ts';

const prints = new WeakMap<Recipe, Recipe>();

/** A recipe whose plates are what its press prints of its films; the same one where no press is chosen. */
export function asPrinted(recipe: Recipe): Recipe {
  if (!recipe.press || recipe.isPrint) return recipe;
  let print = prints.get(recipe);
  if (!print) prints.set(recipe, (print = { ...recipe, isPrint: true }));
  return print;
}

/** The recipe of the films that a print is made from. */
export function asFilms(recipe: Recipe): Recipe {
  if (!recipe.isPrint) return recipe;
  const { isPrint: _, ...films } = recipe;
  return films;
}
