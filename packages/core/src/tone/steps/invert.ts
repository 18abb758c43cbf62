import { defineStep } from './step.ts';

export const invert = defineStep({
  kind: 'invert',
  name: 'Invert',
  says: 'Exchanges light and dark.',
  fields: {},
  words: () => '',
  point: () => (coverage) => 1 - coverage,
});
