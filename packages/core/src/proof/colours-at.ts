import { linearToLab, xyzToLab, type Lab } from '../colour/lab.ts';
import { linearOf8 } from '../colour/srgb.ts';
import { wideToXyz } from '../colour/wide-rgb.ts';
import { inkModel, predict } from '../ink/model.ts';
import { SOLID } from '../raster/plane.ts';
import type { Frame } from '../raster/frame.ts';
import type { Picture } from '../raster/picture.ts';
import { fullSample, hasAlpha } from '../raster/picture.ts';
import { routeModel } from '../separation/route.ts';
import { targetOf } from '../separation/target.ts';
import { inkSetOf } from '../recipe/ink-set.ts';
import { groundOf, hasGround } from './ground.ts';
import { originalPixels } from '../original/original-pixels.ts';
import { plateCoverage } from '../plate/plate-art.ts';
import { dotTransfer } from '../plate/plate-transfer.ts';
import { asPrinted } from '../recipe/as-printed.ts';
import { isPlated } from '../recipe/plated.ts';
import type { Scene } from '../recipe/scene.ts';

/** Colours of a picture's pixels as Lab; what is clear is left out. */
export function labsOf(picture: Picture): Lab[] {
  const { data, channels } = picture;
  const scale = 255 / fullSample(picture);
  const alpha = hasAlpha(picture) ? channels - 1 : -1;
  const out: Lab[] = [];
  for (let i = 0; i < data.length; i += channels) {
    if (alpha >= 0 && data[i + alpha] * scale < 128) continue;
    const at = (k: number) => linearOf8(Math.round(data[i + (channels < 3 ? 0 : k)] * scale));
    out.push(linearToLab(at(0), at(1), at(2)));
  }
  return out;
}

/**
 * What is asked for and what is predicted to be printed at a pixel of a grid, as Lab.
 *
 * @returns nothing asked where the uppermost original is not separated by the ink model
 */
export function coloursAt(
  scene: Scene,
  frame: Frame,
  x: number,
  y: number,
): { asked: Lab | undefined; printed: Lab } {
  const { recipe } = scene;
  const region = { x, y, width: 1, height: 1 };
  const inkSet = inkSetOf(recipe);
  const print = asPrinted(recipe);
  const amounts = recipe.plates.map(({ printed }, plate) =>
    printed ? dotTransfer(print, plate).made(plateCoverage(scene, plate, frame, region).data[0]) / SOLID : 0,
  );
  const under = hasGround(recipe) ? groundAt(scene, frame, x, y) : inkSet.stock.lab;
  const printed = predict(inkModel({ ...inkSet.stock, lab: under }, inkSet.inks, inkSet.overprints), amounts);
  for (const original of recipe.originals.toReversed()) {
    if (!isPlated(original)) continue;
    const [r, g, b, alpha] = originalPixels(original, scene, frame, region, 1);
    if (alpha < 128) continue;
    const separation = routeModel(original.route, inkSet);
    if (!separation) return { asked: undefined, printed };
    const target = targetOf(separation.model, separation.limit / 100);
    return { asked: target(r / 255, g / 255, b / 255), printed };
  }
  return { asked: undefined, printed };
}

/** Colour of what is on the stock already at a pixel of a grid. */
function groundAt(scene: Scene, frame: Frame, x: number, y: number): Lab {
  const view = { x, y, width: 1, height: 1, columns: 1, rows: 1 };
  const { light } = groundOf({ scene, frame, view, rows: { first: 0, count: 1 } });
  return xyzToLab(wideToXyz([light[0][0], light[1][0], light[2][0]]));
}
