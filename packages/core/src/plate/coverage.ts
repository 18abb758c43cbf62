import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { lay, type LineBits } from '../drawing/paint-drawing.ts';
import type { Affine } from '../raster/affine.ts';
import { bitAt, createBits } from '../raster/bits.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { resampleInto } from '../raster/resample.ts';
import type { Rows } from '../raster/rows.ts';
import { insideBox, sampleInto } from '../raster/sample.ts';
import { toneRows } from '../tone/tone-rows.ts';
import type { Frame } from './frame.ts';
import { isStraight } from './placed.ts';
import { isLineWork, lineBits, lineRegion } from './line-work.ts';
import { readOriginal } from './read-original.ts';
import type { OriginalRecipe } from './recipe.ts';
import type { Materials, Scene } from './scene.ts';

/** What a plate is made of before it is screened: tones, and line work that is laid over them. */
export interface PlateArt {
  readonly tone: Plane;
  /** Missing where there is no line work. */
  readonly line?: LineBits;
}

/**
 * A plate's art: its originals in sheet order, each covering what lies under it as far as it is opaque.
 *
 * @param plate  index among the recipe's plates
 * @param region in pixels of the frame; beyond the frame is bare
 * @param out    bare, of the region's size; a new plane unless given
 */
export function plateArt(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
): PlateArt {
  const { recipe } = scene;
  const ink = recipe.plates[plate].ink;
  const sheet = intersect(region, { x: 0, y: 0, width: frame.width, height: frame.height });
  let line: LineBits | undefined;
  for (const original of recipe.originals) {
    if (!original.shown) continue;
    if (!isLineWork(original)) {
      layTone(scene, original, original.ink === ink, frame, region, sheet, out, line);
      continue;
    }
    if (original.ink !== ink || isEmpty(intersect(lineRegion(original, scene, frame), sheet))) continue;
    const bits = lineBits(original, scene, frame, region);
    line ??= {
      ink: createBits(region.width, region.height),
      bare: createBits(region.width, region.height),
    };
    lay(line.ink, line.bare, bits.ink);
    lay(line.bare, line.ink, bits.bare);
  }
  return line ? { tone: out, line } : { tone: out };
}

/** The coverage a plate asks for, before it is screened; line work counts as solid or bare. */
export function plateCoverage(scene: Scene, plate: number, frame: Frame, region: Region): Plane {
  const { tone, line } = plateArt(scene, plate, frame, region);
  if (!line) return tone;
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) {
      if (bitAt(line.ink, x, y)) tone.data[i] = SOLID;
      else if (bitAt(line.bare, x, y)) tone.data[i] = 0;
    }
  }
  return tone;
}

/** Lays an original's tones, or its absence on a plate that is not its own, over what is there. */
function layTone(
  materials: Materials,
  original: OriginalRecipe,
  printed: boolean,
  frame: Frame,
  region: Region,
  sheet: Region,
  out: Plane,
  line: LineBits | undefined,
): void {
  const { region: box, toBox, toSource, source, alpha } = readOriginal(original, materials, frame);
  const part = intersect(box, sheet);
  if (isEmpty(part)) return;
  const tone = printed ? toneRows(source, original.tone) : undefined;
  const x = part.x - region.x;
  const y = part.y - region.y;
  const straight = isStraight(toSource);
  if (straight && !alpha) {
    if (tone) readStraight(tone, toSource, part, out, x, y);
    else clear(out, x, y, part);
    if (line) cover(line, x, y, part, undefined);
    return;
  }
  const read = (rows: Rows): Plane => {
    const plane = createPlane(part.width, part.height);
    if (straight) readStraight(rows, toSource, part, plane, 0, 0);
    else sampleInto(rows, toSource, part, plane);
    return plane;
  };
  const over = tone ? read(tone) : createPlane(part.width, part.height);
  const opaque = alpha ? read(alpha) : undefined;
  const here = isStraight(toBox) ? opaque : both(insideBox(toBox, part), opaque);
  layOver(out, x, y, over, here);
  if (line) cover(line, x, y, part, here);
}

/** Takes line work away where something more opaque than not is laid over it. */
function cover(
  line: LineBits,
  x: number,
  y: number,
  { width, height }: Region,
  alpha: Plane | undefined,
): void {
  for (let j = 0; j < height; j++) {
    const base = (y + j) * line.ink.stride;
    for (let i = 0; i < width; i++) {
      if (alpha && alpha.data[j * width + i] < 32768) continue;
      const mask = ~(0x80 >> ((x + i) & 7));
      line.ink.data[base + ((x + i) >> 3)] &= mask;
      line.bare.data[base + ((x + i) >> 3)] &= mask;
    }
  }
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
