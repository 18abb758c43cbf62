import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { Recipe } from '../recipe/recipe.ts';

/** A rectangle in mm. */
export interface MmBox {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where things lie on a film, counted from its left top corner. */
export interface FilmLayout {
  /** Film pixels per inch. */
  readonly resolution: number;
  /** The whole film. */
  readonly width: number;
  readonly height: number;
  /** The same in mm, as whole film pixels make it. */
  readonly mm: { readonly width: number; readonly height: number };
  /** The plate's grid, and the film's pixels that it takes up: the sheet with its bleed. */
  readonly frame: Frame;
  readonly plate: Region;
  /** The sheet once it is trimmed, mm. */
  readonly trim: MmBox;
}

/** The layout of a recipe's films: the same for all its plates, so that they register. */
export function filmLayout({ sheet }: Pick<Recipe, 'sheet'>): FilmLayout {
  const frame = filmFrame({ sheet });
  const { width, height, resolution } = frame;
  const mm = (pixels: number) => (pixels / resolution) * MM_PER_INCH;
  return {
    resolution,
    width,
    height,
    mm: { width: mm(width), height: mm(height) },
    frame,
    plate: { x: 0, y: 0, width, height },
    trim: { x: sheet.bleed, y: sheet.bleed, width: sheet.width, height: sheet.height },
  };
}
