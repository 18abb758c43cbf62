import type { Picture } from '@brachytone/core';
import { clamp01, mix, octaves, seeded, smoothstep, valueNoise } from './noise.ts';
import { reeds } from './reeds.ts';

type Rgb = [number, number, number];

const blend = (a: Rgb, b: Rgb, t: number): Rgb => [
  mix(a[0], b[0], t),
  mix(a[1], b[1], t),
  mix(a[2], b[2], t),
];

const ZENITH: Rgb = [0.16, 0.19, 0.38];
const MIDDLE: Rgb = [0.72, 0.42, 0.44];
const LOW: Rgb = [0.99, 0.72, 0.38];
const CLOUD: Rgb = [0.36, 0.25, 0.38];
const LIT: Rgb = [1, 0.62, 0.42];
const LAND: Rgb = [0.12, 0.13, 0.14];

/** A tidal marsh after sunset, in colour: RGB, 8 bits, 2200 × 2200 pixels. */
export function marshAtDusk(seed = 23): Picture {
  const size = 2200;
  const data = new Uint8Array(size * size * 3);
  const cloud = octaves(valueNoise(seed), 6);
  const wave = octaves(valueNoise(seed + 1), 4);
  const bank = octaves(valueNoise(seed + 2), 5);
  const grain = seeded(seed + 3);
  const stand = reeds(size, size, 260, 0.42, seed + 4);
  const horizon = 0.56;
  const sky = (u: number, v: number): Rgb => {
    const high = clamp01(v / horizon);
    let colour = high < 0.55 ? blend(ZENITH, MIDDLE, high / 0.55) : blend(MIDDLE, LOW, (high - 0.55) / 0.45);
    const glow = Math.exp(-(((u - 0.36) / 0.34) ** 2) - ((v - horizon) / 0.2) ** 2);
    colour = blend(colour, [1, 0.9, 0.66], 0.8 * glow);
    const body = smoothstep(0.02, 0.42, cloud(u * 2.4 + 1, v * 9 - u * 1.2));
    const rim = smoothstep(0.0, 0.16, cloud(u * 2.4 + 1, v * 9 - u * 1.2)) - body;
    return blend(blend(colour, CLOUD, body * 0.72), LIT, clamp01(rim) * 0.6);
  };
  let at = 0;
  for (let y = 0; y < size; y++) {
    const v = y / size;
    for (let x = 0; x < size; x++) {
      const u = x / size;
      const shore = horizon + 0.004 + 0.012 * bank(u * 5, 2);
      let colour: Rgb;
      if (v < horizon - 0.008 * (1 + bank(u * 14, 7))) colour = sky(u, v);
      else if (v < shore) colour = blend(LAND, MIDDLE, 0.12);
      else {
        const depth = (v - horizon) / (1 - horizon);
        const ripple = wave(u * mix(30, 8, depth), Math.pow(depth, 0.55) * 40);
        const mirrored = sky(u + ripple * 0.01, clamp01(horizon - (v - horizon) * 0.95 + ripple * 0.02));
        colour = blend(mirrored, ZENITH, 0.22 + 0.25 * depth + ripple * 0.12);
        const mud = smoothstep(0.1, 0.2, bank(u * 2.6 - depth * 1.4, Math.pow(depth, 0.7) * 4.6) - 0.05);
        colour = blend(colour, blend(LAND, LOW, 0.06 + 0.05 * ripple), mud * 0.92);
      }
      colour = blend(colour, [0.07, 0.075, 0.09], stand[y * size + x]);
      const noise = (grain() - 0.5) * 0.02;
      for (const channel of colour) data[at++] = Math.round(clamp01(channel + noise) * 255);
    }
  }
  return { width: size, height: size, channels: 3, data };
}
