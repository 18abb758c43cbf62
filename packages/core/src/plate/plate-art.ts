import { lay } from '../drawing/paint-drawing.ts';
import { cacheBytes } from '../base/cache.ts';
import { bitAt, cropBits, type Bits } from '../raster/bits.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { intersect, type Region } from '../raster/region.ts';
import { isColourRoute } from '../separation/route.ts';
import { paintStroke } from '../tone/paint-stroke.ts';
import { composedArt, hasLineWork, type PlateArt } from './composed-art.ts';
import { plainArt, type PlainArt } from './plain-art.ts';
import { isPlated } from '../recipe/plated.ts';
import type { PlateRecipe, Recipe, Sheet } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { spreadArt } from './edge-spread.ts';
import { keepMask } from './masked.ts';
import { strokesToGrid } from './strokes-to-grid.ts';
import { weighRegions } from './weigh-regions.ts';
import { materialsKey } from '../recipe/materials-key.ts';
import { ownTransfer } from './plate-transfer.ts';

/** Plates printed after a plate that knock it out. */
const knockers = ({ plates }: Recipe, plate: number): number[] =>
  plates.flatMap(({ knocksOut, printed }, i) => (i > plate && knocksOut && printed ? [i] : []));

/** Plates that a base lies under. */
export const platesOverBase = ({ plates }: Recipe, plate: number): number[] => {
  const { base } = plates[plate];
  return base
    ? plates.flatMap((other, i) =>
        i > plate && other.printed && !other.base && other.ink !== base.highlights ? [i] : [],
      )
    : [];
};

/** The base whose highlights go to a plate; −1 when there is none. */
export const baseOf = ({ plates }: Recipe, plate: number): number =>
  plates.findIndex(
    ({ base, printed }, i) => i !== plate && printed && base?.highlights === plates[plate].ink,
  );

/** Plates that a plate's art is made of besides its own: what lies over a base, and the base that highlights come from. */
function concerned(recipe: Recipe, plate: number): number[] {
  const base = baseOf(recipe, plate);
  return [...platesOverBase(recipe, plate), ...(base < 0 ? [] : [base, ...platesOverBase(recipe, base)])];
}

/** True when a plate may have parts that are never screened. */
export const hasLines = (scene: Pick<Scene, 'recipe'>, plate: number): boolean =>
  [plate, ...concerned(scene.recipe, plate), ...knockers(scene.recipe, plate)].some((one) =>
    hasLineWork(scene, one),
  );

/** True when a plate has edges that only the film's own pixels show: spread, masked, painted, weighed by regions, or knocked out ones. */
export const isEdged = (recipe: Recipe, plate: number): boolean =>
  [plate, ...concerned(recipe, plate)].some(
    (one) =>
      recipe.plates[one].edgeSpread !== 0 ||
      recipe.plates[one].strokes.length > 0 ||
      (recipe.plates[one].mask?.parts.length ?? 0) > 0 ||
      (recipe.plates[one].regions?.length ?? 0) > 0,
  ) || knockers(recipe, plate).length > 0;

/** Cache key: equal iff plates are made of the same before they are screened. */
export function artKey(recipe: Recipe, plate: number): string {
  const { originals, plates, inks, stock, overprints, sheet } = recipe;
  const shown = originals.filter(isPlated);
  const { screen: _, ...own } = plates[plate];
  const others = [...concerned(recipe, plate), ...knockers(recipe, plate)].map((one) => {
    const { screen: _screen, ...rest } = plates[one];
    return rest;
  });
  const press = shown.some(({ route }) => isColourRoute(route))
    ? [plates.map(({ ink }) => ink), inks, stock.lab, stock.yuleNielsen, overprints]
    : [];
  // A mask by colour or tone may look at any original.
  const looks = plates.some(({ mask, regions = [] }) =>
    [mask, ...regions].some((one) => one?.parts.some(({ by }) => by !== 'area')),
  );
  const looked = looks ? originals : [];
  return JSON.stringify([shown, own, others, press, looked, sheet]);
}

