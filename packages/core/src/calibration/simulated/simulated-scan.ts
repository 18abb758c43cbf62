import { encode8 } from '../../colour/srgb.ts';
import { normalOf } from './normal.ts';
import type { Picture } from '../../raster/picture.ts';
import { homography, type Homography } from '../homography.ts';
import type { Point } from '../target-layout.ts';
import { blur, type LightPicture } from './simulated-press.ts';

/** How a print is laid under a scanner, or held before a camera. */
export interface SimulatedScan {
  /** Pixels an inch of the picture, where the print is seen straight. */
  readonly ppi: number;
  /** Degrees. */
  readonly turn: number;
  /** How much narrower the far side is seen than the near one, 0–1, across and down. */
  readonly perspective: readonly [number, number];
  /** Standard deviation of its blur, pixels. */
  readonly blur: number;
  /** Standard deviation of its noise, of light 0–1. */
  readonly noise: number;
  /** Share of light that is lost from where it is brightest to where it is darkest. */
  readonly uneven: number;
  /** Light that a bare white reaches, 0–1. */
  readonly exposure: number;
  /** Of the picture around the print, mm. */
  readonly margin: number;
  readonly seed: number;
}

export const STRAIGHT_SCAN: SimulatedScan = {
  ppi: 300,
  turn: 0,
  perspective: [0, 0],
  blur: 0.6,
  noise: 0.004,
  uneven: 0,
  exposure: 0.9,
  margin: 6,
  seed: 1,
};

/** What lies around the print, in light. */
const TABLE = 0.35;

/** A picture of a print as a scanner or a camera gives it, 8 bits of sRGB. */
export function simulatedScan(given: LightPicture, scan: SimulatedScan): Picture {
  const print = gathered(given, Math.max(1, Math.round(given.ppi / (2 * scan.ppi))));
  const scale = scan.ppi / print.ppi;
  const [w, h] = [print.width * scale, print.height * scale];
  const margin = (scan.margin / 25.4) * scan.ppi;
  const turn = (scan.turn * Math.PI) / 180;
  const [px, py] = scan.perspective;
  const corners = (
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as const
  ).map(([u, v]): Point => {
    // The side that is farther away is seen smaller, about its middle.
    const [x, y] = [
      (u - 0.5) * w * (1 - px * (v === 0 ? 1 : 0)),
      (v - 0.5) * h * (1 - py * (u === 0 ? 1 : 0)),
    ];
    return { x: x * Math.cos(turn) - y * Math.sin(turn), y: x * Math.sin(turn) + y * Math.cos(turn) };
  });
  const left = Math.min(...corners.map(({ x }) => x)) - margin;
  const top = Math.min(...corners.map(({ y }) => y)) - margin;
  const width = Math.ceil(Math.max(...corners.map(({ x }) => x)) + margin - left);
  const height = Math.ceil(Math.max(...corners.map(({ y }) => y)) + margin - top);
  const toPrint: Homography = homography(
    corners.map(({ x, y }) => ({ x: x - left, y: y - top })),
    [
      { x: 0, y: 0 },
      { x: print.width, y: 0 },
      { x: print.width, y: print.height },
      { x: 0, y: print.height },
    ],
  );
  const seen = [0, 1, 2].map(() => new Float32Array(width * height));
  const at = new Float32Array(3);
  const [a, b, c, d, e, f, g, i, j] = toPrint;
  for (let y = 0, k = 0; y < height; y++) {
    for (let x = 0; x < width; x++, k++) {
      // Four places of each of the sensor's pixels.
      for (let part = 0; part < 4; part++) {
        const u = x + 0.25 + 0.5 * (part & 1);
        const v = y + 0.25 + 0.5 * (part >> 1);
        const w = g * u + i * v + j;
        lightAt(print, (a * u + b * v + c) / w, (d * u + e * v + f) / w, at);
        for (let channel = 0; channel < 3; channel++) seen[channel][k] += at[channel] / 4;
      }
    }
  }
  const data = new Uint8Array(width * height * 3);
  seen.forEach((plane, channel) => {
    const blurred = scan.blur > 0 ? blur(plane, width, height, scan.blur) : plane;
    for (let y = 0, k = 0; y < height; y++) {
      for (let x = 0; x < width; x++, k++) {
        const light = 1 - scan.uneven * (0.6 * (x / width) + 0.4 * (y / height) ** 2);
        const noise = scan.noise * normalOf(scan.seed, 3 * x + channel, y);
        data[3 * k + channel] = encode8(Math.min(1, Math.max(0, blurred[k] * scan.exposure * light + noise)));
      }
    }
  });
  return { width, height, channels: 3, data };
}

/** The last one: a print is looked at many times. */
let lastGathered:
  { readonly print: LightPicture; readonly times: number; readonly made: LightPicture } | undefined;

/** Means over squares of so many pixels: a sensor gathers all the light that falls on it. */
function gathered(print: LightPicture, times: number): LightPicture {
  if (times === 1) return print;
  if (lastGathered?.print !== print || lastGathered.times !== times)
    lastGathered = { print, times, made: meansOf(print, times) };
  return lastGathered.made;
}

function meansOf({ width, height, ppi, data }: LightPicture, times: number): LightPicture {
  const [w, h] = [Math.floor(width / times), Math.floor(height / times)];
  const out = new Float32Array(3 * w * h);
  for (let y = 0; y < h * times; y++) {
    const to = 3 * w * Math.floor(y / times);
    for (let x = 0, from = 3 * y * width; x < w * times; x++, from += 3) {
      const at = to + 3 * Math.floor(x / times);
      out[at] += data[from];
      out[at + 1] += data[from + 1];
      out[at + 2] += data[from + 2];
    }
  }
  const share = 1 / times ** 2;
  for (let i = 0; i < out.length; i++) out[i] *= share;
  return { width: w, height: h, ppi: ppi / times, data: out };
}

/** Light of a print between its pixels, three channels. */
function lightAt({ width, height, data }: LightPicture, x: number, y: number, out: Float32Array): void {
  const left = Math.floor(x - 0.5);
  const top = Math.floor(y - 0.5);
  if (left < 0 || top < 0 || left + 1 >= width || top + 1 >= height) {
    out.fill(TABLE);
    return;
  }
  const fx = x - 0.5 - left;
  const fy = y - 0.5 - top;
  const k = 3 * (top * width + left);
  const below = k + 3 * width;
  for (let channel = 0; channel < 3; channel++) {
    const upper = data[k + channel] * (1 - fx) + data[k + 3 + channel] * fx;
    const lower = data[below + channel] * (1 - fx) + data[below + 3 + channel] * fx;
    out[channel] = upper * (1 - fy) + lower * fy;
  }
}
