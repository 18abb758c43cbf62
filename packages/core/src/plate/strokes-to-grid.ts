import { after, moved, scaled, type Affine } from '../raster/affine.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';
import type { Sheet, Shift } from '../recipe/recipe.ts';

/** The way from a plate's strokes, in shares of the sheet's width, to the pixels of a region. */
export function strokesToGrid(sheet: Sheet, shift: Shift, frame: Frame, region: Region): Affine {
  const pixels = mmToPixels(1, frame);
  return after(
    scaled(sheet.width * pixels),
    moved((frame.bleed + shift.x) * pixels - region.x, (frame.bleed + shift.y) * pixels - region.y),
  );
}
