import { bitAt, type Bits } from '../raster/bits.ts';
import { mapPoint, type Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, SOLID, type Plane } from '../raster/plane.ts';
import { readPixel } from '../raster/read-pixel.ts';
import { intersect, isEmpty, type Region } from '../raster/region.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';
import { readInto } from '../raster/read-rows.ts';
import { channelRows } from '../separation/channel-rows.ts';
import { sourcePixels } from '../separation/source-pixels.ts';
import { toneRows, toTones } from '../tone/tone-rows.ts';
import { colourDotPixels } from './colour-dots/colour-dot-pixels.ts';
import type { Layers, PlacedTones, ToneLayer } from './content-kind.ts';
import { contentKind } from './contents/index.ts';
import { mixDots, softMixDots } from './mix/mix-dots.ts';
import { mixed } from './mix/mix.ts';
import { placeOriginal, type PlacedOriginal } from './place-original.ts';

/**
 * An original in its own colours on a grid: 8-bit sRGB with alpha, which is 0 where there is none of it. What has hard
 * edges – line work, letters, dots it fades or is mixed with – is drawn `fine` times as fine each way and averaged.
 *
 * @param as `uncut` leaves its cut-out aside, `toned` sends its colours through its tone steps
 */
export function originalPixels(
  original: OriginalRecipe,
  materials: Materials,
  frame: Frame,
  region: Region,
  fine: number,
  as?: 'uncut' | 'toned',
): Uint8ClampedArray<ArrayBuffer> {
  const rgba = new Uint8ClampedArray(region.width * region.height * 4);
  const seen = as === 'uncut' ? uncutOriginal(original) : original;
  const placed = placeOriginal({ original: seen, materials, frame });
  const part = intersect(placed.seen, region);
  const on = fine === 1 ? placed : placeOriginal({ original: seen, materials, frame: finer(frame, fine) });
  if (on.layers) {
    if (!isEmpty(part)) layLayers(rgba, on.layers, on, part, region, fine);
  } else if (on.line) {
    const bits = on.line(times(region, fine));
    layLine(rgba, bits.ink, 0, region, region, fine);
    layLine(rgba, bits.bare, 255, region, region, fine);
  } else if (placed.tones && !isEmpty(part)) {
    const mask = averaged(on.mask(times(part, fine)), part, fine);
    const { colourDots } = original;
    if (colourDots && placed.tones.source.picture) {
      layDots(rgba, colourDotPixels(original, colourDots, materials, frame, part, fine), mask, part, region);
    } else {
      const colours =
        as === 'toned' && original.tone.steps.length > 0 ? toned(placed.tones, placed, part) : undefined;
      laySmooth(rgba, placed.tones, placed, mixer(on, part, fine), mask, part, region, colours);
    }
  }
  return rgba;
}

const uncutOriginal = (original: OriginalRecipe): OriginalRecipe => ({
  ...original,
  content: contentKind(original.content).uncut?.(original.content) ?? original.content,
});

/** Lays colour dots as far as a mask shows them. */
function layDots(
  rgba: Uint8ClampedArray,
  dots: Uint8ClampedArray,
  mask: Plane | undefined,
  part: Region,
  region: Region,
): void {
  for (let y = 0, i = 0; y < part.height; y++) {
    const to = ((part.y - region.y + y) * region.width + part.x - region.x) * 4;
    for (let x = 0; x < part.width; x++, i++) {
      rgba.set(dots.subarray(i * 4, i * 4 + 3), to + x * 4);
      rgba[to + x * 4 + 3] = mask ? (dots[i * 4 + 3] * mask.data[i]) / SOLID : dots[i * 4 + 3];
    }
  }
}

/** Coverages of a picture's three channels, or of one grey, after its tone steps. */
function toned({ source, toSource }: PlacedTones, { original }: PlacedOriginal, part: Region): Plane[] {
  const { tone } = original;
  const channels =
    source.picture || source.isColoured
      ? [0, 1, 2].map((channel) => channelRows(source, tone, channel))
      : [toneRows(source, tone)];
  return channels.map((rows) => {
    const plane = createPlane(part.width, part.height);
    readInto(rows, toTones(toSource, source, rows), part, plane);
    return plane;
  });
}

/** Lays a picture, or the greys of what is none, mixed with dots of its own if it is. */
function laySmooth(
  rgba: Uint8ClampedArray,
  { source, toSource }: PlacedTones,
  { original, toBox }: PlacedOriginal,
  mixedAt: Mixer | undefined,
  mask: Plane | undefined,
  part: Region,
  region: Region,
  colours?: readonly Plane[],
): void {
  const picture = sourcePixels(source);
  const inBox = original.container === null;
  const pixel = new Float64Array(4);
  for (let y = part.y, i = 0; y < part.y + part.height; y++) {
    for (let x = part.x; x < part.x + part.width; x++, i++) {
      if (mask && mask.data[i] === 0) continue;
      if (inBox && !isInside(toBox, x + 0.5, y + 0.5)) continue;
      const at = mapPoint(toSource, x + 0.5, y + 0.5);
      readPixel(picture, at.x - 0.5, at.y - 0.5, pixel);
      const to = ((y - region.y) * region.width + (x - region.x)) * 4;
      if (colours)
        for (let k = 0; k < 3; k++) pixel[k] = 255 * (1 - colours[k % colours.length].data[i] / SOLID);
      for (let k = 0; k < 3; k++)
        rgba[to + k] = mixedAt ? 255 * mixedAt(pixel[k] / 255, x - part.x, y - part.y) : pixel[k];
      rgba[to + 3] = mask ? (pixel[3] * mask.data[i]) / SOLID : pixel[3];
    }
  }
}

