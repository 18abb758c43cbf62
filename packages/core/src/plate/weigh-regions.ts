import type { Frame } from '../raster/frame.ts';
import { SOLID, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { PlateRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { curveTransfer } from '../screen/transfer.ts';
import { paintStroke } from '../tone/paint-stroke.ts';
import { sharesOf } from './mask-shares.ts';
import { strokesToGrid } from './strokes-to-grid.ts';

/** Makes a plate's tones heavier or lighter in its regions; line work stays as it is. */
export function weighRegions(
  tone: Plane,
  scene: Scene,
  { regions = [], shift }: PlateRecipe,
  frame: Frame,
  region: Region,
): void {
  for (const { curve, weight, parts, strokes } of regions) {
    const { table } = curveTransfer(curve, weight);
    if (!table || (parts.length === 0 && strokes.length === 0)) continue;
    const share = sharesOf(parts, scene, shift, frame, region);
    const map = strokesToGrid(scene.recipe.sheet, shift, frame, region);
    for (const stroke of strokes) paintStroke(share, stroke, map);
    const { data } = tone;
    for (let i = 0; i < data.length; i++) {
      const [from, to] = [data[i], share.data[i]];
      if (to > 0) data[i] = Math.round(from + ((table[from] - from) * to) / SOLID);
    }
  }
}
