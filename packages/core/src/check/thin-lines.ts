import { cache } from '../base/cache.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { composedArt } from '../plate/composed-art.ts';
import { hasLine, isAllLine, placeOriginal } from '../original/place-original.ts';
import { countInk, cropBits, isBlank, type Bits } from '../raster/bits.ts';
import { MM_PER_INCH, mmToPixels, type Frame } from '../raster/frame.ts';
import { createPlane } from '../raster/plane.ts';
import { invertedBits } from '../raster/grown-bits.ts';
import { bands, grownRegion, intersect, isEmpty, type Region } from '../raster/region.ts';
import { discFor, thinParts } from '../raster/thin-parts.ts';
import { frameOf } from '../recipe/frame.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { lineInks } from '../separation/route.ts';
import { dropPatches } from '../screen/patches.ts';
import type { Place } from './finding.ts';
import { Places } from './places.ts';

/** Film pixels that are looked at at once. */
const PIXELS = 1 << 24;
/** Side of a tile, film pixels. */
const TILE = 192;
/** Parts smaller than so many squares of the disc's radius are the rounded corners of what is thick enough: even at 30° a corner is less. */
const CORNER = 4;

/** Parts of an original's line work on a plate, or of the gaps in it, that are thinner than they may be. */
export interface ThinParts {
  /** Their area, mm². */
  readonly mm2: number;
  readonly places: readonly Place[];
}

/** What is thin of an original on a plate. */
export interface ThinLines {
  readonly lines: ThinParts;
  readonly gaps: ThinParts;
  /** Area of all its line work there, mm². */
  readonly all: number;
}

/** Least widths, mm. */
export interface Widths {
  readonly line: number;
  readonly gap: number;
}

const recentThin = cache<ThinLines>('thin parts');

/**
 * Line work of an original on a plate that is thinner than a width, and gaps in it that are.
 *
 * @param resolution it is drawn at, dots per inch; the film's own unless given
 */
export function thinLines(
  scene: Scene,
  plate: number,
  original: OriginalRecipe,
  widths: Widths,
  resolution = scene.recipe.sheet.resolution,
): ThinLines {
  const { recipe } = scene;
  const frame = frameOf(recipe.sheet, resolution);
  const lines = linesAlone(original);
  const alone = { ...scene, recipe: { ...recipe, originals: [lines] } };
  const { shift, ink } = recipe.plates[plate];
  const key = JSON.stringify([lines, shift, ink, frame, widths, materialsKey(scene)]);
  return recentThin(key, () => find(alone, plate, lines, widths, frame));
}

/** An original without its tones, which would be made in vain. */
function linesAlone(original: OriginalRecipe): OriginalRecipe {
  const { content } = original;
  if (content.kind !== 'lettering') return original;
  const fill = content.fill === 'gradient' ? 'none' : content.fill;
  return { ...original, content: { ...content, fill, glow: { ...content.glow, strength: 0 } } };
}

/** What is gathered of lines, or of gaps. */
interface Side {
  readonly ofGaps: boolean;
  /** Least width, and the disc that finds what is thinner, in pixels. */
  readonly width: number;
  readonly radius: number;
  readonly places: Places;
  count: number;
}

/** Discs of fewer pixels are quick enough for a whole plate. */
const QUICK = 4;
/** A look at fewer pixels must miss nothing: it looks for what is so many times as wide, and for smaller parts. */
const WIDER = 1.3;
const SMALLER = 0.4;

function find(
  scene: Scene,
  plate: number,
  original: OriginalRecipe,
  widths: Widths,
  frame: Frame,
): ThinLines {
  const [lines, gaps] = sidesOf(widths, frame);
  const most = Math.max(lines.radius, gaps.radius);
  const { sheet } = scene.recipe;
  const { seen } = placeOriginal({ original, materials: scene, frame });
  const region = intersect(seen, { x: 0, y: 0, width: frame.width, height: frame.height });
  const draw = (part: Region): Bits | undefined => lineIn(scene, plate, original, frame, part);
  let all: number;
  if (most <= QUICK) all = look(draw, region, [lines, gaps], CORNER);
  else {
    // First on a coarser grid, and exactly only where something may be thin.
    const coarse = frameOf(sheet, (frame.resolution * QUICK) / (most + 0.5));
    const times = frame.resolution / coarse.resolution;
    const wider = { line: widths.line * WIDER, gap: widths.gap * WIDER };
    const rough = sidesOf(wider, coarse);
    const { seen: roughly } = placeOriginal({ original, materials: scene, frame: coarse });
    const whole = { x: 0, y: 0, width: coarse.width, height: coarse.height };
    const hits = new Set<string>();
    all =
      times ** 2 *
      look(
        (part) => lineIn(scene, plate, original, coarse, part),
        intersect(roughly, whole),
        rough,
        CORNER * SMALLER,
        (x, y) => hits.add(`${Math.floor((x * times) / TILE)} ${Math.floor((y * times) / TILE)}`),
      );
    for (const hit of hits) {
      const [u, v] = hit.split(' ').map(Number);
      const tile = intersect(region, { x: u * TILE, y: v * TILE, width: TILE, height: TILE });
      if (!isEmpty(tile)) look(draw, tile, [lines, gaps], CORNER);
    }
  }
  const area = (MM_PER_INCH / frame.resolution) ** 2;
  const [thin, closing] = [lines, gaps].map(({ count, places }) => ({
    mm2: count * area,
    places: places.list(),
  }));
  return { lines: thin, gaps: closing, all: all * area };
}

