import { clamp } from '../base/numbers.ts';
import type { Area } from '../path/area.ts';
import type { Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, type Plane } from '../raster/plane.ts';
import { intersect, wholeOf, type Region } from '../raster/region.ts';
import type { Scene } from '../recipe/scene.ts';
import type { EdgeIndex } from './edge-index.ts';
import { bitsIn, goOnBeyond, tonesOf } from './tone-field.ts';

/** A plate's tones on a part of a grid; beyond the grid they are what they are at its edge. */
export interface TileTones {
  readonly tones: Plane;
  /** Which of the pixels lie in the part of the sheet that is drawn; undefined where all do. */
  readonly inside: Bits | undefined;
  /** Of the first pixel, on the grid. */
  readonly x: number;
  readonly y: number;
}

/** Part of the sheet that is drawn, in pixels of a grid. */
export interface DrawnArea {
  readonly area: Area;
  readonly near: EdgeIndex;
}

/**
 * A plate's tones on a part of a grid.
 *
 * @param drawn  all of the sheet where undefined
 * @param goesOn true for tones that run on a little beyond the edge of what is drawn
 */
export function tileTones(
  scene: Scene,
  plate: number,
  grid: Frame,
  drawn: DrawnArea | undefined,
  part: Region,
  goesOn: boolean,
): TileTones {
  const known = intersect(part, wholeOf(grid));
  const tones = spread(tonesOf(scene, plate, grid, known), known, part);
  const { x, y, width, height } = part;
  const isInside = !drawn || drawn.near({ left: x, top: y, right: x + width, foot: y + height }) === 'inside';
  const inside = isInside ? undefined : bitsIn(drawn.area, part);
  if (inside && goesOn) goOnBeyond(tones, inside);
  return { tones, inside, x, y };
}

/** Tones as far as they are known, and as they are at the edge beyond. */
function spread(tones: Plane, known: Region, part: Region): Plane {
  if (known.width === part.width && known.height === part.height) return tones;
  const out = createPlane(part.width, part.height);
  const left = known.x - part.x;
  for (let y = 0; y < part.height; y++) {
    const row = clamp(part.y + y - known.y, 0, known.height - 1) * known.width;
    const to = out.data.subarray(y * part.width, (y + 1) * part.width);
    to.set(tones.data.subarray(row, row + known.width), left);
    to.fill(to[left], 0, left).fill(to[left + known.width - 1], left + known.width);
  }
  return out;
}
