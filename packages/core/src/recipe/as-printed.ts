import type { Recipe } from './recipe.ts';

const prints = new WeakMap<Recipe, Recipe>();

/** A recipe whose plates are what its press prints of its films; the same one where no press is chosen. */
export function asPrinted(recipe: Recipe): Recipe {
  if (!recipe.press || recipe.isPrint) return recipe;
  let print = prints.get(recipe);
  if (!print) prints.set(recipe, (print = { ...recipe, isPrint: true }));
  return print;
}

/** A print with what its mesh's threads stop; the same where it has no mesh. */
export const asPrintedThroughMesh = (recipe: Recipe): Recipe =>
  recipe.press?.press.mesh ? { ...asPrinted(recipe), throughMesh: true } : asPrinted(recipe);

/** The recipe of the films that a print is made from. */
export function asFilms(recipe: Recipe): Recipe {
  if (!recipe.isPrint) return recipe;
  const { isPrint: _, throughMesh: _mesh, ...films } = recipe;
  return films;
}
