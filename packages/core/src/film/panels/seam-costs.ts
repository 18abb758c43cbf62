import { labToWide } from '../../colour/wide-rgb.ts';
import { mmToPixels } from '../../raster/frame.ts';
import { plateCoverage } from '../../plate/plate-art.ts';
import { SOLID } from '../../raster/plane.ts';
import { inkOf } from '../../ink/ink-of.ts';
import type { Panels } from '../../recipe/panels.ts';
import type { Scene } from '../../recipe/scene.ts';
import { filmLayout } from '../film-layout.ts';
import { withoutMarks } from '../../recipe/marks.ts';

/** Pixels per inch that a film is looked at with: a seam is 1 mm wide or so. */
const RESOLUTION = 25.4;
/** What a seam through something that is to stay whole costs, for each mm: more than any picture. */
const WHOLE = 1e6;
/** Steps of places, mm. */
export const SEAM_STEP = 1;

/**
 * What seams cost, place by place across the film and down it: the contrast they cut through, in light, as steps from each side of a seam to the
 * other.
 */
export function seamCosts(scene: Scene, panels: Panels): { across: Float64Array; down: Float64Array } {
  const recipe = withoutMarks(scene.recipe);
  const bare = { ...scene, recipe };
  const layout = filmLayout(recipe, RESOLUTION);
  const { width, height } = layout.frame;
  const light = new Float64Array(width * height).fill(1);
  for (const [plate, { ink, printed }] of recipe.plates.entries()) {
    if (!printed) continue;
    const { data } = plateCoverage(bare, plate, layout.frame, { x: 0, y: 0, width, height });
    // How dark the ink is: the light its solid keeps.
    const [r, g, b] = labToWide(inkOf(recipe.inks, ink).lab);
    const dark = 1 - (r + g + b) / 3;
    for (let i = 0; i < light.length; i++) light[i] *= 1 - (data[i] / SOLID) * dark;
  }
  const whole = filmLayout(scene.recipe);
  // The plate lies within the slug.
  const slug = whole.trim.x - recipe.sheet.bleed;
  const across = new Float64Array(Math.floor(whole.mm.width / SEAM_STEP) + 1);
  const down = new Float64Array(Math.floor(whole.mm.height / SEAM_STEP) + 1);
  const onPlate = (mm: number) => Math.round(mmToPixels(mm - slug, layout.frame));
  for (let at = 0; at < across.length; at++) {
    const x = onPlate(at * SEAM_STEP);
    if (x < 1 || x >= width - 1) continue;
    for (let y = 0; y < height; y++)
      across[at] += Math.abs(light[y * width + x + 1] - light[y * width + x - 1]);
  }
  for (let at = 0; at < down.length; at++) {
    const y = onPlate(at * SEAM_STEP);
    if (y < 1 || y >= height - 1) continue;
    for (let x = 0; x < width; x++)
      down[at] += Math.abs(light[(y + 1) * width + x] - light[(y - 1) * width + x]);
  }
  const edge = whole.trim.x;
  const half = panels.overlap / 2;
  for (const box of panels.whole) {
    keepWhole(across, edge + box.x - half, edge + box.x + box.width + half, box.height);
    keepWhole(down, edge + box.y - half, edge + box.y + box.height + half, box.width);
  }
  return { across, down };
}

function keepWhole(costs: Float64Array, from: number, to: number, length: number): void {
  for (let at = Math.max(0, Math.ceil(from / SEAM_STEP)); at < costs.length && at * SEAM_STEP < to; at++)
    costs[at] += WHOLE * length;
}
