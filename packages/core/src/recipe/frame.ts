import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import type { Recipe, Sheet } from './recipe.ts';

/** The grid of a sheet with its bleed at a resolution: each side in mm ÷ 25.4 · resolution, to the nearest pixel. */
export const frameOf = (sheet: Pick<Sheet, 'width' | 'height' | 'bleed'>, resolution: number): Frame => ({
  width: Math.max(1, Math.round(((sheet.width + 2 * sheet.bleed) / MM_PER_INCH) * resolution)),
  height: Math.max(1, Math.round(((sheet.height + 2 * sheet.bleed) / MM_PER_INCH) * resolution)),
  resolution,
  bleed: sheet.bleed,
});

/** The grid of the films. */
export const filmFrame = (recipe: Pick<Recipe, 'sheet'>): Frame =>
  frameOf(recipe.sheet, recipe.sheet.resolution);
