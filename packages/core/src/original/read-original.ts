import { MissingMaterial } from '../base/errors.ts';
import { gradientSize, gradientSource } from '../gradient/gradient-source.ts';
import type { Gradient } from '../gradient/gradient.ts';
import { after, scaled, type Affine } from '../raster/affine.ts';
import { hasAlpha } from '../raster/picture.ts';
import { chooseLevel, type Pyramid } from '../raster/pyramid.ts';
import type { Region } from '../raster/region.ts';
import type { Rows } from '../raster/rows.ts';
import { opacity } from '../tone/grey.ts';
import { pictureSource } from '../tone/picture-source.ts';
import type { ToneSource } from '../tone/tone-rows.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { boxToPicture, effectiveResolution, gridToBox, placedHeight, regionOf } from './placed.ts';
import type { Content, OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';

/** An original of tones set on a grid. */
export interface ReadOriginal {
  /** Pixels of the grid it may cover. */
  readonly region: Region;
  /** From the grid's pixels to shares of its box. */
  readonly toBox: Affine;
  /** From the grid's pixels to its source's. */
  readonly toSource: Affine;
  readonly source: ToneSource;
  /** 0 = nothing there, 65535 = opaque; missing when it is opaque all over. */
  readonly alpha?: Rows;
}

/** The picture behind an original. */
export function pictureOf(original: OriginalRecipe, { pictures }: Materials): Pyramid | undefined {
  if (original.content.kind !== 'picture') return undefined;
  const pyramid = pictures.get(original.content.picture);
  if (!pyramid) throw new MissingMaterial('picture', original.name, original.content.picture);
  return pyramid;
}

/** Number of halvings that brings so many pixels a grid pixel nearest to one. */
const halvingsFor = (pixelsPerOutput: number): number =>
  Math.max(0, Math.round(Math.log2(Math.max(1, pixelsPerOutput))));

/** Sets an original on a grid and chooses the size at which its tones are read. */
export function readOriginal(original: OriginalRecipe, materials: Materials, frame: Frame): ReadOriginal {
  const { content, placement } = original;
  const pyramid = pictureOf(original, materials);
  const toBox = gridToBox(original, placedHeight(original, pyramid), frame);
  const region = regionOf(toBox);
  const across = mmToPixels(placement.width, frame);
  if (content.kind === 'gradient') {
    const size = gradientSize(content, placement.width);
    const scale = 2 ** Math.min(6, halvingsFor(size.width / across));
    const source = gradientSource(content, placement.width, scale);
    return { region, toBox, source, toSource: after(toBox, scaled(size.width / scale, size.height / scale)) };
  }
  if (content.kind !== 'picture') throw new TypeError('This original has no tones of its own.');
  const { crop } = content;
  // A first picture makes do with half as fine a one.
  const coarser = frame.draft ? 2 : 1;
  const level = chooseLevel(pyramid!, (coarser * crop.width * pyramid!.width) / across);
  const picture = pyramid!.levels[level]!;
  const scale = 2 ** level;
  const toSource = after(after(toBox, boxToPicture(crop, pyramid!)), scaled(1 / scale));
  const source = pictureSource(picture, scale, effectiveResolution(crop, placement.width, pyramid!));
  if (!hasAlpha(picture)) return { region, toBox, toSource, source };
  const { width, height } = picture;
  const row = (y: number) => opacity(picture, { x: 0, y, width, height: 1 })!.data;
  return { region, toBox, toSource, source, alpha: { width, height, row } };
}

/** The gradient an original is made of, or its letters are filled with, over its whole box. */
export function gradientOf(content: Content): Gradient | undefined {
  if (content.kind === 'gradient') return content;
  if (content.kind !== 'lettering' || content.fill !== 'gradient') return undefined;
  return { ...content.gradient, ratio: content.ratio };
}

/** An original's tones on a grid of at most so many pixels, to count or to look at quickly; what is never screened has none. */
export function smallSource(
  original: OriginalRecipe,
  materials: Materials,
  pixels: number,
): ToneSource | undefined {
  const { content, placement } = original;
  const gradient = gradientOf(content);
  if (gradient) {
    const { width, height } = gradientSize(gradient, placement.width);
    const scale = 2 ** halvingsFor(Math.sqrt((width * height) / pixels));
    return gradientSource(gradient, placement.width, scale);
  }
  if (content.kind !== 'picture') return undefined;
  const pyramid = pictureOf(original, materials);
  const level = chooseLevel(pyramid!, 2 * Math.sqrt((pyramid!.width * pyramid!.height) / pixels));
  return pictureSource(
    pyramid!.levels[level]!,
    2 ** level,
    effectiveResolution(content.crop, placement.width, pyramid!),
  );
}
