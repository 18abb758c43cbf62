import { randomAt } from '../base/random.ts';
import type { Texture } from './ink.ts';

/** Smooth noise of waves one unit long, −1 to 1. */
function noiseAt(seed: number, x: number, y: number): number {
  const [i, j] = [Math.floor(x), Math.floor(y)];
  const ease = (t: number) => t * t * (3 - 2 * t);
  const [u, v] = [ease(x - i), ease(y - j)];
  const at = (dx: number, dy: number) => randomAt(seed, i + dx, j + dy) / 2 ** 31 - 1;
  const top = at(0, 0) + (at(1, 0) - at(0, 0)) * u;
  const bottom = at(0, 1) + (at(1, 1) - at(0, 1)) * u;
  return top + (bottom - top) * v;
}

/** How much of waves so many screen pixels long can be shown without false patterns. */
const shown = (pixels: number): number => Math.min(1, Math.max(0, (pixels - 2) / 3));

/** Lengths in mm, how much longer along x, and heights of a surface's waves. */
const WAVES: Record<Exclude<Texture, 'smooth' | 'cloth'>, readonly (readonly [number, number, number])[]> = {
  paper: [
    [0.18, 2.2, 0.02],
    [0.7, 1.4, 0.012],
    [4, 1, 0.006],
  ],
  card: [
    [0.3, 1, 0.03],
    [1.2, 1, 0.02],
    [6, 1, 0.01],
  ],
};

/** Threads of cloth a millimetre. */
const THREADS = 1.9;

/**
 * Light that a stock's surface adds or takes at a place of the sheet, as a factor around 1. Waves too short for the screen
 * are left out. Made up, not measured.
 *
 * @param x     mm
 * @param perMm screen pixels a millimetre
 */
export function textureAt(texture: Texture, x: number, y: number, perMm: number): number {
  if (texture === 'smooth') return 1;
  if (texture !== 'cloth') {
    return WAVES[texture].reduce(
      (sum, [length, along, height], i) =>
        sum + height * shown(length * perMm) * noiseAt(i + 1, x / (length * along), y / length),
      1,
    );
  }
  const uneven = noiseAt(7, x / 3, y / 3);
  const [u, v] = [(x + 0.04 * uneven) * THREADS, (y + 0.04 * noiseAt(8, x / 3, y / 3)) * THREADS];
  const over = (Math.floor(u) + Math.floor(v)) & 1;
  const round = (t: number) => Math.sin(Math.PI * (t - Math.floor(t)));
  const thread = over ? round(u) * (0.7 + 0.3 * round(v)) : round(v) * (0.7 + 0.3 * round(u));
  return 1 + shown(perMm / THREADS) * 0.16 * (thread - 0.6) + 0.02 * uneven * shown(3 * perMm);
}
