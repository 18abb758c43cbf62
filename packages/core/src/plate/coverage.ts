import { createPlane, type Plane } from '../raster/plane.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { firstTap, resampleInto } from '../raster/resample.ts';
import { greyCoverage, opacity } from '../tone/grey.ts';
import { toneTable } from '../tone/tone-table.ts';
import type { Frame } from './frame.ts';
import { placeOriginal, type Placed } from './placed.ts';
import type { Scene } from './scene.ts';

/**
 * The coverage a plate asks for, before it is screened: its originals in sheet order, each covering what lies under it
 * as far as it is opaque.
 *
 * @param plate  index among the recipe's plates
 * @param region in pixels of the frame; beyond the frame is bare
 * @param out    bare, of the region's size; a new plane unless given
 */
export function plateCoverage(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
): Plane {
  const { recipe, pictures } = scene;
  const ink = recipe.plates[plate].ink;
  const sheet = { x: 0, y: 0, width: frame.width, height: frame.height };
  for (const original of recipe.originals) {
    const pyramid = pictures.get(original.picture);
    if (!pyramid) throw new Error(`The picture of “${original.name}” is missing.`);
    const placed = placeOriginal(original, pyramid, frame);
    const part = intersect(intersect(placed.region, region), sheet);
    if (isEmpty(part)) continue;
    const window = windowOf(placed, part);
    const source = { fullWidth: placed.level.width, fullHeight: placed.level.height, ...window };
    const printed = original.ink === ink;
    const table = toneTable(original.tone);
    const tone = printed
      ? greyCoverage(placed.level, original.tone.weights, table, window)
      : createPlane(window.width, window.height);
    const mask = opacity(placed.level, window);
    const x = part.x - region.x;
    const y = part.y - region.y;
    if (!mask) {
      resampleInto(tone, source, placed.mapX, placed.mapY, part, out, x, y);
      continue;
    }
    const over = createPlane(part.width, part.height);
    const alpha = createPlane(part.width, part.height);
    resampleInto(tone, source, placed.mapX, placed.mapY, part, over, 0, 0);
    resampleInto(mask, source, placed.mapX, placed.mapY, part, alpha, 0, 0);
    layOver(out, x, y, over, alpha);
  }
  return out;
}

/** The part of a placed picture's level that a part of the grid reads. */
export function windowOf(placed: Placed, part: Region): Region {
  const { level, mapX, mapY } = placed;
  const clampX = (x: number) => Math.min(level.width - 1, Math.max(0, x));
  const clampY = (y: number) => Math.min(level.height - 1, Math.max(0, y));
  const x = clampX(firstTap(mapX, part.x));
  const y = clampY(firstTap(mapY, part.y));
  return {
    x,
    y,
    width: clampX(firstTap(mapX, part.x + part.width - 1) + 1) - x + 1,
    height: clampY(firstTap(mapY, part.y + part.height - 1) + 1) - y + 1,
  };
}

function layOver(out: Plane, x: number, y: number, over: Plane, alpha: Plane): void {
  let from = 0;
  for (let row = 0; row < over.height; row++) {
    let to = (y + row) * out.width + x;
    for (const end = to + over.width; to < end; to++, from++) {
      const under = out.data[to];
      out.data[to] = under + Math.round(((over.data[from] - under) * alpha.data[from]) / 65535);
    }
  }
}