function sidesOf({ line, gap }: Widths, frame: Frame): readonly [Side, Side] {
  const sideOf = (mm: number, ofGaps: boolean): Side => {
    const width = mmToPixels(mm, frame);
    return { ofGaps, width, radius: discFor(width), places: new Places(frame), count: 0 };
  };
  return [sideOf(line, false), sideOf(gap, true)];
}

/**
 * Looks at a region for what is thin.
 *
 * @param corner squares of the disc's radius below which a part is a corner
 * @param visit  is told of each pixel of what is thin; the sides' own places when missing
 * @returns      pixels of line work
 */
function look(
  draw: (part: Region) => Bits | undefined,
  region: Region,
  given: readonly Side[],
  corner: number,
  visit?: (x: number, y: number) => void,
): number {
  const sides = given.filter(({ radius }) => radius > 0);
  if (isEmpty(region)) return 0;
  const reach = 4 * Math.max(1, ...sides.map(({ radius }) => radius)) + 2;
  let all = 0;
  for (const band of bands(region, PIXELS, 8 * reach)) {
    const around = grownRegion(band, reach);
    const ink = draw(around);
    if (!ink || isBlank(ink)) continue;
    all += countInk(cropBits(ink, { x: reach, y: reach, width: band.width, height: band.height }));
    for (const tile of tilesOf(band)) {
      const at = { ...tile, x: tile.x - around.x, y: tile.y - around.y };
      const wide = cropBits(ink, grownRegion(at, reach));
      // All ink or all bare: nothing in it is thin.
      if (isUniform(wide)) continue;
      for (const side of sides) lookAt(side, wide, tile, reach, corner, visit);
    }
  }
  return all;
}

/** Finds what is thin in a tile that was drawn with so much around it. */
function lookAt(
  side: Side,
  wide: Bits,
  tile: Region,
  reach: number,
  corner: number,
  visit: (x: number, y: number) => void = (x, y) => side.places.add(x, y),
): void {
  const { ofGaps, width, radius } = side;
  const found = thinParts(ofGaps ? invertedBits(wide) : wide, width);
  dropPatches(found, 1, corner * radius * radius);
  if (isBlank(found)) return;
  const part = cropBits(found, { x: reach, y: reach, width: tile.width, height: tile.height });
  side.count += countInk(part);
  eachInked(part, (x, y) => visit(tile.x + x, tile.y + y));
}

function lineIn(
  scene: Scene,
  plate: number,
  original: OriginalRecipe,
  frame: Frame,
  region: Region,
): Bits | undefined {
  const tones = isAllLine(original) ? createPlane(0, 0) : createPlane(region.width, region.height);
  return composedArt(scene, plate, frame, region, tones).line?.ink;
}

/** A band in tiles, which stay near the processor. */
function* tilesOf({ x, y, width, height }: Region): Generator<Region> {
  for (let v = y; v < y + height; v += TILE) {
    for (let u = x; u < x + width; u += TILE)
      yield { x: u, y: v, width: Math.min(TILE, x + width - u), height: Math.min(TILE, y + height - v) };
  }
}

function isUniform({ width, height, stride, data }: Bits): boolean {
  const first = data[0] & 0x80 ? 0xff : 0;
  const last = stride - 1;
  const padding = 0xff >> (8 - ((stride << 3) - width));
  for (let y = 0; y < height; y++) {
    for (let i = y * stride; i < y * stride + last; i++) if (data[i] !== first) return false;
    if ((data[y * stride + last] | (first & padding)) !== first) return false;
  }
  return true;
}

function eachInked({ width, height, stride, data }: Bits, visit: (x: number, y: number) => void): void {
  for (let y = 0; y < height; y++) {
    for (let byte = 0; byte < stride; byte++) {
      const bits = data[y * stride + byte];
      if (bits === 0) continue;
      for (let k = 0; k < 8; k++) if (bits & (0x80 >> k) && 8 * byte + k < width) visit(8 * byte + k, y);
    }
  }
}

/** Originals with line work on a plate. */
export const linesOn = ({ recipe }: Scene, plate: number): OriginalRecipe[] =>
  recipe.originals.filter(
    (original) =>
      original.shown && hasLine(original) && lineInks(original.route).includes(recipe.plates[plate].ink),
  );
