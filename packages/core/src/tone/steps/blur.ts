import { gaussianFilters, gaussianMargin } from '../../filter/gaussian.ts';
import { overWideBlur } from '../../filter/wide-blur.ts';
import { defineStep } from './step.ts';

export const blur = defineStep({
  kind: 'blur',
  name: 'Blur',
  says: 'Softens: clumps grain together, or makes a shadow of hard art.',
  fields: {
    radius: {
      type: 'number',
      label: 'Radius',
      unit: 'px',
      least: 0,
      most: 400,
      usual: [0.3, 60],
      ratio: true,
      start: 2,
    },
  },
  words: ({ radius }) => `${radius} px`,
  area: {
    margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
    rows: ({ radius }, { scale }) => gaussianFilters(radius / scale),
    wide: ({ radius }, input, from, to, { scale }, out) =>
      overWideBlur(input, radius / scale, from, to, undefined, out),
  },
});
