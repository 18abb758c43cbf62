import { encode8 } from '../colour/srgb.ts';
import { SOLID } from '../raster/plane.ts';
import { fullSample } from '../raster/picture.ts';
import { intersect, isEmpty } from '../raster/region.ts';
import { plateCoverage } from './coverage.ts';
import { frameOf, type Frame } from './frame.ts';
import { placeOriginal } from './placed.ts';
import type { View, ViewRows } from './proof.ts';
import type { Scene } from './scene.ts';

/**
 * The tone a plate asks for, before it is screened, as grey that reflects as much light as the ink leaves bare. It is
 * read on a grid of about the screen's own pixels, from the same evaluator.
 */
export function toneView(
  scene: Scene,
  plate: number,
  frame: Frame,
  view: View,
  rows: ViewRows,
): Uint8ClampedArray<ArrayBuffer> {
  const { grid, region } = screenGrid(scene, frame, view, rows);
  const { data } = plateCoverage(scene, plate, grid, region);
  const rgba = new Uint8ClampedArray(data.length * 4);
  for (let i = 0; i < data.length; i++) {
    const grey = encode8(1 - data[i] / SOLID);
    rgba[i * 4] = rgba[i * 4 + 1] = rgba[i * 4 + 2] = grey;
    rgba[i * 4 + 3] = 255;
  }
  return rgba;
}

/** The originals in their own colours as they lie on the sheet; clear where there is none. */
export function originalView(
  scene: Scene,
  frame: Frame,
  view: View,
  rows: ViewRows,
): Uint8ClampedArray<ArrayBuffer> {
  const { grid, region } = screenGrid(scene, frame, view, rows);
  const rgba = new Uint8ClampedArray(region.width * region.height * 4);
  for (const original of scene.recipe.originals) {
    const pyramid = scene.pictures.get(original.picture);
    if (!pyramid) throw new Error(`The picture of “${original.name}” is missing.`);
    const { region: box, level, mapX, mapY } = placeOriginal(original, pyramid, grid);
    const part = intersect(box, region);
    if (isEmpty(part)) continue;
    const { channels, data } = level;
    const scale = 255 / fullSample(level);
    for (let y = part.y; y < part.y + part.height; y++) {
      const row = Math.min(level.height - 1, Math.max(0, Math.floor(mapY.origin + (y + 0.5) * mapY.step)));
      for (let x = part.x; x < part.x + part.width; x++) {
        const column = Math.min(
          level.width - 1,
          Math.max(0, Math.floor(mapX.origin + (x + 0.5) * mapX.step)),
        );
        const from = (row * level.width + column) * channels;
        const to = ((y - region.y) * region.width + (x - region.x)) * 4;
        const alpha = channels === 2 || channels === 4 ? data[from + channels - 1] * scale : 255;
        const share = alpha / 255;
        for (let k = 0; k < 3; k++) {
          const sample = data[from + (channels < 3 ? 0 : k)] * scale;
          rgba[to + k] = sample * share + rgba[to + k] * (1 - share);
        }
        rgba[to + 3] = Math.max(rgba[to + 3], alpha);
      }
    }
  }
  return rgba;
}

/** A grid whose pixels are the view's screen pixels, and the region of it that the rows of the view cover. */
function screenGrid(scene: Scene, frame: Frame, view: View, rows: ViewRows) {
  const step = view.width / view.columns;
  const grid = frameOf(scene.recipe.sheet, frame.resolution / step);
  return {
    grid,
    region: {
      x: Math.round(view.x / step),
      y: Math.round(view.y / step) + rows.first,
      width: view.columns,
      height: rows.count,
    },
  };
}
