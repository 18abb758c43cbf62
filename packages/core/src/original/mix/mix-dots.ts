import type { Bits } from '../../raster/bits.ts';
import type { Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { readInto } from '../../raster/read-rows.ts';
import { screened } from '../../screen/screened.ts';
import { toneRows, toTones } from '../../tone/tone-rows.ts';
import type { Frame } from '../../raster/frame.ts';
import { letteringLayers } from '../lettering-layers.ts';
import { readOriginal } from '../read-original.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';

/** The dots of its own that an original is mixed with, in a region of a grid. It must have some. */
export const mixDots = (original: OriginalRecipe, materials: Materials, frame: Frame, region: Region): Bits =>
  screened(original.mix!.screen, frame, region, (on, part, out) =>
    tonesOf(original, materials, on, part, out),
  );

/** An original's own tones, or those its letters are filled with. */
function tonesOf(
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  part: Region,
  plane: Plane,
): Plane {
  if (original.content.kind === 'lettering') {
    return letteringLayers(original, materials, frame, part).fill?.tone ?? plane;
  }
  const { source, toSource } = readOriginal(original, materials, frame);
  const rows = toneRows(source, original.tone);
  readInto(rows, toTones(toSource, source, rows), part, plane);
  return plane;
}
