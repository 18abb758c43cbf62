import { cache } from '../base/cache.ts';
import { encode8, type LinearRgb } from '../colour/srgb.ts';
import { isEnlarged, type PlatesView, type Shown } from './plates-view.ts';
import { seenLight, SHARE } from './seen-light.ts';
import { inkShares } from './ink-shares.ts';

/**
 * What the plates look like, in linear light: see `seenLight`.
 *
 * @param colours of the overprints of just these plates, as `overprints` gives them
 */
export function proof(request: PlatesView, colours: readonly LinearRgb[]): Shown {
  const { plates } = request;
  if (plates.length === 1) {
    if (request.frame.draft === true && !isEnlarged(request)) {
      const shares = inkShares(request, plates[0]);
      return { rgba: ramped(shares, colours), inked: [meanOf(shares)] };
    }
    const { planes, inked } = seenLight(request, [SHARE], 0, 1);
    return { rgba: ramped(planes[0][0], colours), inked };
  }
  const { planes, inked } = seenLight(request, [Float64Array.from(colours.flat())]);
  const [reds, greens, blues] = planes[0];
  const rgba = new Uint8ClampedArray(reds.length * 4);
  for (let i = 0, at = 0; i < reds.length; i++, at += 4) {
    rgba[at] = encode8(reds[i]);
    rgba[at + 1] = encode8(greens[i]);
    rgba[at + 2] = encode8(blues[i]);
    rgba[at + 3] = 255;
  }
  return { rgba, inked };
}

function meanOf(plane: Float32Array): number {
  let sum = 0;
  for (let i = 0; i < plane.length; i++) sum += plane[i];
  return sum / plane.length;
}

/** Steps of a ramp from stock to ink. */
const STEPS = 65535;
/** Pixels of four bytes. */
const recentRamps = cache<Uint32Array>('ink ramps');

function rampOf([stock, ink]: readonly LinearRgb[]): Uint32Array {
  return recentRamps(`${stock.join()} ${ink.join()}`, () => {
    const bytes = new Uint8Array((STEPS + 1) * 4).fill(255);
    for (let i = 0; i <= STEPS; i++) {
      for (let k = 0; k < 3; k++) bytes[4 * i + k] = encode8(stock[k] + ((ink[k] - stock[k]) * i) / STEPS);
    }
    return new Uint32Array(bytes.buffer);
  });
}

/** Paints one ink by its shares, which is much quicker than mixing every pixel. A share beyond an end is that end. */
function ramped(shares: Float32Array, colours: readonly LinearRgb[]): Uint8ClampedArray<ArrayBuffer> {
  const ramp = rampOf(colours);
  const pixels = new Uint32Array(shares.length);
  for (let i = 0; i < shares.length; i++) {
    const at = (shares[i] * STEPS + 0.5) | 0;
    pixels[i] = ramp[at < 0 ? 0 : at > STEPS ? STEPS : at];
  }
  return new Uint8ClampedArray(pixels.buffer);
}
