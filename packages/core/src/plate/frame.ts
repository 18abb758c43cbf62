import type { Recipe, Sheet } from './recipe.ts';

export const MM_PER_INCH = 25.4;

/** The grid of device pixels a plate is made on. Its left top corner is that of the bleed. */
export interface Frame {
  readonly width: number;
  readonly height: number;
  /** Pixels per inch. */
  readonly resolution: number;
  /** From the grid's corner to the trimmed sheet's, mm each way. */
  readonly bleed: number;
  /** True for a first picture that is soon drawn over: its screens may be a little off in ruling and angle. */
  readonly draft?: boolean;
}

/** The grid of a sheet with its bleed at a resolution: each side in mm ÷ 25.4 · resolution, to the nearest pixel. */
export const frameOf = (sheet: Pick<Sheet, 'width' | 'height' | 'bleed'>, resolution: number): Frame => ({
  width: Math.max(1, Math.round(((sheet.width + 2 * sheet.bleed) / MM_PER_INCH) * resolution)),
  height: Math.max(1, Math.round(((sheet.height + 2 * sheet.bleed) / MM_PER_INCH) * resolution)),
  resolution,
  bleed: sheet.bleed,
});

/** The grid of the films. */
export const filmFrame = (recipe: Recipe): Frame => frameOf(recipe.sheet, recipe.sheet.resolution);

/** Millimetres to pixels of a grid. */
export const mmToPixels = (mm: number, frame: Frame): number => (mm / MM_PER_INCH) * frame.resolution;
