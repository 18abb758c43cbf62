import { SOLID } from '../raster/plane.ts';
import { monotoneCurve, type CurvePoint } from '../tone/curve.ts';

/**
 * How much more, or less, a press prints than the film carries. Bare stays bare and solid stays solid.
 *
 * By number: what 50 % gains, and where most is gained. By points: printed (out) by film (in), both in percent, from 0 to 100 %.
 */
export type Gain =
  | {
      readonly by: 'number';
      /** Percent that a film's 50 % gains, −40 to 40: 20 for 70 % on the print. */
      readonly middle: number;
      /** 1 where light and dark tones gain alike; below it the light tones gain more, above it the dark ones. */
      readonly shape: number;
    }
  | { readonly by: 'points'; readonly points: readonly CurvePoint[] };

export const NO_GAIN: Gain = { by: 'number', middle: 0, shape: 1 };

/** Range of `middle` and `shape`. */
export const GAIN_LIMITS = {
  middle: { least: -40, most: 40 },
  shape: { least: 0.5, most: 2 },
} as const;

const odds = (share: number): number => share / (1 - share);

/**
 * What is printed of a share of film, each 0–1, rising from 0 to 1. By number it is the curve on which the odds of ink against bare stock
 * go up by one factor for all tones, on an axis bent by the shape: it never turns back and never leaves 0 to 1, whatever the gain.
 */
export function gainCurve(gain: Gain): (film: number) => number {
  if (gain.by === 'points') {
    const percent = monotoneCurve(gain.points);
    return (film) => Math.min(1, Math.max(0, percent(100 * film) / 100));
  }
  const { middle, shape } = gain;
  const factor = odds((0.5 + middle / 100) ** shape) / odds(0.5 ** shape);
  return (film) => {
    const bent = film ** shape;
    return ((factor * bent) / (1 + (factor - 1) * bent)) ** (1 / shape);
  };
}

/** True where a gain changes nothing. */
export const isStraight = (gain: Gain): boolean =>
  gain.by === 'number' ? gain.middle === 0 : gain.points.every((point) => point.in === point.out);

/** Percent that 50 % of film gains. */
export const middleGain = (gain: Gain): number => 100 * gainCurve(gain)(0.5) - 50;

/** Coverage printed (0–65535) by coverage on the film, a table of 65536. */
export function gainTable(gain: Gain): Uint16Array {
  const curve = gainCurve(gain);
  const table = new Uint16Array(SOLID + 1);
  for (let film = 0; film <= SOLID; film++) {
    const printed = Math.round(SOLID * curve(film / SOLID));
    table[film] = film > 0 ? Math.max(printed, table[film - 1]) : printed;
  }
  return table;
}

/**
 * The film that prints what is asked for, a table of 65536: of all coverages the one whose print comes nearest, the least of them where
 * several print alike.
 *
 * @param printed by film, never falling, from 0 to 65535
 */
export function inverseGain(printed: Uint16Array): Uint16Array {
  const table = new Uint16Array(SOLID + 1);
  let film = 0;
  for (let asked = 0; asked <= SOLID; asked++) {
    while (film < SOLID && printed[film] < asked) film++;
    const isBelowNearer = film > 0 && asked - printed[film - 1] <= printed[film] - asked;
    const nearest = isBelowNearer ? film - 1 : film;
    // Flat stretches of the print: its least film, and solid alone where all of it is asked for.
    table[asked] = asked > 0 && table[asked - 1] > nearest ? table[asked - 1] : nearest;
  }
  table[0] = 0;
  table[SOLID] = SOLID;
  return table;
}