/**
 * A plate's art before it is screened: what the originals put on it, a base for what lies over it, what was painted in or
 * away, its own curve and weight, its edges spread or choked, and what other plates knock out of it.
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
  const recipe = scene.recipe.plates[plate];
  const radius = mmToPixels(recipe.edgeSpread, frame);
  const margin = Math.ceil(Math.abs(radius));
  let art: PlateArt;
  // Edges that move by less than half a pixel stay where they are.
  if (Math.abs(radius) < 0.5) art = workedArt(scene, plate, frame, region, out);
  else {
    const around = {
      x: region.x - margin,
      y: region.y - margin,
      width: region.width + 2 * margin,
      height: region.height + 2 * margin,
    };
    const wide = workedArt(scene, plate, frame, around, createPlane(around.width, around.height));
    const sheet = intersect(around, { x: 0, y: 0, width: frame.width, height: frame.height });
    spreadArt(wide, radius, { ...sheet, x: sheet.x - around.x, y: sheet.y - around.y });
    art = cutArt(wide, margin, out, frame, region);
  }
  for (const other of knockers(scene.recipe, plate)) knockOut(art, cachedArt(scene, other, frame, region));
  return art;
}

/**
 * The same where it is simple, before the plate's own transfer: no more than one original's tones, with line work over them; undefined where
 * there is more.
 */
export function plainPlateArt(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
): PlainArt | undefined {
  const { recipe } = scene;
  const own = recipe.plates[plate];
  if (own.base !== null || baseOf(recipe, plate) >= 0 || isEdged(recipe, plate)) return undefined;
  return plainArt(scene, plate, frame, region);
}

/** Art that another plate asked for, and where it is: until its own plate comes to be made. */
interface CachedArt {
  readonly recipe: Recipe;
  readonly materials: string;
  readonly plate: number;
  readonly frame: Frame;
  readonly region: Region;
  readonly art: PlateArt;
}

/** The oldest first. Asked for by parts of regions, which keys could not tell. */
const cached: CachedArt[] = [];
let cachedBytes = 0;

const bytesOf = ({ tone, line }: PlateArt): number =>
  tone.data.byteLength + (line ? 2 * line.ink.data.byteLength : 0);

/** Art for another plate's sake; its own plate will want it too. It must not be changed. */
function cachedArt(scene: Scene, plate: number, frame: Frame, region: Region): PlateArt {
  const art = workedArt(scene, plate, frame, region);
  cached.push({ recipe: scene.recipe, materials: materialsKey(scene), plate, frame, region, art });
  cachedBytes += bytesOf(art);
  while (cachedBytes > cacheBytes('art for other plates') && cached.length > 1) {
    const [oldest] = cached.splice(0, 1);
    cachedBytes -= bytesOf(oldest.art);
  }
  return art;
}

/** The part of art that is cached, copied into `out`; undefined when it is not. */
function takeCached(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  out: Plane,
): PlateArt | undefined {
  if (cached.length === 0) return undefined;
  const materials = materialsKey(scene);
  const found = cached.find(
    (one) =>
      one.plate === plate &&
      one.recipe === scene.recipe &&
      one.materials === materials &&
      one.frame.resolution === frame.resolution &&
      one.frame.draft === frame.draft &&
      one.region.x <= region.x &&
      one.region.y <= region.y &&
      one.region.x + one.region.width >= region.x + region.width &&
      one.region.y + one.region.height >= region.y + region.height,
  );
  if (!found) return undefined;
  const at = { ...region, x: region.x - found.region.x, y: region.y - found.region.y };
  const { tone, line } = found.art;
  for (let y = 0; y < region.height; y++) {
    const from = (at.y + y) * tone.width + at.x;
    out.data.set(tone.data.subarray(from, from + region.width), y * region.width);
  }
  return line
    ? { tone: out, line: { ink: cropBits(line.ink, at), bare: cropBits(line.bare, at) } }
    : { tone: out };
}

/** Art without what is done to its edges. */
function workedArt(
  scene: Scene,
  plate: number,
  frame: Frame,
  region: Region,
  out: Plane = createPlane(region.width, region.height),
): PlateArt {
  const { recipe } = scene;
  const own = recipe.plates[plate];
  const before = takeCached(scene, plate, frame, region, out);
  if (before) return before;
  let art = composedArt(scene, plate, frame, region, out);
  const over = platesOverBase(recipe, plate).map((other) => cachedArt(scene, other, frame, region));
  if (own.base?.highlights) art = partHighlights(art, over, 'base');
  for (const other of over) art = layBase(art, other, (own.base?.fullness ?? 0) / 100);
  const base = baseOf(recipe, plate);
  if (base >= 0) {
    const above = platesOverBase(recipe, base).map((other) => cachedArt(scene, other, frame, region));
    art = layBase(art, partHighlights(composedArt(scene, base, frame, region), above, 'highlights'), 0);
  }
  keepMask(art, scene, own, frame, region);
  paint(art, own, recipe.sheet, frame, region);
  const { table } = ownTransfer(own);
  if (table) for (let i = 0; i < out.data.length; i++) out.data[i] = table[out.data[i]];
  weighRegions(out, scene, own, frame, region);
  return art;
}

