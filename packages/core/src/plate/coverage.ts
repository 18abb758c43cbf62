import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import type { Affine } from '../raster/affine.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { resampleInto } from '../raster/resample.ts';
import type { Rows } from '../raster/rows.ts';
import { insideBox, sampleInto } from '../raster/sample.ts';
import { toneRows } from '../tone/tone-rows.ts';
import type { Frame } from './frame.ts';
import { isStraight } from './placed.ts';
import { readOriginal } from './read-original.ts';
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
    if (!original.shown) continue;
    const { region: box, toBox, toSource, source, alpha } = readOriginal(original, pictures, frame);
    const part = intersect(intersect(box, region), sheet);
    if (isEmpty(part)) continue;
    const tone = original.ink === ink ? toneRows(source, original.tone) : undefined;
    const x = part.x - region.x;
    const y = part.y - region.y;
    const straight = isStraight(toSource);
    if (straight && !alpha) {
      if (tone) readStraight(tone, toSource, part, out, x, y);
      else clear(out, x, y, part);
      continue;
    }
    const read = (rows: Rows): Plane => {
      const plane = createPlane(part.width, part.height);
      if (straight) readStraight(rows, toSource, part, plane, 0, 0);
      else sampleInto(rows, toSource, part, plane);
      return plane;
    };
    const over = tone ? read(tone) : createPlane(part.width, part.height);
    const opaque = alpha ? read(alpha) : undefined;
    const alphaHere = isStraight(toBox) ? opaque : both(insideBox(toBox, part), opaque);
    layOver(out, x, y, over, alphaHere);
  }
  return out;
}

const readStraight = (rows: Rows, map: Affine, part: Region, out: Plane, x: number, y: number): void =>
  resampleInto(rows, { origin: map.x0, step: map.xx }, { origin: map.y0, step: map.yy }, part, out, x, y);

function clear(out: Plane, x: number, y: number, { width, height }: Region): void {
  for (let j = y; j < y + height; j++) out.data.fill(0, j * out.width + x, j * out.width + x + width);
}

/** Opacity inside a box, and none outside. */
function both(inside: Plane, opaque: Plane | undefined): Plane {
  if (opaque)
    for (let i = 0; i < inside.data.length; i++) if (inside.data[i]) inside.data[i] = opaque.data[i];
  return inside;
}

function layOver(out: Plane, x: number, y: number, over: Plane, alpha: Plane | undefined): void {
  let from = 0;
  for (let row = 0; row < over.height; row++) {
    let to = (y + row) * out.width + x;
    if (!alpha) {
      out.data.set(over.data.subarray(from, from + over.width), to);
      from += over.width;
      continue;
    }
    for (const end = to + over.width; to < end; to++, from++) {
      const under = out.data[to];
      out.data[to] = under + Math.round(((over.data[from] - under) * alpha.data[from]) / SOLID);
    }
  }
}
