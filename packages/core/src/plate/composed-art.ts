import { lay, type LineBits } from '../drawing/paint-drawing.ts';
import type { InkSet } from '../ink/ink-set.ts';
import type { Layers, PlacedTones } from '../original/content-kind.ts';
import { isMasked, keepMasked, maskKey, wholeCell } from '../original/mask/mask.ts';
import { wholeReach } from '../original/mask/shape-cells.ts';
import { wholeTones } from '../original/mask/whole-tones.ts';
import { mixDots, softMixDots } from '../original/mix/mix-dots.ts';
import { mixPlane, mixSoftly } from '../original/mix/mix.ts';
import { hasLine, hasTones, placeOriginal, type PlacedOriginal } from '../original/place-original.ts';
import { shifted } from '../original/shifted.ts';
import { isStraight } from '../raster/affine.ts';
import { addBits, clearBit, createBits, isBlank, placeBits, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, HALF, SOLID, type Plane } from '../raster/plane.ts';
import { readInto, readStraight } from '../raster/read-rows.ts';
import { grownRegion, intersect, isEmpty, wholeOf, type Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { insideBox } from '../raster/sample.ts';
import { inkSetOf } from '../recipe/ink-set.ts';
import { isPlated } from '../recipe/plated.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import type { Screen } from '../screen/screen.ts';
import { inkRows, lineInks, routeInks } from '../separation/route.ts';
import { routeKind } from '../separation/routes/index.ts';
import { toTones } from '../tone/tone-rows.ts';

/** What a plate is made of before it is screened: tones, and line work that is laid over them. */
export interface PlateArt {
  readonly tone: Plane;
  /** Missing where there is no line work. */
  readonly line?: LineBits;
}

/**
 * What originals put on a plate, in sheet order, each covering what lies under it as far as it is opaque or printed over
 * it.
 *
 * @param plate  index among the recipe's plates
 * @param region in pixels of the frame; beyond the frame is bare
 * @param out    bare, of the region's size, which tones are laid in; a new plane unless given. Where it is known that there are none it may be empty.
 */
export function composedArt(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
): PlateArt {
  const { recipe } = scene;
  const { ink, screen, shift } = recipe.plates[plate];
  const sheet = intersect(region, wholeOf(frame));
  const inkSet = inkSetOf(recipe);
  const art: Laying = { tone: out, line: undefined, frame, region, sheet, screen, ink, inkSet };
  for (const one of recipe.originals) {
    if (!isPlated(one)) continue;
    const original = shifted(one, scene, recipe.sheet, shift);
    const printed = printedInks(original).includes(ink);
    if (!printed && original.overprint) continue;
    const placed = placeOriginal({ original, materials: scene, frame });
    if (placed.layers) layLayers(placed.layers, placed, printed, art);
    else if (placed.line) layLine(placed.line, placed, printed, art);
    else if (placed.tones) layTones(placed.tones, placed, printed, art);
  }
  return art.line ? { tone: out, line: art.line } : { tone: out };
}

/** Ids of the inks that an original is printed in. */
export const printedInks = (original: OriginalRecipe): readonly string[] =>
  (hasTones(original) ? routeInks : lineInks)(original.route);

/** True when a plate may have parts that are never screened. */
export const hasLineWork = ({ recipe }: Pick<Scene, 'recipe'>, plate: number): boolean =>
  recipe.originals.some(
    (original) =>
      isPlated(original) &&
      hasLine(original) &&
      (lineInks(original.route).includes(recipe.plates[plate].ink) || !original.overprint),
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
  /** Id of the plate's ink. */
  readonly ink: string;
  readonly inkSet: InkSet;
}

/** Lays line work over what is there, or knocks it out on plates that are not its own. */
function layLine(
  line: (region: Region) => LineBits,
  { seen }: PlacedOriginal,
  printed: boolean,
  art: Laying,
): void {
  if (isEmpty(intersect(seen, art.sheet))) return;
  const bits = line(art.region);
  layBits(art, printed ? bits : knockedOut(bits));
}

/** What line work leaves bare on the plates of other inks. */
function knockedOut({ ink, bare }: Partial<LineBits>): Partial<LineBits> {
  const both = bare ?? ink;
  if (ink && bare) addBits(bare, ink);
  return both ? { bare: both } : {};
}

function layBits(art: Laying, { ink, bare }: Partial<LineBits>): void {
  if (!ink && !bare) return;
  const { width, height } = art.region;
  art.line ??= { ink: createBits(width, height), bare: createBits(width, height) };
  if (ink) lay(art.line.ink, art.line.bare, ink);
  if (bare) lay(art.line.bare, art.line.ink, bare);
}

/** Lays what has no colours: a glow, a screened fill, and solid parts. */
function layLayers(
  layersIn: (region: Region) => Layers,
  placed: PlacedOriginal,
  printed: boolean,
  art: Laying,
): void {
  const { region, sheet, tone, screen, ink } = art;
  const { route, overprint } = placed.original;
  const part = intersect(placed.seen, sheet);
  if (isEmpty(part)) return;
  const { glow, fill, line } = layersIn(part);
  // Where it only knocks out, its edge is its own and not that of this plate's dots.
  const mask = placed.mask(part, printed ? screen : undefined);
  const [x, y] = [part.x - region.x, part.y - region.y];
  const inked = (plane: Plane): Plane => {
    const table = routeKind(route).toneTable?.(route, ink);
    if (!table) return plane;
    for (let i = 0; i < plane.data.length; i++) plane.data[i] = table[plane.data[i]];
    return plane;
  };
  if (glow && printed)
    layOver(tone, x, y, printedOver(overprint, inked(glow.tone), tone, x, y), both(glow.alpha, mask));
  if (fill) {
    const here = both(fill.alpha, mask);
    const dots = printed
      ? inked(mixedWithDots(placed, fill.tone, part))
      : createPlane(part.width, part.height);
    layOver(tone, x, y, printedOver(overprint, dots, tone, x, y), here);
    if (art.line && !overprint) cover(art.line, x, y, part, here);
  }
  const whole: { ink?: Bits; bare?: Bits } = {};
  for (const layer of ['ink', 'bare'] as const) {
    if (mask) keepMasked(line[layer], mask);
    if (isBlank(line[layer])) continue;
    const bits = (whole[layer] = createBits(region.width, region.height));
    placeBits(line[layer], bits, x, y);
  }
  layBits(art, printed ? whole : knockedOut(whole));
}

/** Lays tones, or their absence on a plate that is not their own, over what is there. */
function layTones(
  { source, toSource, alpha }: PlacedTones,
  placed: PlacedOriginal,
  printed: boolean,
  art: Laying,
): void {
  const { frame, region, sheet, tone: out, line, screen, ink, inkSet } = art;
  const { original, materials, seen, toBox } = placed;
  const { name, route, overprint, mix } = original;
  // Where it only knocks out, its edge is its own and not that of this plate's dots.
  const edgeOf = printed ? screen : undefined;
  const cell = edgeOf && wholeCell(original.container, edgeOf, frame);
  // Whole dots stand out of what they are cut to elsewhere.
  const standing = cell ? grownRegion(seen, wholeReach(Math.sqrt(cell.pixels / cell.cells))) : seen;
  const part = intersect(standing, sheet);
  if (isEmpty(part)) return;
  const { tables, pictures } = materials;
  const draft = frame.draft === true;
  const tone = inkRows(route, ink, { name, source, tone: original.tone, inkSet, tables, pictures, draft });
  const x = part.x - region.x;
  const y = part.y - region.y;
  if (isStraight(toSource) && !alpha && !overprint && !isMasked(original) && !(printed && mix)) {
    if (tone) readStraight(tone, toTones(toSource, source, tone), part, out, x, y);
    else clear(out, x, y, part);
    if (line) cover(line, x, y, part, undefined);
    return;
  }
  const readIn = (rows: Rows, region: Region): Plane => {
    const plane = createPlane(region.width, region.height);
    readInto(rows, toTones(toSource, source, rows), region, plane);
    return plane;
  };
  const tones = (rows: Rows): Plane =>
    cell
      ? wholeTones(cell, part, (wide) => readIn(rows, wide), {
          in: (wide) => placed.mask(wide) ?? createPlane(wide.width, wide.height, SOLID),
          sheet: wholeOf(frame),
          key: () => maskKey(placed, placed.height),
        })
      : readIn(rows, part);
  const over = tone ? mixedWithDots(placed, tones(tone), part) : createPlane(part.width, part.height);
  const opaque = both(alpha ? readIn(alpha, part) : undefined, placed.mask(part, edgeOf));
  const boxed = original.container === null && !isStraight(toBox);
  const here = boxed ? both(insideBox(toBox, part), opaque) : opaque;
  layOver(out, x, y, printedOver(overprint, over, out, x, y), here);
  if (line && !overprint) cover(line, x, y, part, here);
}

/** Tones as they come out printed over what is there already, if they are: what both leave bare stays so. */
function printedOver(overprint: boolean, over: Plane, under: Plane, x: number, y: number): Plane {
  if (!overprint) return over;
  for (let j = 0, i = 0; j < over.height; j++) {
    const from = (y + j) * under.width + x;
    for (let k = 0; k < over.width; k++, i++) {
      over.data[i] = SOLID - Math.round(((SOLID - over.data[i]) * (SOLID - under.data[from + k])) / SOLID);
    }
  }
  return over;
}

/** Tones mixed with dots of their own, if the original says so. */
function mixedWithDots(placed: PlacedOriginal, tone: Plane, part: Region): Plane {
  const { mix } = placed.original;
  if (!mix) return tone;
  const soft = softMixDots(mix, placed, part);
  return soft ? mixSoftly(tone, soft, mix) : mixPlane(tone, mixDots(mix, placed, part), mix);
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
    for (let i = 0; i < width; i++) {
      if (alpha && alpha.data[j * width + i] < HALF) continue;
      clearBit(line.ink, x + i, y + j);
      clearBit(line.bare, x + i, y + j);
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
  const { width } = over;
  for (let row = 0; row < over.height; row++) {
    const from = over.data.subarray(row * width, (row + 1) * width);
    const to = (y + row) * out.width + x;
    if (alpha)
      layRow(out.data.subarray(to, to + width), from, alpha.data.subarray(row * width, (row + 1) * width));
    else out.data.set(from, to);
  }
}

/** Lays a row over another; where it is opaque, or nothing at all, for long it goes by whole stretches. */
function layRow(out: Uint16Array, over: Uint16Array, alpha: Uint16Array): void {
  const width = out.length;
  for (let i = 0; i < width;) {
    const opaque = alpha[i];
    let end = i + 1;
    if (opaque === 0) {
      while (end < width && alpha[end] === 0) end++;
    } else if (opaque === SOLID) {
      while (end < width && alpha[end] === SOLID) end++;
      out.set(over.subarray(i, end), i);
    } else out[i] += Math.round(((over[i] - out[i]) * opaque) / SOLID);
    i = end;
  }
}
