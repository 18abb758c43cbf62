import { SOLID } from '../raster/plane.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { asFilms, asPrinted } from '../recipe/as-printed.ts';
import type { Recipe } from '../recipe/recipe.ts';

const tableOf = (recipe: Recipe, plate: number): Float64Array => {
  const { made } = dotTransfer(recipe, plate);
  return Float64Array.from({ length: 256 }, (_, tone) => made(Math.round((tone * SOLID) / 255)) / SOLID);
};

/** Share of ink on the film, 0–1, by each of the evidence's 256 tones. */
export const filmTones = (recipe: Recipe, plate: number): Float64Array => tableOf(asFilms(recipe), plate);

/** The same in print. */
export const printedTones = (recipe: Recipe, plate: number): Float64Array =>
  tableOf(asPrinted(recipe), plate);
