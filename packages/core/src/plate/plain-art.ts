import { isMasked } from '../original/mask/mask.ts';
import { isAllLine, placeOriginal, type PlacedOriginal } from '../original/place-original.ts';
import { shifted } from '../original/shifted.ts';
import { isStraight, type Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { isPlated } from '../recipe/plated.ts';
import { inkSetOf } from '../recipe/ink-set.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { inkRows } from '../separation/route.ts';
import { toTones } from '../tone/tone-rows.ts';
import { printedInks } from './composed-art.ts';

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
  for (const one of recipe.originals.toReversed()) {
    const printed = printedInks(one).includes(ink);
    if (!isPlated(one) || (one.overprint && !printed)) continue;
    const original = shifted(one, scene, recipe.sheet, shift);
    const placed = placeOriginal({ original, materials: scene, frame });
    if (isEmpty(intersect(placed.seen, region))) continue;
    if (isAllLine(original)) lines.unshift(one);
    else if (original.overprint) return undefined;
    else {
      const tones = coveringTones(scene, placed, printed, ink, region);
      return tones && { ...(tones === 'bare' ? {} : { tones }), lines };
    }
  }
  return { lines };
}

/** An original's tones of an ink where it covers a whole region and lies straight, or 'bare' where it has none; undefined where it does not. */
function coveringTones(
  { recipe, tables, pictures }: Scene,
  { original, frame, region: box, tones }: PlacedOriginal,
  printed: boolean,
  ink: string,
  region: Region,
): StraightTones | 'bare' | undefined {
  if (!tones || isMasked(original) || (printed && original.mix)) return undefined;
  const { toSource, source, alpha } = tones;
  const sheet = intersect(box, { x: 0, y: 0, width: frame.width, height: frame.height });
  const part = intersect(sheet, region);
  if (alpha || !isStraight(toSource) || part.width < region.width || part.height < region.height)
    return undefined;
  if (!printed) return 'bare';
  const { name, tone, route } = original;
  const draft = frame.draft === true;
  const rows = inkRows(route, ink, { name, source, tone, inkSet: inkSetOf(recipe), tables, pictures, draft });
  return rows && { rows, map: toTones(toSource, source, rows) };
}
