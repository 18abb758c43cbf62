import type { AxisMap } from '../raster/resample.ts';
import type { Picture } from '../raster/picture.ts';
import type { Pyramid } from '../raster/pyramid.ts';
import { chooseLevel } from '../raster/pyramid.ts';
import type { Region } from '../raster/region.ts';
import { MM_PER_INCH, mmToPixels, type Frame } from './frame.ts';
import type { Crop, OriginalRecipe, Placement } from './recipe.ts';

/** Height in mm of a placed original: its cropped picture is never stretched. */
export const placedHeight = (
  placement: Placement,
  crop: Crop,
  picture: { width: number; height: number },
): number => (placement.width * crop.height * picture.height) / (crop.width * picture.width);

/** Effective resolution: pixels of the picture on each inch of the sheet. */
export const effectiveResolution = (original: OriginalRecipe, picture: { width: number }): number =>
  (original.crop.width * picture.width) / (original.placement.width / MM_PER_INCH);

/** An original set on a grid: which pixels it covers, and where they read the chosen level of its picture. */
export interface Placed {
  readonly region: Region;
  readonly level: Picture;
  readonly mapX: AxisMap;
  readonly mapY: AxisMap;
}

/** Sets an original on a grid. A pixel belongs to it when the pixel's centre lies inside its box. */
export function placeOriginal(original: OriginalRecipe, pyramid: Pyramid, frame: Frame): Placed {
  const { crop, placement } = original;
  const left = mmToPixels(placement.x, frame);
  const top = mmToPixels(placement.y, frame);
  const width = mmToPixels(placement.width, frame);
  const height = mmToPixels(placedHeight(placement, crop, pyramid), frame);
  const step = (crop.width * pyramid.width) / width;
  const levelIndex = chooseLevel(pyramid, step);
  const scale = 2 ** levelIndex;
  const x = Math.ceil(left - 0.5);
  const y = Math.ceil(top - 0.5);
  return {
    region: { x, y, width: Math.ceil(left + width - 0.5) - x, height: Math.ceil(top + height - 0.5) - y },
    level: pyramid.levels[levelIndex]!,
    mapX: { origin: (crop.x * pyramid.width - left * step) / scale, step: step / scale },
    mapY: { origin: (crop.y * pyramid.height - top * step) / scale, step: step / scale },
  };
}
