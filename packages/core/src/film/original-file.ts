import { colourPng } from './png.ts';
import type { Sink } from './sink.ts';
import { bands, type Region } from '../raster/region.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Frame } from '../raster/frame.ts';
import { originalPixels } from '../original/original-pixels.ts';
import { placeOriginal } from '../original/place-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';

/** Pixels made at once. */
const STRIP_PIXELS = 1 << 18;

/** The pixels an original by itself takes up at a resolution; it may reach beyond the sheet. */
export function originalArea(
  original: OriginalRecipe,
  scene: Scene,
  resolution: number,
): { frame: Frame; region: Region } {
  const frame = frameOf(scene.recipe.sheet, resolution);
  const { seen } = placeOriginal({ original, materials: scene, frame });
  return { frame, region: { ...seen, width: Math.max(1, seen.width), height: Math.max(1, seen.height) } };
}

/**
 * Writes an original by itself as a transparent PNG: in its own colours, cut out, faded and mixed, with hard dots of the
 * resolution's own pixels.
 */
export function writeOriginal(original: OriginalRecipe, scene: Scene, resolution: number, sink: Sink): void {
  const { frame, region } = originalArea(original, scene, resolution);
  const { width, height } = region;
  const png = colourPng(sink, { width, height, resolution, description: original.name });
  for (const band of bands(region, STRIP_PIXELS)) png.rows(originalPixels(original, scene, frame, band, 1));
  png.finish();
}
