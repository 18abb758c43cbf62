import type { Picture } from '@brachytone/core';
import { moonDisc } from './moon-disc.ts';
import { clamp01, mix, octaves, seeded, smoothstep, valueNoise } from './noise.ts';
import { reeds } from './reeds.ts';

/** A cratered moon over reeds and still water: grey, 8 bits, 1980 × 2800 pixels. */
export function moonOverReeds(seed = 11): Picture {
  const width = 1980;
  const height = 2800;
  const data = new Uint8Array(width * height);
  const horizon = 0.735 * height;
  const disc = moonDisc(1300, seed);
  const [mx, my, radius] = [width * 0.54, height * 0.335, disc.size / 2];
  const cloud = octaves(valueNoise(seed + 5), 6);
  const wave = octaves(valueNoise(seed + 6), 4);
  const grain = seeded(seed + 7);
  const stand = reeds(width, height, 520, 0.34, seed + 8);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const distance = Math.hypot(x - mx, y - my) / radius;
      let value: number;
      if (y < horizon) {
        const mist = smoothstep(0.25, 1, y / horizon);
        const glow = 0.3 * Math.exp(-Math.max(0, distance - 1) * 2.6);
        const bank = smoothstep(-0.05, 0.55, cloud((x / width) * 2.2, (y / height) * 11 + 3));
        value = 0.07 + 0.16 * mist * mist + glow + bank * (0.05 + 0.5 * glow + 0.1 * mist);
        value = underMoon(
          disc,
          x - mx + radius,
          y - my + radius,
          value,
          bank * smoothstep(0.55, 1, (y - my) / radius),
        );
      } else {
        const depth = (y - horizon) / (height - horizon);
        const ripple = wave((x / width) * mix(26, 9, depth), Math.pow(depth, 0.6) * 46);
        const path = Math.exp(-(((x - mx) / (width * mix(0.1, 0.26, depth))) ** 2));
        const sparkle = smoothstep(-0.1, 0.62, ripple + path * 0.34 - 0.1);
        value = 0.16 - 0.1 * depth + ripple * 0.035 + path * sparkle * mix(0.85, 0.5, depth);
      }
      value = mix(value, 0.015 + 0.02 * cloud(x / 40, y / 200), stand[y * width + x]);
      data[y * width + x] = Math.round(clamp01(value + (grain() - 0.5) * 0.018) * 255);
    }
  }
  return { width, height, channels: 1, data };
}

/** The moon's face over the sky behind it, with low cloud (0–1) drawn across. */
function underMoon(
  disc: ReturnType<typeof moonDisc>,
  x: number,
  y: number,
  sky: number,
  cloud: number,
): number {
  const column = Math.round(x);
  const row = Math.round(y);
  if (column < 0 || row < 0 || column >= disc.size || row >= disc.size) return sky;
  const face = disc.light[row * disc.size + column];
  if (face < 0) return sky;
  const edge = smoothstep(1, 0.992, Math.hypot(x / disc.size - 0.5, y / disc.size - 0.5) * 2);
  return mix(sky, Math.max(face, sky * 0.55), edge * (1 - 0.55 * cloud));
}
