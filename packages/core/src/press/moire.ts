import type { Grating } from './grating.ts';

/** A slow pattern where structures that repeat lie over one another. */
export interface Beat {
  /** From one band to the next, mm. */
  readonly period: number;
  /** Of the direction across its bands, degrees anticlockwise, 0–180. */
  readonly angle: number;
  /** Of light, 0–1: half of what it goes up and down. */
  readonly contrast: number;
}

/** What counts as seen. */
export interface Seen {
  /** Periods, mm. */
  readonly shortest: number;
  readonly longest: number;
  /** Of light, 0–1. */
  readonly contrast: number;
}

/** Orders of a grating as frequencies (cycles a mm), each with its amplitude; none of less than the least. */
function ordersOf(
  { first, second, most, amplitude }: Grating,
  limit: number,
  least: number,
): [number, number, number][] {
  const reach = Math.min(most, limit);
  const out: [number, number, number][] = [];
  for (let n = -reach; n <= reach; n++) {
    for (let m = -reach; m <= reach; m++) {
      if ((m === 0 && n === 0) || Math.abs(m) + Math.abs(n) > limit) continue;
      const strength = amplitude(m, n);
      if (strength < least) continue;
      out.push([m * first[0] + n * second[0], m * first[1] + n * second[1], strength]);
    }
  }
  return out;
}

/**
 * The patterns of two or three gratings over one another: where their product has a frequency low enough to be seen. The product's spectrum is
 * every order of the one with every order of the other, at the sum of their frequencies (I. Amidror, "The Theory of the Moiré Phenomenon",
 * 2000); the light it is seen by is what both together take away beyond what each does alone.
 *
 * @param depth  light (0–1) that goes with the product of the gratings
 * @param orders of each grating, first and second direction together, that are looked at
 * @returns      the strongest first
 */
export function beatsOf(
  gratings: readonly Grating[],
  depth: number,
  orders: readonly number[],
  { shortest, longest, contrast }: Seen,
): Beat[] {
  const strength = 2 * Math.abs(depth);
  // An amplitude is 1 at most: an order too faint for any other grating is in no pattern that is seen.
  const least = contrast / strength;
  const [first, second, third] = gratings.map((one, i) => ordersOf(one, orders[i], least));
  const [highest, lowest] = [1 / shortest, 1 / longest];
  const found: Beat[] = [];
  const add = (fx: number, fy: number, share: number): void => {
    // A frequency and its mirror are one wave.
    if (fx < 0 || (fx === 0 && fy <= 0)) return;
    const light = strength * share;
    if (light < contrast) return;
    const frequency = Math.hypot(fx, fy);
    if (frequency > highest || frequency < lowest) return;
    const angle = ((Math.atan2(-fy, fx) * 180) / Math.PI + 180) % 180;
    found.push({ period: 1 / frequency, angle, contrast: light });
  };
  for (const a of first) {
    for (const b of second) {
      const share = a[2] * b[2];
      if (strength * share < contrast) continue;
      if (!third) add(a[0] + b[0], a[1] + b[1], share);
      else for (const c of third) add(a[0] + b[0] + c[0], a[1] + b[1] + c[1], share * c[2]);
    }
  }
  return found.sort((a, b) => b.contrast - a.contrast);
}
