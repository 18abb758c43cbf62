import type { NumberPath } from '../../../store/strip.ts';

/** Where the settings of a tone step stand in the job. */
export const stepPath = (original: number, step: number): NumberPath => [
  'recipe',
  'originals',
  original,
  'tone',
  'steps',
  step,
  'settings',
];
