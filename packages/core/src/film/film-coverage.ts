import { plateArt } from '../plate/plate-art.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { bitAt } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';

/** The coverage a plate asks for without its line work, which is to be laid over it; what that leaves bare is. */
export function tonesUnderLines(scene: Scene, plate: number, frame: Frame, region: Region): Plane {
  const { tone, line } = plateArt(scene, plate, frame, region);
  if (line)
    for (let y = 0, i = 0; y < region.height; y++)
      for (let x = 0; x < region.width; x++, i++) if (bitAt(line.bare, x, y)) tone.data[i] = 0;
  return tone;
}

/** What a plate's film carries of the tones that are asked of it: against the press's gain, within the limits of dots. */
export function toFilmCoverage(recipe: Recipe, plate: number, asked: Plane): Plane {
  const { table } = dotTransfer(recipe, plate);
  if (table) for (let i = 0; i < asked.data.length; i++) asked.data[i] = table[asked.data[i]];
  return asked;
}

/** Rows of tones that are made at once. */
export const toneRows = ({ width, height }: Pick<Frame, 'width' | 'height'>): number =>
  Math.min(height, Math.max(8, Math.floor((1 << 20) / width)));
