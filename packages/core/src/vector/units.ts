import { filmFrame } from '../recipe/frame.ts';
import type { Recipe } from '../recipe/recipe.ts';
import { rectangle, type Area } from '../path/area.ts';
import { MM_PER_INCH, type Frame } from '../raster/frame.ts';

/** What a file of geometry is drawn in: whole units, so many to a millimetre, on a grid of which each is a pixel. */
export interface Units {
  readonly perMm: number;
  readonly frame: Frame;
  /** The grid of the film: pictures are read as finely as for it. */
  readonly film: Frame;
  /** Units that curves may stray by where they have to be made of straight lines. */
  readonly tolerance: number;
}

/** Millimetres that curves may stray by. */
const STRAYS = 0.001;

export const unitsOf = ({ sheet }: Pick<Recipe, 'sheet'>, perMm: number): Units => ({
  perMm,
  film: filmFrame({ sheet }),
  tolerance: Math.max(0.5, STRAYS * perMm),
  frame: {
    width: Math.round((sheet.width + 2 * sheet.bleed) * perMm),
    height: Math.round((sheet.height + 2 * sheet.bleed) * perMm),
    resolution: perMm * MM_PER_INCH,
    bleed: sheet.bleed,
  },
});

/** All of the film, which is the sheet with its bleed to the nearest film pixel, in units of the file. */
export function filmArea({ film, frame }: Units): Area {
  const scale = frame.resolution / film.resolution;
  return rectangle({
    left: 0,
    top: 0,
    right: Math.round(film.width * scale),
    foot: Math.round(film.height * scale),
  });
}
