import { luma709 } from '../colour/luma.ts';
import { encode8 } from '../colour/srgb.ts';
import { SOLID } from '../raster/plane.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { reachErrors } from './reach.ts';
import { inkSetOf } from '../recipe/ink-set.ts';
import { routeModel } from '../separation/route.ts';
import { plateCoverage } from '../plate/plate-art.ts';
import { frameOf } from '../recipe/frame.ts';
import { layPixels, originalPixels } from '../original/original-pixels.ts';
import type { SceneView } from './plates-view.ts';

/** Hard edges are drawn so many times as fine as the screen each way. */
const FINE = 3;

/**
 * The tone a plate asks for, before it is screened, as grey that reflects as much light as the ink leaves bare. It is
 * read on a grid of about the screen's own pixels, from the same evaluator.
 *
 * @param ends colours (red, green, blue, 0–255) for what its screen makes solid, or as large a dot as it may, and for
 *             what it leaves bare
 */
export function toneView(
  request: SceneView,
  plate: number,
  ends?: { readonly solid: readonly number[]; readonly bare: readonly number[] },
): Uint8ClampedArray<ArrayBuffer> {
  const { scene } = request;
  const { grid, region } = screenGrid(request);
  const { data } = plateCoverage(scene, plate, grid, region);
  const rgba = new Uint8ClampedArray(data.length * 4);
  for (let i = 0; i < data.length; i++) {
    const grey = encode8(1 - data[i] / SOLID);
    rgba[i * 4] = rgba[i * 4 + 1] = rgba[i * 4 + 2] = grey;
    rgba[i * 4 + 3] = 255;
  }
  if (ends) {
    const transfer = dotTransfer(scene.recipe, plate);
    const most = transfer.made(SOLID);
    for (let i = 0; i < data.length; i++) {
      const made = transfer.made(data[i]);
      if (made === 0) rgba.set(ends.bare, i * 4);
      else if (made === most) rgba.set(ends.solid, i * 4);
    }
  }
  return rgba;
}

/** The ruby that covers what is cut away. */
const RUBY = [168, 31, 61];

/**
 * The originals in their own colours as they lie on the sheet; clear where there is none.
 *
 * @param cutting id of the original whose cut-out is looked at: what is cut away of it is shown in ruby
 */
export function originalView(request: SceneView, cutting?: string): Uint8ClampedArray<ArrayBuffer> {
  const { scene } = request;
  const { grid, region } = screenGrid(request);
  const rgba = new Uint8ClampedArray(region.width * region.height * 4);
  for (const original of scene.recipe.originals) {
    if (!original.shown) continue;
    const pixels = originalPixels(original, scene, grid, region, FINE);
    if (original.id === cutting)
      layRuby(rgba, pixels, originalPixels(original, scene, grid, region, 1, 'uncut'));
    layPixels(rgba, pixels);
  }
  return rgba;
}

/** Lays what is in `whole` but not in `left` in ruby, with the picture still to be seen through it. */
function layRuby(rgba: Uint8ClampedArray, left: Uint8ClampedArray, whole: Uint8ClampedArray): void {
  const ruby = new Uint8ClampedArray(rgba.length);
  for (let i = 0; i < ruby.length; i += 4) {
    if (whole[i + 3] === 0 || left[i + 3] === 255) continue;
    const grey = luma709(whole[i], whole[i + 1], whole[i + 2]);
    for (let k = 0; k < 3; k++) ruby[i + k] = RUBY[k] * 0.78 + grey * 0.22;
    ruby[i + 3] = whole[i + 3];
  }
  layPixels(rgba, ruby);
}

/** CIEDE2000 up to which a colour counts as reached, and from which on it is shown in full ruby. */
export const REACH = { reached: 2, far: 12 } as const;

/** An original in greys, in ruby where its inks do not reach its colours: the more so the farther off they stay. */
export function reachView(request: SceneView, id: string): Uint8ClampedArray<ArrayBuffer> {
  const { scene } = request;
  const { grid, region } = screenGrid(request);
  const rgba = originalView(request);
  const original = scene.recipe.originals.find((one) => one.id === id);
  const model = original?.shown ? routeModel(original.route, inkSetOf(scene.recipe)) : undefined;
  const errors = original && model && reachErrors(original, model, scene, grid, region);
  for (let i = 0; i < rgba.length; i += 4) {
    const grey = 128 + 0.5 * luma709(rgba[i], rgba[i + 1], rgba[i + 2]) * (rgba[i + 3] / 255);
    const error = errors ? errors[i / 4] : -1;
    const share =
      error < 0 ? 0 : Math.min(1, Math.max(0, (error - REACH.reached) / (REACH.far - REACH.reached)));
    for (let k = 0; k < 3; k++) rgba[i + k] = grey + (RUBY[k] - grey) * share;
    rgba[i + 3] = 255;
  }
  return rgba;
}

/** A grid whose pixels are the view's screen pixels, and the region of it that the rows of the view cover. */
export function screenGrid({ scene, frame, view, rows }: SceneView) {
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
