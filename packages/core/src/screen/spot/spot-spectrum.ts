import { cache } from '../../base/cache.ts';
import { orderOf } from '../tile.ts';
import type { Spot } from './spot.ts';

/** Points of a cell, each way, that its spectrum is told by, and orders of it that are told. */
const SIDE = 64;
export const MOST_ORDER = 6;
const ROW = 2 * MOST_ORDER + 1;

/** Steps of a turn that waves are told by, two to a point. */
const STEPS = 2 * SIDE;
const COSINES = Float64Array.from({ length: STEPS }, (_, step) => Math.cos((2 * Math.PI * step) / STEPS));

const recentSpectra = cache<Float64Array>('dot spectra');

/**
 * Amplitudes, 0–1, of the waves of flat tone in dots of a shape, by their orders along the lattice's two directions, up to
 * ± `MOST_ORDER` each; order (0, 0) is the share that is inked.
 *
 * @param key  equal iff the shape is equal
 * @param tone 0–1
 */
export function spotSpectrum(key: string, spot: Spot, tone: number): (m: number, n: number) => number {
  const spectrum = recentSpectra(`${key} ${tone}`, () => {
    const place = (k: number): number => (k + 0.5) / SIDE - 0.5;
    const values = Float64Array.from({ length: SIDE * SIDE }, (_, k) =>
      spot.value(place(k % SIDE), place(Math.floor(k / SIDE))),
    );
    const inked = orderOf(values).subarray(0, Math.round(tone * values.length));
    const out = new Float64Array(ROW * ROW);
    for (let n = -MOST_ORDER; n <= MOST_ORDER; n++) {
      for (let m = -MOST_ORDER; m <= MOST_ORDER; m++) {
        let [re, im] = [0, 0];
        for (const at of inked) {
          // Phases are whole steps: points lie in the middle of theirs.
          const step = (m * (2 * (at % SIDE) + 1) + n * (2 * Math.floor(at / SIDE) + 1)) & (STEPS - 1);
          re += COSINES[step];
          im += COSINES[(step - STEPS / 4) & (STEPS - 1)];
        }
        out[(n + MOST_ORDER) * ROW + m + MOST_ORDER] = Math.hypot(re, im) / values.length;
      }
    }
    return out;
  });
  return (m, n) => spectrum[(n + MOST_ORDER) * ROW + m + MOST_ORDER];
}
