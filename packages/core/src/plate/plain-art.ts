import { isStraight, type Affine } from '../raster/affine.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { inkSetOf } from '../recipe/ink-set.ts';
import { inkRows, lineInks, routeInks } from '../separation/route.ts';
import { toTones } from '../tone/tone-rows.ts';
import { grown } from './composed-art.ts';
import { isAllLine, letteringRegion } from '../original/lettering-layers.ts';
import { isLineWork, lineRegion } from '../original/line-work.ts';
import { isMasked, maskReach } from '../original/mask/mask.ts';
import { readOriginal } from '../original/read-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials, Scene } from '../recipe/scene.ts';
import { shifted } from '../original/shifted.ts';

/** Tones that lie straight on a grid, and the way to them from its pixels. */
export interface StraightTones {
  readonly rows: Rows;
  readonly map: Affine;
}

/** Art of a plate in a region where it is simple. */
export interface PlainArt {
  /** Tones all over; missing where it is bare. */
  readonly tones?: StraightTones;
  /** Originals that are laid over them and have nothing but line work, the lowest first. */
  readonly lines: readonly OriginalRecipe[];
}

/**
 * What an ink's plate asks for in a region where no more than one original's tones are to be seen, straight and all over, with line work
 * over them; undefined where it takes more to tell. It is what `composedArt` gives there.
 */
export function plainArt(scene: Scene, plate: number, frame: Frame, region: Region): PlainArt | undefined {
  const { recipe } = scene;
  const { ink, shift } = recipe.plates[plate];
  const lines: OriginalRecipe[] = [];
  for (const one of [...recipe.originals].reverse()) {
    const inks = inksOf(one);
    if (!one.shown || (one.overprint && !inks.includes(ink))) continue;
    const original = shifted(one, scene, recipe.sheet, shift);
    if (isEmpty(intersect(seenRegion(original, scene, frame), region))) continue;
    if (isAllLines(original)) lines.unshift(one);
    else if (original.overprint) return undefined;
    else {
      const tones = coveringTones(scene, original, ink, frame, region);
      return tones && { ...(tones === 'bare' ? {} : { tones }), lines };
    }
  }
  return { lines };
}

/** Inks that an original is printed in. */
const inksOf = (original: OriginalRecipe): readonly string[] =>
  original.content.kind === 'lettering' || isLineWork(original)
    ? lineInks(original.route)
    : routeInks(original.route);

/** True for originals that are never screened. */
const isAllLines = (original: OriginalRecipe): boolean =>
  original.content.kind === 'lettering' ? isAllLine(original.content) : isLineWork(original);

/** Pixels of a grid in which an original may be seen. */
function seenRegion(original: OriginalRecipe, materials: Materials, frame: Frame): Region {
  if (original.content.kind === 'lettering') return letteringRegion(original, frame);
  const box = isLineWork(original)
    ? lineRegion(original, materials, frame)
    : readOriginal(original, materials, frame).region;
  return grown(box, Math.ceil(mmToPixels(maskReach(original), frame)));
}

/** An original's tones of an ink where it covers a whole region and lies straight, or 'bare' where it has none; undefined where it does not. */
function coveringTones(
  scene: Scene,
  original: OriginalRecipe,
  ink: string,
  frame: Frame,
  region: Region,
): StraightTones | 'bare' | undefined {
  if (original.content.kind === 'lettering' || isMasked(original)) return undefined;
  const printed = routeInks(original.route).includes(ink);
  if (printed && original.mix) return undefined;
  const { region: box, toSource, source, alpha } = readOriginal(original, scene, frame);
  const sheet = intersect(box, { x: 0, y: 0, width: frame.width, height: frame.height });
  const part = intersect(sheet, region);
  if (alpha || !isStraight(toSource) || part.width < region.width || part.height < region.height)
    return undefined;
  if (!printed) return 'bare';
  const { name, tone, route } = original;
  const { recipe, tables } = scene;
  const draft = frame.draft === true;
  const rows = inkRows(route, ink, { name, source, tone, inkSet: inkSetOf(recipe), tables, draft });
  return rows && { rows, map: toTones(toSource, source, rows) };
}
