import { defineStep } from './step.ts';

/** Band k of n comes out as the tone k ÷ (n − 1) of the way from bare to solid. */
export const bands = defineStep({
  kind: 'bands',
  name: 'Bands',
  says: 'Flattens the picture into two to six flat tones, parted where you say.',
  fields: { thresholds: { type: 'tones', label: 'Parted at', least: 1, most: 5, start: [33, 67] } },
  words: ({ thresholds }) => `${thresholds.length + 1} tones`,
  point:
    ({ thresholds }) =>
    (coverage) =>
      thresholds.filter((at) => coverage * 100 >= at).length / thresholds.length,
});
