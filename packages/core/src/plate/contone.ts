import { encode8 } from '../colour/srgb.ts';
import { mapPoint } from '../raster/affine.ts';
import { fullSample, hasAlpha, type Picture } from '../raster/picture.ts';
import { SOLID } from '../raster/plane.ts';
import { bitAt } from '../raster/bits.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { limitCoverage } from '../screen/dot-limits.ts';
import { NO_TONE } from '../tone/tone.ts';
import type { ToneSource } from '../tone/tone-rows.ts';
import { plateCoverage } from './coverage.ts';
import { frameOf, type Frame } from './frame.ts';
import type { View, ViewRows } from './proof.ts';
import { lineBits } from './line-work.ts';
import { readOriginal } from './read-original.ts';
import type { OriginalRecipe } from './recipe.ts';
import type { Scene } from './scene.ts';

/**
 * The tone a plate asks for, before it is screened, as grey that reflects as much light as the ink leaves bare. It is
 * read on a grid of about the screen's own pixels, from the same evaluator.
 *
 * @param ends colours (red, green, blue, 0–255) for what its screen makes solid, or as large a dot as it may, and for
 *             what it leaves bare
 */
export function toneView(
  scene: Scene,
  plate: number,
  frame: Frame,
  view: View,
  rows: ViewRows,
  ends?: { readonly solid: readonly number[]; readonly bare: readonly number[] },
): Uint8ClampedArray<ArrayBuffer> {
  const { grid, region } = screenGrid(scene, frame, view, rows);
  const { data } = plateCoverage(scene, plate, grid, region);
  const rgba = new Uint8ClampedArray(data.length * 4);
  for (let i = 0; i < data.length; i++) {
    const grey = encode8(1 - data[i] / SOLID);
    rgba[i * 4] = rgba[i * 4 + 1] = rgba[i * 4 + 2] = grey;
    rgba[i * 4 + 3] = 255;
  }
  if (ends) {
    const { screen } = scene.recipe.plates[plate];
    const most = limitCoverage(screen, SOLID);
    for (let i = 0; i < data.length; i++) {
      const made = limitCoverage(screen, data[i]);
      if (made === 0) rgba.set(ends.bare, i * 4);
      else if (made === most) rgba.set(ends.solid, i * 4);
    }
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
    if (!original.shown) continue;
    if (original.content.kind === 'drawing') {
      layDrawing(rgba, scene, original, grid, region);
      continue;
    }
    const { region: box, toBox, toSource, source } = readOriginal(original, scene, grid);
    const part = intersect(box, region);
    if (isEmpty(part)) continue;
    const picture = source.picture ?? greysOf(source);
    for (let y = part.y; y < part.y + part.height; y++) {
      for (let x = part.x; x < part.x + part.width; x++) {
        const share = mapPoint(toBox, x + 0.5, y + 0.5);
        if (share.x < 0 || share.x >= 1 || share.y < 0 || share.y >= 1) continue;
        const at = mapPoint(toSource, x + 0.5, y + 0.5);
        layPixel(rgba, ((y - region.y) * region.width + (x - region.x)) * 4, picture, at);
      }
    }
  }
  return rgba;
}

/** Lays a drawing, drawn four times as fine, over pixels that are there already: dark in black, light in white. */
function layDrawing(
  rgba: Uint8ClampedArray,
  scene: Scene,
  original: OriginalRecipe,
  grid: Frame,
  region: Region,
): void {
  const fine = { ...grid, resolution: grid.resolution * 4 };
  const wide = { x: region.x * 4, y: region.y * 4, width: region.width * 4, height: region.height * 4 };
  const { ink, bare } = lineBits(original, scene, fine, wide);
  for (let y = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++) {
      let [dark, light] = [0, 0];
      for (let k = 0; k < 16; k++) {
        dark += bitAt(ink, 4 * x + (k & 3), 4 * y + (k >> 2));
        light += bitAt(bare, 4 * x + (k & 3), 4 * y + (k >> 2));
      }
      const share = (dark + light) / 16;
      if (share === 0) continue;
      const to = (y * region.width + x) * 4;
      const grey = (255 * light) / (dark + light);
      for (let k = 0; k < 3; k++) rgba[to + k] = grey * share + rgba[to + k] * (1 - share);
      rgba[to + 3] = Math.max(rgba[to + 3], 255 * share);
    }
  }
}

/** The greys of a source that is no picture, before any tone step. */
function greysOf(source: ToneSource): Picture {
  const whole = { x: 0, y: 0, width: source.width, height: source.height };
  const light = Uint16Array.from({ length: SOLID + 1 }, (_, i) => SOLID - i);
  const { data } = source.coverage(NO_TONE, light, whole);
  return { width: source.width, height: source.height, channels: 1, data };
}

/** Lays the nearest pixel of a picture over a pixel that is there already. */
function layPixel(rgba: Uint8ClampedArray, to: number, picture: Picture, at: { x: number; y: number }): void {
  const { channels, data, width, height } = picture;
  const column = Math.min(width - 1, Math.max(0, Math.floor(at.x)));
  const row = Math.min(height - 1, Math.max(0, Math.floor(at.y)));
  const scale = 255 / fullSample(picture);
  const from = (row * width + column) * channels;
  const alpha = hasAlpha(picture) ? data[from + channels - 1] * scale : 255;
  const share = alpha / 255;
  for (let k = 0; k < 3; k++) {
    const sample = data[from + (channels < 3 ? 0 : k)] * scale;
    rgba[to + k] = sample * share + rgba[to + k] * (1 - share);
  }
  rgba[to + 3] = Math.max(rgba[to + 3], alpha);
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
