import type { LineBits } from '../drawing/paint-drawing.ts';
import { gaussian, gaussianMargin } from '../filter/gaussian.ts';
import type { Affine } from '../raster/affine.ts';
import { createBits, setBit } from '../raster/bits.ts';
import { createPlane, HALF, percentToCoverage, type Plane } from '../raster/plane.ts';
import { readInto } from '../raster/read-rows.ts';
import type { Region } from '../raster/region.ts';
import { cutRows, rowsOf, type Rows } from '../raster/rows.ts';
import { insideBox } from '../raster/sample.ts';
import type { LineWork } from '../recipe/recipe.ts';
import { toneRows, toTones, type ToneSource } from '../tone/tone-rows.ts';
import type { Tone } from '../tone/tone.ts';
import type { PlacedTones } from './content-kind.ts';

/** Line work out of a picture: what of its tones reaches a threshold. */

/** Least coverage that prints. */
export const lineThreshold = ({ threshold }: LineWork): number => Math.max(1, percentToCoverage(threshold));

/** The tones whose level line work is drawn at, and how a map to their source's pixels leads to theirs. */
export function tracedTones(
  { smooth }: LineWork,
  tone: Tone,
  source: ToneSource,
): { tones: Rows; toTones: (toSource: Affine) => Affine } {
  const made = toneRows(source, tone);
  const scale = (source.scale * source.width) / made.width;
  const tones = smoothed(made, smooth / scale);
  return { tones, toTones: (toSource) => toTones(toSource, source, tones) };
}

/** Line work in a region of a grid. */
export function tracedBits(
  line: LineWork,
  tone: Tone,
  { source, toSource, alpha }: PlacedTones,
  toBox: Affine,
  region: Region,
): LineBits {
  const { tones, toTones } = tracedTones(line, tone, source);
  const plane = createPlane(region.width, region.height);
  readInto(tones, toTones(toSource), region, plane);
  const inside = insideBox(toBox, region);
  let opaque: Plane | undefined;
  if (alpha) {
    opaque = createPlane(region.width, region.height);
    readInto(alpha, toSource, region, opaque);
  }
  const ink = createBits(region.width, region.height);
  const least = lineThreshold(line);
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) {
      if (plane.data[i] >= least && inside.data[i] && (!opaque || opaque.data[i] >= HALF)) setBit(ink, x, y);
    }
  }
  return { ink, bare: createBits(region.width, region.height) };
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
