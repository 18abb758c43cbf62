import { bitAt } from '../raster/bits.ts';
import { SOLID } from '../raster/plane.ts';
import { bands } from '../raster/region.ts';
import { frameOf } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { plateArt } from './plate-art.ts';
import { dotTransfer } from './plate-transfer.ts';

/** Pixels per inch at which a plate's share of ink is told from its tones. */
const COUNTED_AT = 150;

/** Share of a plate that its tones, within the limits of its dots, and its line work ink, 0–1. */
export function askedShare(scene: Scene, plate: number): number {
  const grid = frameOf(scene.recipe.sheet, COUNTED_AT);
  const { table } = dotTransfer(scene.recipe, plate);
  let sum = 0;
  for (const band of bands({ x: 0, y: 0, width: grid.width, height: grid.height }, 1 << 20, 8)) {
    const { tone, line } = plateArt(scene, plate, grid, band);
    for (let y = 0, i = 0; y < band.height; y++) {
      for (let x = 0; x < band.width; x++, i++) {
        if (line && bitAt(line.ink, x, y)) sum += SOLID;
        else if (!line || !bitAt(line.bare, x, y)) sum += table ? table[tone.data[i]] : tone.data[i];
      }
    }
  }
  return sum / SOLID / (grid.width * grid.height);
}
