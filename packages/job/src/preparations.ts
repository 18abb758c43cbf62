import { startOf, stepKind, type ToneStep } from '@brachytone/core';

/** A list of tone steps, ready to use, named after what it does. */
export interface Preparation {
  readonly name: string;
  readonly says: string;
  readonly steps: readonly Pick<ToneStep, 'kind' | 'settings'>[];
}

/** One that was kept on the shelf. */
export interface KeptPreparation extends Preparation {
  readonly id: string;
}

const step = (kind: string, settings: ToneStep['settings'] = {}) => ({
  kind,
  settings: { ...startOf(stepKind(kind)), ...settings },
});

const curve = (...points: [number, number][]) =>
  step('curve', { points: points.map(([tone, out]) => ({ in: tone, out })) });

/** Preparations that ship with the program (common practice, no source). */
export const PREPARATIONS: readonly Preparation[] = [
  {
    name: 'Clean blacks',
    says: 'For one-bit art: noise drops out of the blacks and the whites, edges are drawn.',
    steps: [
      step('specks', { size: 2, which: 'both' }),
      step('levels', { bare: 12, solid: 84 }),
      step('sharpen', { amount: 150, radius: 1.5, threshold: 2 }),
    ],
  },
  {
    name: 'Bold for a large poster',
    says: 'Fewer, stronger tones that read from across a street.',
    steps: [
      step('coarsen', { ppi: 40, manner: 'smooth' }),
      step('recover', { shadows: 35, highlights: 20, radius: 60 }),
      curve([0, 0], [25, 12], [50, 54], [78, 92], [100, 100]),
    ],
  },
  {
    name: 'Engraved portrait',
    says: 'Opens the shadows and draws the features, for a line screen.',
    steps: [
      step('recover', { shadows: 60, highlights: 30, radius: 40 }),
      step('sharpen', { amount: 220, radius: 3, threshold: 1 }),
      step('levels', { bare: 4, solid: 92, floor: 6, ceiling: 90 }),
    ],
  },
  {
    name: 'Soft shadow behind a logo',
    says: 'Turns hard art into a soft shadow that screens well.',
    steps: [step('blur', { radius: 24 }), curve([0, 0], [20, 6], [60, 48], [100, 70])],
  },
  {
    name: 'Flat bands for cloth',
    says: 'Four flat tones with clean borders.',
    steps: [
      step('blur', { radius: 2.5 }),
      step('bands', { thresholds: [22, 48, 74] }),
      step('specks', { size: 5, which: 'both' }),
    ],
  },
  {
    name: 'Newsprint',
    says: 'Keeps shadows open and highlights alive on soft paper that fills in.',
    steps: [
      step('sharpen', { amount: 130, radius: 1.5 }),
      curve([0, 3], [30, 24], [60, 50], [85, 72], [100, 88]),
    ],
  },
  {
    name: 'Grain for a dull sky',
    says: 'A little noise where smooth tones would show steps.',
    steps: [step('noise', { amount: 7, grain: 1.5 })],
  },
];
