import { present, type CurvePoint, type Lab } from '@brachytone/core';

/** Curves for two to four inks, named after what they do. */
export interface ToneStart {
  readonly name: string;
  readonly says: string;
  /** One for each ink, from the darkest to the lightest. */
  readonly curves: readonly (readonly CurvePoint[])[];
}

const points = (...pairs: [number, number][]): CurvePoint[] => pairs.map(([at, out]) => ({ in: at, out }));

/** Starting points (our own). */
export const TONE_STARTS: readonly ToneStart[] = [
  {
    name: 'Tinted shadows',
    says: 'The dark ink draws; the second fills the middle and the shadows',
    curves: [points([0, 0], [50, 34], [100, 100]), points([0, 0], [50, 55], [100, 85])],
  },
  {
    name: 'Warm lights',
    says: 'The second ink lies over everything, most in the lights',
    curves: [points([0, 0], [40, 20], [100, 100]), points([0, 8], [35, 55], [100, 60])],
  },
  {
    name: 'Split tone',
    says: 'The dark ink from the middle down, the second from the middle up',
    curves: [points([0, 0], [45, 6], [100, 100]), points([0, 0], [50, 70], [100, 15])],
  },
  {
    name: 'Deep and rich',
    says: 'Three inks, each taking over where the lighter one is full',
    curves: [
      points([0, 0], [55, 12], [100, 100]),
      points([0, 0], [50, 45], [100, 90]),
      points([0, 4], [30, 45], [60, 90], [100, 100]),
    ],
  },
  {
    name: 'Full ladder',
    says: 'Four inks, from the lightest in the lights to the darkest in the depths',
    curves: [
      points([0, 0], [65, 8], [100, 100]),
      points([0, 0], [45, 22], [75, 70], [100, 95]),
      points([0, 0], [30, 30], [60, 80], [100, 85]),
      points([0, 5], [25, 55], [55, 85], [100, 70]),
    ],
  },
];

/** Curves for so many inks: a starting point's own, or those of the first that has as many. */
export const startCurves = (count: number, start?: ToneStart): readonly (readonly CurvePoint[])[] =>
  (start && start.curves.length === count
    ? start
    : present(
        TONE_STARTS.find((one) => one.curves.length === count),
        `start for ${count} inks`,
      )
  ).curves;

/** Ids of inks from the darkest to the lightest. */
export const byDarkness = (inks: readonly { readonly id: string; readonly lab: Lab }[]): string[] =>
  [...inks].sort((a, b) => a.lab[0] - b.lab[0]).map(({ id }) => id);
