import type { CurvePoint, Lab, ProcessInks, Route } from '@brachytone/core';

/** What an original can be sent by, in words. */
export const ROUTE_NAMES: Record<Route['kind'], { readonly name: string; readonly says: string }> = {
  ink: { name: 'One ink', says: 'Its tones in one ink' },
  tones: { name: 'Two to four tones', says: 'Its tones in two to four inks, a curve each' },
  process: { name: 'Process', says: 'Its colours in cyan, magenta, yellow and black' },
  profile: { name: 'Process by a profile', says: 'The same as an ICC profile has it' },
  channels: { name: 'Red, green, blue', says: 'Its three channels as three plates' },
  spot: { name: 'Spot inks', says: 'Each colour as the dots of these inks that come nearest' },
  bands: { name: 'Flat bands', says: 'Its tones in flat inks, band by band' },
};

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
  (start && start.curves.length === count ? start : TONE_STARTS.find((one) => one.curves.length === count)!)
    .curves;

/** Process by the ink model as an original first gets it (common practice, no source). */
export const newProcess = (inks: ProcessInks, limit: number): Route => ({
  kind: 'process',
  ...inks,
  generation: 55,
  replacement: 35,
  from: 25,
  limit,
});

/** Ids of inks from the darkest to the lightest. */
export const byDarkness = (inks: readonly { readonly id: string; readonly lab: Lab }[]): string[] =>
  [...inks].sort((a, b) => a.lab[0] - b.lab[0]).map(({ id }) => id);
