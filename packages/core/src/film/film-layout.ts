import { mmToPixels, MM_PER_INCH, type Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { marksLayout } from './marks/marks-layout.ts';
import type { MmBox } from './marks/mark-art.ts';

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
  /** The whole film as a grid: its bleed is the sheet's and the slug around it. */
  readonly grid: Frame;
  /** The sheet once it is trimmed, mm. */
  readonly trim: MmBox;
}

/**
 * The layout of a recipe's films: the same for all its plates, so that they register. Around the bleed lies a slug as wide on every side,
 * of whole film pixels, where there are marks.
 *
 * @param resolution pixels per inch, the films' own unless given
 */
export function filmLayout(
  recipe: Pick<Recipe, 'sheet' | 'marks' | 'plates'>,
  resolution: number = recipe.sheet.resolution,
): FilmLayout {
  const { sheet } = recipe;
  const frame = frameOf(sheet, resolution);
  const slug = Math.max(0, Math.ceil(mmToPixels(marksLayout(recipe).slug, frame) - 1e-9));
  const [width, height] = [frame.width + 2 * slug, frame.height + 2 * slug];
  const mm = (pixels: number) => (pixels / resolution) * MM_PER_INCH;
  const edge = mm(slug) + sheet.bleed;
  return {
    resolution,
    width,
    height,
    mm: { width: mm(width), height: mm(height) },
    frame,
    plate: { x: slug, y: slug, width: frame.width, height: frame.height },
    grid: { width, height, resolution, bleed: edge },
    trim: { x: edge, y: edge, width: sheet.width, height: sheet.height },
  };
}
