import type { LineBits } from '../drawing/paint-drawing.ts';
import type { Gradient } from '../gradient/gradient.ts';
import { mmToPixels } from '../raster/frame.ts';
import type { Plane } from '../raster/plane.ts';
import { grownRegion, type Region } from '../raster/region.ts';
import type { CutOut } from '../recipe/cut-out.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import type { Screen } from '../screen/screen.ts';
import type { ToneSource } from '../tone/tone-rows.ts';
import type { PlacedContent, Placing, Size } from './content-kind.ts';
import { contentKind } from './contents/index.ts';
import { isMasked, keepMasked, maskOf, maskReach } from './mask/mask.ts';

/** An original laid on a grid, with what its container, cut-out and fade leave of it. */
export interface PlacedOriginal extends PlacedContent, Placing {
  /** Pixels of the grid in which it may be seen. */
  readonly seen: Region;
  /**
   * Where it is seen in a region: 65535 = there, 0 = not; undefined when nothing hides any of it. Its own alpha has no say.
   *
   * @param screen of the plate, whose dots stay whole at a container's edge if it says so; none for a picture on screen
   */
  readonly mask: (region: Region, screen?: Screen) => Plane | undefined;
  /** Its line work in a region, masked. */
  readonly line?: (region: Region) => LineBits;
}

const placeContent = (placing: Placing): PlacedContent => {
  const { content } = placing.original;
  return contentKind(content).place(content, placing);
};

/**
 * Lays an original on a grid.
 *
 * @throws MissingMaterial when what it is made from is not at hand
 */
export function placeOriginal(placing: Placing): PlacedOriginal {
  const { original, frame } = placing;
  const content = placeContent(placing);
  const { line, layers, region } = content;
  const mask: PlacedOriginal['mask'] = (part, screen) =>
    isMasked(original) ? maskOf(placing, content, placeContent, part, screen) : undefined;
  return {
    ...placing,
    ...content,
    // What is laid in layers says its own reach.
    seen: layers ? region : grownRegion(region, Math.ceil(mmToPixels(maskReach(original), frame))),
    mask,
    ...(line
      ? {
          line(part) {
            const bits = line(part);
            const seen = mask(part);
            if (seen) {
              keepMasked(bits.ink, seen);
              keepMasked(bits.bare, seen);
            }
            return bits;
          },
        }
      : {}),
  };
}

/**
 * Height in mm of an original's box; nothing is ever stretched.
 *
 * @param picture size in pixels of the picture it is made from
 * @throws RangeError when that is needed and missing
 */
export const placedHeight = ({ content, placement }: OriginalRecipe, picture?: Size): number =>
  contentKind(content).height(content, placement.width, picture);

/** The gradient an original is made of, or filled with, over its whole box. */
export const gradientOf = ({ content }: Pick<OriginalRecipe, 'content'>): Gradient | undefined =>
  contentKind(content).gradient?.(content);

/** What is cut out of an original. */
export const cutOutOf = ({ content }: Pick<OriginalRecipe, 'content'>): CutOut | null =>
  contentKind(content).cut?.(content) ?? null;

/** True when its route separates an original's tones, and they are screened. */
export const hasTones = ({ content }: Pick<OriginalRecipe, 'content'>): boolean =>
  contentKind(content).hasTones(content);

/** True when an original may have parts that are never screened. */
export const hasLine = ({ content }: Pick<OriginalRecipe, 'content'>): boolean =>
  contentKind(content).hasLine(content);

/** True when nothing of an original is screened. */
export const isAllLine = ({ content }: Pick<OriginalRecipe, 'content'>): boolean =>
  contentKind(content).isAllLine(content);

/** An original's tones on a grid of at most so many pixels, to count or to look at quickly; what is never screened has none. */
export const smallSource = (
  original: OriginalRecipe,
  materials: Materials,
  pixels: number,
): ToneSource | undefined =>
  contentKind(original.content).smallSource(original.content, original, materials, pixels);
