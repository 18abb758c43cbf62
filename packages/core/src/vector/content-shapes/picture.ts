import type { PlacedOriginal } from '../../original/place-original.ts';
import { lineThreshold, tracedTones } from '../../original/traced.ts';
import { after, inverse } from '../../raster/affine.ts';
import type { PictureContent } from '../../recipe/recipe.ts';
import { shared } from '../../path/area.ts';
import { levelArea } from '../level-area.ts';
import { flat, type LineShape } from '../line-shape.ts';
import { boxArea, cutArea, filmToUnits } from '../original-areas.ts';
import type { Units } from '../units.ts';
import type { ContentShapes } from './content-shapes.ts';

/** Where a picture's tones reach the threshold of its line work. */
function line({ line }: PictureContent, placed: PlacedOriginal, units: Units): LineShape[] {
  const { original, tones: placedTones } = placed;
  if (!line || !placedTones) return [];
  const { toSource, source, alpha } = placedTones;
  const { tones, toTones } = tracedTones(line, original.tone, source);
  const opaque = alpha && tones.width === alpha.width ? (y: number) => alpha.row(y) : undefined;
  const toUnits = after(inverse(toTones(toSource)), filmToUnits(units));
  const traced = shared(levelArea(tones, lineThreshold(line), opaque, toUnits), boxArea(placed, units));
  const cut = cutArea(placed, units);
  return [flat(cut ? shared(traced, cut) : traced, true)];
}

export const pictureShapes: ContentShapes<PictureContent> = { line };
