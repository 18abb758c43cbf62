import { lay, type LineBits } from '../drawing/paint-drawing.ts';
import { mixPlane } from '../mix/mix.ts';
import { mixDots } from './mix-dots.ts';
import { isStraight } from '../raster/affine.ts';
import { bitAt, createBits, placeBits } from '../raster/bits.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import { readInto, readStraight } from '../raster/read-rows.ts';
import type { Rows } from '../raster/rows.ts';
import { insideBox } from '../raster/sample.ts';
import type { Screen } from '../screen/screen.ts';
import { toneRows, toTones } from '../tone/tone-rows.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { letteringLayers, letteringRegion } from './lettering-layers.ts';
import { isLineWork, lineBits, lineRegion } from './line-work.ts';
import { isMasked, keepMasked, maskOf, maskReach } from './mask.ts';
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
  const { ink, screen } = recipe.plates[plate];
  const sheet = intersect(region, { x: 0, y: 0, width: frame.width, height: frame.height });
  const art: Laying = { tone: out, line: undefined, frame, region, sheet, screen };
  for (const original of recipe.originals) {
    if (!original.shown) continue;
    const printed = original.ink === ink;
    if (original.content.kind === 'lettering') layLettering(scene, original, printed, art);
    else if (!isLineWork(original)) layTone(scene, original, printed, art);
    else if (printed) layLine(scene, original, art);
  }
  return art.line ? { tone: out, line: art.line } : { tone: out };
}

/** True when a plate may have parts that are never screened. */
export const hasLineWork = ({ recipe }: Pick<Scene, 'recipe'>, plate: number): boolean =>
  recipe.originals.some(
    (original) =>
      original.shown &&
      original.ink === recipe.plates[plate].ink &&
      (original.content.kind === 'lettering' || isLineWork(original)),
  );

/** A region of a plate while originals are laid on it. */
interface Laying {
  readonly tone: Plane;
  line: LineBits | undefined;
  readonly frame: Frame;
  readonly region: Region;
  /** The part of the region that is on the sheet. */
  readonly sheet: Region;
  readonly screen: Screen;
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

/** Lays line work over what is there. */
function layLine(materials: Materials, original: OriginalRecipe, art: Laying): void {
  if (isEmpty(intersect(lineRegion(original, materials, art.frame), art.sheet))) return;
  layBits(art, lineBits(original, materials, art.frame, art.region));
}

function layBits(art: Laying, bits: LineBits): void {
  const { width, height } = art.region;
  art.line ??= { ink: createBits(width, height), bare: createBits(width, height) };
  lay(art.line.ink, art.line.bare, bits.ink);
  lay(art.line.bare, art.line.ink, bits.bare);
}

/** Lays lettering: its glow and screened letters knock out other plates, its solid parts print over them. */
function layLettering(materials: Materials, original: OriginalRecipe, printed: boolean, art: Laying): void {
  const { frame, region, sheet, tone, screen } = art;
  const part = intersect(letteringRegion(original, frame), sheet);
  if (isEmpty(part)) return;
  const { glow, fill, line } = letteringLayers(original, materials, frame, part);
  const mask = maskOf(original, materials, screen, frame, part);
  const [x, y] = [part.x - region.x, part.y - region.y];
  if (glow && printed) layOver(tone, x, y, glow.tone, both(glow.alpha, mask));
  if (fill) {
    const here = both(fill.alpha, mask);
    const dots = printed
      ? mixedOf(original, materials, fill.tone, part, frame)
      : createPlane(part.width, part.height);
    layOver(tone, x, y, dots, here);
    if (art.line) cover(art.line, x, y, part, here);
  }
  if (!printed) return;
  const whole = {
    ink: createBits(region.width, region.height),
    bare: createBits(region.width, region.height),
  };
  for (const layer of ['ink', 'bare'] as const) {
    if (mask) keepMasked(line[layer], mask);
    placeBits(line[layer], whole[layer], x, y);
  }
  layBits(art, whole);
}

/** Lays an original's tones, or its absence on a plate that is not its own, over what is there. */
function layTone(materials: Materials, original: OriginalRecipe, printed: boolean, art: Laying): void {
  const { frame, region, sheet, tone: out, line, screen } = art;
  const { region: box, toBox, toSource, source, alpha } = readOriginal(original, materials, frame);
  const beyond = Math.ceil(mmToPixels(maskReach(original), frame));
  const part = intersect(grown(box, beyond), sheet);
  if (isEmpty(part)) return;
  const tone = printed ? toneRows(source, original.tone) : undefined;
  const x = part.x - region.x;
  const y = part.y - region.y;
  if (isStraight(toSource) && !alpha && !isMasked(original) && !(printed && original.mix)) {
    if (tone) readStraight(tone, toTones(toSource, source, tone), part, out, x, y);
    else clear(out, x, y, part);
    if (line) cover(line, x, y, part, undefined);
    return;
  }
  const read = (rows: Rows): Plane => {
    const plane = createPlane(part.width, part.height);
    readInto(rows, toTones(toSource, source, rows), part, plane);
    return plane;
  };
  const over = tone
    ? mixedOf(original, materials, read(tone), part, frame)
    : createPlane(part.width, part.height);
  const opaque = both(alpha ? read(alpha) : undefined, maskOf(original, materials, screen, frame, part));
  const boxed = original.container === null && !isStraight(toBox);
  const here = boxed ? both(insideBox(toBox, part), opaque) : opaque;
  layOver(out, x, y, over, here);
  if (line) cover(line, x, y, part, here);
}

/** Tones mixed with dots of their own, if the original says so. */
function mixedOf(
  original: OriginalRecipe,
  materials: Materials,
  tone: Plane,
  part: Region,
  frame: Frame,
): Plane {
  return original.mix ? mixPlane(tone, mixDots(original, materials, frame, part), original.mix) : tone;
}

const grown = ({ x, y, width, height }: Region, by: number): Region => ({
  x: x - by,
  y: y - by,
  width: width + 2 * by,
  height: height + 2 * by,
});

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

function clear(out: Plane, x: number, y: number, { width, height }: Region): void {
  for (let j = y; j < y + height; j++) out.data.fill(0, j * out.width + x, j * out.width + x + width);
}

/** What two opacities leave together; a missing one is opaque all over. */
function both(a: Plane | undefined, b: Plane | undefined): Plane | undefined {
  if (!a || !b) return a ?? b;
  for (let i = 0; i < a.data.length; i++) {
    const other = b.data[i];
    if (other !== SOLID) a.data[i] = Math.round((a.data[i] * other) / SOLID);
  }
  return a;
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
