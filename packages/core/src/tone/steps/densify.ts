import { power } from '../../base/power.ts';
import { defineStep } from './step.ts';

/** What one printing leaves bare, the next covers in the same share: 1 − (1 − c)ⁿ. */
export const densify = defineStep({
  kind: 'densify',
  name: 'Densify',
  says: 'Makes everything heavier, as if printed several times.',
  fields: {
    times: { type: 'number', label: 'Printings', unit: 'plain', least: 1, most: 8, usual: [1, 4], start: 2 },
  },
  words: ({ times }) => `× ${times}`,
  point:
    ({ times }) =>
    (coverage) =>
      1 - power(1 - coverage, times),
});
