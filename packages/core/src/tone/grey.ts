import { SOLID } from '../raster/plane.ts';
import { fullSample, hasAlpha, type Picture } from '../raster/picture.ts';
import type { Region } from '../raster/region.ts';
import type { Plane } from '../raster/plane.ts';

/** Shares of red, green and blue in the grey; any positive scale, only their ratio counts. */
export interface GreyWeights {
  readonly red: number;
  readonly green: number;
  readonly blue: number;
}

/** Luma weights of ITU-R BT.709-6, item 3.2. */
export const BT709: GreyWeights = { red: 0.2126, green: 0.7152, blue: 0.0722 };

/**
 * A region of a picture as coverage: 65535 − weighted grey of the encoded (sRGB) samples, sent through a table
 * of 65536 coverages. Weights work on the encoded values, as luma does. Alpha is left aside.
 */
export function greyCoverage(
  picture: Picture,
  weights: GreyWeights,
  table: Uint16Array,
  region: Region,
): Plane {
  const out = new Uint16Array(region.width * region.height);
  const { data, channels, width } = picture;
  const scale = SOLID / fullSample(picture);
  const sum = weights.red + weights.green + weights.blue;
  const red = (weights.red / sum) * scale;
  const green = (weights.green / sum) * scale;
  const blue = (weights.blue / sum) * scale;
  let at = 0;
  for (let y = 0; y < region.height; y++) {
    let from = ((region.y + y) * width + region.x) * channels;
    const end = at + region.width;
    if (channels < 3) {
      for (; at < end; at++, from += channels) out[at] = table[SOLID - data[from] * scale];
    } else {
      for (; at < end; at++, from += channels) {
        const grey = (data[from] * red + data[from + 1] * green + data[from + 2] * blue + 0.5) | 0;
        out[at] = table[SOLID - grey];
      }
    }
  }
  return { width: region.width, height: region.height, data: out };
}

/** A region's opacity (0 = nothing there, 65535 = opaque), or undefined when the picture has no alpha. */
export function opacity(picture: Picture, region: Region): Plane | undefined {
  if (!hasAlpha(picture)) return undefined;
  const out = new Uint16Array(region.width * region.height);
  const { data, channels, width } = picture;
  const scale = SOLID / fullSample(picture);
  let at = 0;
  for (let y = 0; y < region.height; y++) {
    let from = ((region.y + y) * width + region.x) * channels + channels - 1;
    for (const end = at + region.width; at < end; at++, from += channels) out[at] = data[from] * scale;
  }
  return { width: region.width, height: region.height, data: out };
}