/** A base's own art, parted: as far as something is printed over it, it is base; as far as not, highlight. */
function partHighlights(art: PlateArt, over: readonly PlateArt[], wanted: 'base' | 'highlights'): PlateArt {
  const { data } = art.tone;
  for (let i = 0; i < data.length; i++) {
    let most = 0;
    for (const { tone } of over) if (tone.data[i] > most) most = tone.data[i];
    const share = wanted === 'base' ? most : SOLID - most;
    data[i] = Math.round((data[i] * share) / SOLID);
  }
  return art;
}

/** Ink under another plate's art. */
function layBase({ tone, line }: PlateArt, over: PlateArt, fullness: number): PlateArt {
  const times = 1 / (1 - Math.min(0.999, fullness));
  const under = tone.data;
  const above = over.tone.data;
  for (let i = 0; i < under.length; i++) {
    if (above[i] === 0) continue;
    const wanted = above[i] * times;
    if (wanted > under[i]) under[i] = wanted >= SOLID ? SOLID : wanted + 0.5;
  }
  if (!over.line) return line ? { tone, line } : { tone };
  const lines = line ?? { ink: blank(over.line.ink), bare: blank(over.line.bare) };
  lay(lines.ink, lines.bare, over.line.ink);
  return { tone, line: lines };
}

const blank = (bits: Bits): Bits => ({ ...bits, data: new Uint8Array(bits.data.length) });

/** Paints in and away, line work with it. */
function paint(
  { tone, line }: PlateArt,
  { strokes, shift }: PlateRecipe,
  sheet: Sheet,
  frame: Frame,
  region: Region,
): void {
  if (strokes.length === 0) return;
  const map = strokesToGrid(sheet, shift, frame, region);
  for (const stroke of strokes) {
    paintStroke(tone, stroke, map);
    if (!line) continue;
    const share = createPlane(region.width, region.height);
    paintStroke(share, { ...stroke, strength: 100 }, map);
    for (let y = 0, i = 0; y < region.height; y++) {
      for (let x = 0; x < region.width; x++, i++) {
        if (share.data[i] < SOLID / 2) continue;
        const byte = y * line.ink.stride + (x >> 3);
        const keep = ~(0x80 >> (x & 7));
        if (stroke.strength > 0) line.bare.data[byte] &= keep;
        else line.ink.data[byte] &= keep;
      }
    }
  }
}

/** Takes away what another plate's art covers. */
function knockOut({ tone, line }: PlateArt, over: PlateArt): void {
  for (let i = 0; i < tone.data.length; i++) {
    const covered = over.tone.data[i];
    if (covered > 0) tone.data[i] = Math.round((tone.data[i] * (SOLID - covered)) / SOLID);
  }
  const { width, height } = tone;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const solid = over.line ? bitAt(over.line.ink, x, y) === 1 : false;
      if (solid) tone.data[i] = 0;
      if (line && (solid || over.tone.data[i] > SOLID / 2)) {
        line.ink.data[y * line.ink.stride + (x >> 3)] &= ~(0x80 >> (x & 7));
      }
    }
  }
}

/** The inner part of art that was made with something around it; beyond the frame it is bare. */
function cutArt(art: PlateArt, margin: number, out: Plane, frame: Frame, region: Region): PlateArt {
  const { width, height } = out;
  const left = Math.max(0, -region.x);
  const right = Math.min(width, frame.width - region.x);
  for (let y = 0; y < height; y++) {
    if (region.y + y < 0 || region.y + y >= frame.height || right <= left) continue;
    const from = (y + margin) * art.tone.width + margin;
    out.data.set(art.tone.data.subarray(from + left, from + right), y * width + left);
  }
  if (!art.line) return { tone: out };
  return {
    tone: out,
    line: { ink: inner(art.line.ink, margin, region), bare: inner(art.line.bare, margin, region) },
  };
}

const inner = (bits: Bits, margin: number, { width, height }: Region): Bits =>
  cropBits(bits, { x: margin, y: margin, width, height });

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
