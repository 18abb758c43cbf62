import { LUMA_709 } from '../colour/luma.ts';
import { bytesAt, uploadOnce, kernels, pixelsAt, ROWS } from '../kernel/memory.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { fullSample, hasAlpha, type Picture } from '../raster/picture.ts';
import type { Region } from '../raster/region.ts';

/** Grey of each pure hue at full strength, in percent: 0 prints solid, 100 stays bare. */
export interface HueWeights {
  readonly red: number;
  readonly yellow: number;
  readonly green: number;
  readonly cyan: number;
  readonly blue: number;
  readonly magenta: number;
}

/** Hue weights of a plain weighted sum of red, green and blue: a mixture weighs what its parts do. Shares 0–1. */
export const weightsOf = (red: number, green: number, blue: number): HueWeights => ({
  red: red * 100,
  yellow: (red + green) * 100,
  green: green * 100,
  cyan: (green + blue) * 100,
  blue: blue * 100,
  magenta: (blue + red) * 100,
});

/** Luma weights of ITU-R BT.709-6, item 3.2: what each hue weighs to the eye. */
export const BT709: HueWeights = weightsOf(...LUMA_709);

/** True when the weights are a plain weighted sum of red, green and blue. */
const isPlainSum = (w: HueWeights): boolean =>
  Math.abs(w.yellow - w.red - w.green) < 1e-6 &&
  Math.abs(w.cyan - w.green - w.blue) < 1e-6 &&
  Math.abs(w.magenta - w.blue - w.red) < 1e-6 &&
  Math.abs(w.red + w.green + w.blue - 100) < 1e-6;

/** Which of red, green and blue alone the weights let through; −1 when they mix them. */
function channelOf(weights: HueWeights): number {
  if (!isPlainSum(weights)) return -1;
  return [weights.red, weights.green, weights.blue].indexOf(100);
}

/**
 * Rows of a picture as coverage: 65535 − grey of the encoded (sRGB) samples, sent through a table of 65536 coverages. A
 * colour is taken apart into white, its nearest mixed hue (yellow, cyan, magenta) and its nearest pure one; white weighs
 * 100 %, the hues what their weights say. With plain weights that is luma. Alpha is left aside.
 */
export function greyCoverage(
  picture: Picture,
  weights: HueWeights,
  table: Uint16Array,
  region: Region,
  made: Plane = createPlane(region.width, region.height),
): Plane {
  const fixed = fixedWeights(picture, weights);
  if (fixed) return summedCoverage(picture, fixed, table, region, made);
  const out = made.data;
  const { data, channels, width } = picture;
  const scale = SOLID / fullSample(picture);
  const read = channels < 3 ? readGrey : isPlainSum(weights) ? readSum : readHues;
  // One sample alone decides: of grey, or of a colour of which one channel is wanted.
  const channel = channels < 3 ? 0 : channelOf(weights);
  const short =
    channel >= 0 && scale > 1
      ? Uint16Array.from({ length: 256 }, (_, v) => table[SOLID - v * 257])
      : undefined;
  for (let y = 0; y < region.height; y++) {
    const from = ((region.y + y) * width + region.x) * channels + (short ? channel : 0);
    const to = y * region.width;
    if (short)
      for (let i = 0, at = from; i < region.width; i++, at += channels) out[to + i] = short[data[at]];
    else read(data, from, channels, scale, weights, table, out, to, region.width);
  }
  return made;
}

type Three = readonly [red: number, green: number, blue: number];

/** Weights as whole numbers for the kernel, where each pixel is a plain weighted sum of 8-bit samples. */
function fixedWeights(picture: Picture, weights: HueWeights): Three | undefined {
  const { red, green, blue } = weights;
  const suits = picture.channels >= 3 && picture.data instanceof Uint8Array && isPlainSum(weights);
  if (!suits || Math.min(red, green, blue) < 0) return undefined;
  const whole = 257 * 65536;
  const [r, b] = [Math.round((red / 100) * whole), Math.round((blue / 100) * whole)];
  return [r, whole - r - b, b];
}

function summedCoverage(
  picture: Picture,
  [red, green, blue]: Three,
  table: Uint16Array,
  region: Region,
  out: Plane,
): Plane {
  const { channels, width } = picture;
  const data = picture.data as Uint8Array;
  const row = bytesAt(ROWS.source, region.width * channels);
  const made = pixelsAt(ROWS.out, region.width);
  for (let y = 0; y < region.height; y++) {
    const from = ((region.y + y) * width + region.x) * channels;
    row.set(data.subarray(from, from + region.width * channels));
    kernels.greyRow(ROWS.source, channels, red, green, blue, uploadOnce(table), ROWS.out, region.width);
    out.data.set(made, y * region.width);
  }
  return out;
}

type Read = (
  data: Uint8Array | Uint16Array,
  from: number,
  channels: number,
  scale: number,
  weights: HueWeights,
  table: Uint16Array,
  out: Uint16Array,
  to: number,
  count: number,
) => void;

const readGrey: Read = (data, from, channels, scale, _, table, out, to, count) => {
  for (let i = 0; i < count; i++, from += channels) out[to + i] = table[SOLID - data[from] * scale];
};

const readSum: Read = (data, from, channels, scale, weights, table, out, to, count) => {
  const red = (weights.red * scale) / 100;
  const green = (weights.green * scale) / 100;
  const blue = (weights.blue * scale) / 100;
  for (let i = 0; i < count; i++, from += channels) {
    const grey = (data[from] * red + data[from + 1] * green + data[from + 2] * blue + 0.5) | 0;
    out[to + i] = table[SOLID - grey];
  }
};

const readHues: Read = (data, from, channels, scale, w, table, out, to, count) => {
  for (let i = 0; i < count; i++, from += channels) {
    const r = data[from];
    const g = data[from + 1];
    const b = data[from + 2];
    const least = r < g ? (r < b ? r : b) : g < b ? g : b;
    const most = r > g ? (r > b ? r : b) : g > b ? g : b;
    const middle = r + g + b - least - most;
    const pure = most === r ? w.red : most === g ? w.green : w.blue;
    const mixed = least === b ? w.yellow : least === r ? w.cyan : w.magenta;
    const grey = least + ((middle - least) * mixed + (most - middle) * pure) / 100;
    out[to + i] = table[SOLID - Math.min(SOLID, Math.max(0, Math.round(grey * scale)))];
  }
};

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