/** Lays pixels with alpha over others. */
export function layPixels(under: Uint8ClampedArray, over: Uint8ClampedArray): void {
  for (let i = 0; i < under.length; i += 4) {
    const alpha = over[i + 3] / 255;
    if (alpha > 0) layColour(under, i, over[i], over[i + 1], over[i + 2], alpha);
  }
}

function layColour(rgba: Uint8ClampedArray, to: number, r: number, g: number, b: number, alpha: number) {
  const below = rgba[to + 3] / 255;
  const whole = alpha + below * (1 - alpha);
  const share = alpha / whole;
  rgba[to] = r * share + rgba[to] * (1 - share);
  rgba[to + 1] = g * share + rgba[to + 1] * (1 - share);
  rgba[to + 2] = b * share + rgba[to + 2] * (1 - share);
  rgba[to + 3] = 255 * whole;
}

const finer = (frame: Frame, by: number): Frame => ({
  ...frame,
  width: frame.width * by,
  height: frame.height * by,
  resolution: frame.resolution * by,
});

const times = ({ x, y, width, height }: Region, by: number): Region => ({
  x: x * by,
  y: y * by,
  width: width * by,
  height: height * by,
});

function isInside(toBox: Affine, x: number, y: number): boolean {
  const { x: u, y: v } = mapPoint(toBox, x, y);
  return u >= 0 && u < 1 && v >= 0 && v < 1;
}

/** Means over squares of `fine` pixels. */
function averaged<P extends Plane | undefined>(plane: P, { width, height }: Region, fine: number): P | Plane {
  if (!plane || fine === 1) return plane;
  const out = createPlane(width, height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      let sum = 0;
      for (let k = 0; k < fine; k++) {
        const from = (y * fine + k) * plane.width + x * fine;
        for (let l = 0; l < fine; l++) sum += plane.data[from + l];
      }
      out.data[i] = Math.round(sum / (fine * fine));
    }
  }
  return out;
}

/** A grey (0 dark – 1 light) mixed with the dots in a pixel, which is counted from a part's corner. */
type Mixer = (grey: number, x: number, y: number) => number;

/** How an original is mixed with dots of its own. */
function mixer(on: PlacedOriginal, part: Region, fine: number): Mixer | undefined {
  const { mix } = on.original;
  if (!mix) return undefined;
  const soft = softMixDots(mix, on, times(part, fine));
  if (!soft) {
    const inked = shares(mixDots(mix, on, times(part, fine)), part, fine);
    return (grey, x, y) => {
      const share = inked[y * part.width + x];
      return share * mixed(mix, grey, 0) + (1 - share) * mixed(mix, grey, 1);
    };
  }
  return (grey, x, y) => {
    let sum = 0;
    for (let k = 0; k < fine * fine; k++) {
      const at = (y * fine + Math.floor(k / fine)) * soft.width + x * fine + (k % fine);
      sum += mixed(mix, grey, 1 - soft.data[at] / SOLID);
    }
    return sum / (fine * fine);
  };
}

function shares(bits: Bits, { width, height }: Region, fine: number): Float64Array {
  const out = new Float64Array(width * height);
  const full = fine * fine;
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      let count = 0;
      for (let k = 0; k < full; k++)
        count += bitAt(bits, x * fine + (k % fine), y * fine + Math.floor(k / fine));
      out[i] = count / full;
    }
  }
  return out;
}

/** Lays bits of one part in one grey. */
function layLine(
  rgba: Uint8ClampedArray,
  bits: Bits,
  grey: number,
  part: Region,
  region: Region,
  fine: number,
): void {
  const share = shares(bits, part, fine);
  for (let y = 0, i = 0; y < part.height; y++) {
    for (let x = 0; x < part.width; x++, i++) {
      if (share[i] === 0) continue;
      const to = ((part.y - region.y + y) * region.width + part.x - region.x + x) * 4;
      layColour(rgba, to, grey, grey, grey, share[i]);
    }
  }
}

function layLayers(
  rgba: Uint8ClampedArray,
  layersIn: (region: Region) => Layers,
  on: PlacedOriginal,
  part: Region,
  region: Region,
  fine: number,
): void {
  const wide = times(part, fine);
  const { glow, fill, line } = layersIn(wide);
  const mask = on.mask(wide);
  const layTone = ({ tone, alpha }: ToneLayer) => {
    if (mask) for (let i = 0; i < alpha.data.length; i++) alpha.data[i] *= mask.data[i] / SOLID;
    const opaque = averaged(alpha, part, fine);
    const dark = averaged(tone, part, fine);
    for (let y = 0, i = 0; y < part.height; y++) {
      for (let x = 0; x < part.width; x++, i++) {
        if (opaque.data[i] === 0) continue;
        const grey = 255 * (1 - dark.data[i] / SOLID);
        const to = ((part.y - region.y + y) * region.width + part.x - region.x + x) * 4;
        layColour(rgba, to, grey, grey, grey, opaque.data[i] / SOLID);
      }
    }
  };
  if (glow) layTone(glow);
  if (fill) layTone(fill);
  layLine(rgba, line.ink, 0, part, region, fine);
  layLine(rgba, line.bare, 255, part, region, fine);
}
