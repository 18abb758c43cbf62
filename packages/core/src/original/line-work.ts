import { MissingMaterial } from '../base/errors.ts';
import { paintDrawing, type LineBits } from '../drawing/paint-drawing.ts';
import { gaussian, gaussianMargin } from '../filter/gaussian.ts';
import { after, inverse, scaled, type Affine } from '../raster/affine.ts';
import { createBits } from '../raster/bits.ts';
import { createPlane, percentToCoverage, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { cutRows, rowsOf, type Rows } from '../raster/rows.ts';
import { readInto } from '../raster/read-rows.ts';
import { insideBox } from '../raster/sample.ts';
import { toneRows, toTones, type ToneSource } from '../tone/tone-rows.ts';
import type { Frame } from '../raster/frame.ts';
import { keepMasked, maskOf } from './mask/mask.ts';
import { gridToBox, placedHeight, regionOf } from './placed.ts';
import { readOriginal } from './read-original.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';

/** True for originals that are laid over the screened art with hard edges. */
export const isLineWork = ({ content }: OriginalRecipe): boolean =>
  content.kind === 'drawing' || (content.kind === 'picture' && content.line !== null);

/** Pixels of a grid that a drawing may cover. */
export function lineRegion(original: OriginalRecipe, materials: Materials, frame: Frame): Region {
  if (original.content.kind !== 'drawing') return readOriginal(original, materials, frame).region;
  return regionOf(gridToBox(original, placedHeight(original, undefined), frame));
}

/** An original's line work in a region of a grid, drawn at the grid's own resolution. */
export function lineBits(
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  region: Region,
): LineBits {
  const { content } = original;
  if (content.kind === 'drawing') {
    const drawing = materials.drawings.get(content.drawing);
    if (!drawing) throw new MissingMaterial('drawing', original.name, content.drawing);
    const toBox = gridToBox(original, placedHeight(original, undefined), frame);
    const toGrid = after(scaled(1 / drawing.width, 1 / drawing.height), inverse(toBox));
    return masked(paintDrawing(drawing, toGrid, region), original, materials, frame, region);
  }
  if (content.kind !== 'picture' || !content.line) throw new TypeError('This original is no line work.');
  const { source, toSource, toBox, alpha } = readOriginal(original, materials, frame);
  const { tones, toTones } = lineTones(original, source);
  const tone = createPlane(region.width, region.height);
  readInto(tones, toTones(toSource), region, tone);
  const inside = insideBox(toBox, region);
  let opaque: Plane | undefined;
  if (alpha) {
    opaque = createPlane(region.width, region.height);
    readInto(alpha, toSource, region, opaque);
  }
  const ink = createBits(region.width, region.height);
  const least = Math.max(1, percentToCoverage(content.line.threshold));
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) {
      if (tone.data[i] >= least && inside.data[i] && (!opaque || opaque.data[i] >= 32768)) {
        ink.data[y * ink.stride + (x >> 3)] |= 0x80 >> (x & 7);
      }
    }
  }
  const bare = createBits(region.width, region.height);
  return masked({ ink, bare }, original, materials, frame, region);
}

/** The tones whose level a picture's line work is drawn at, and how a map to its source's pixels leads to theirs. */
export function lineTones(
  { content, tone }: OriginalRecipe,
  source: ToneSource,
): { tones: Rows; toTones: (toSource: Affine) => Affine } {
  if (content.kind !== 'picture' || !content.line) throw new TypeError('This original is no line work.');
  const made = toneRows(source, tone);
  const scale = (source.scale * source.width) / made.width;
  const tones = smoothed(made, content.line.smooth / scale);
  return { tones, toTones: (toSource) => toTones(toSource, source, tones) };
}

/** Line work with what its container, cut-out and fade hide taken away. */
function masked(
  bits: LineBits,
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  region: Region,
): LineBits {
  const mask = maskOf(original, materials, undefined, frame, region);
  if (mask) {
    keepMasked(bits.ink, mask);
    keepMasked(bits.bare, mask);
  }
  return bits;
}

/** Rows blurred a few at a time. */
function smoothed(rows: Rows, sigma: number): Rows {
  const margin = gaussianMargin(sigma);
  if (margin === 0) return rows;
  const size = Math.max(64, margin);
  let at = -1;
  let band = rows;
  let top = 0;
  return {
    width: rows.width,
    height: rows.height,
    row(y) {
      if (Math.floor(y / size) !== at) {
        at = Math.floor(y / size);
        top = Math.max(0, at * size - margin);
        const height = Math.min(rows.height, (at + 1) * size + margin) - top;
        band = rowsOf(gaussian(cutRows(rows, { x: 0, y: top, width: rows.width, height }), sigma, top));
      }
      return band.row(y - top);
    },
  };
}
