import { againstBlur, gaussianMargin } from '../../filter/gaussian.ts';
import { overWideBlur } from '../../filter/wide-blur.ts';
import { kernels } from '../../kernel/memory.ts';
import { defineStep } from './step.ts';

/**
 * Where the surroundings (a wide blur) are dark or light, they are moved towards the middle; what stands out from them
 * stays as it is and grows a little, so detail comes out that a curve would flatten.
 */
export const recover = defineStep({
  kind: 'recover',
  name: 'Recover',
  says: 'Opens deep shadows and holds back highlights, keeping the detail in them.',
  fields: {
    shadows: { type: 'number', label: 'Shadows', unit: 'percent', least: 0, most: 100, start: 30 },
    highlights: { type: 'number', label: 'Highlights', unit: 'percent', least: 0, most: 100, start: 0 },
    radius: {
      type: 'number',
      label: 'Radius',
      unit: 'px',
      least: 1,
      most: 400,
      usual: [4, 200],
      ratio: true,
      start: 40,
    },
  },
  words: ({ shadows, highlights }) => `${shadows} / ${highlights} %`,
  area: {
    margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
    rows: (settings, { scale }) => againstBlur(settings.radius / scale, madeBy(settings)),
    wide: (settings, input, from, to, { scale }, out) =>
      overWideBlur(input, settings.radius / scale, from, to, madeBy(settings), out),
  },
});

const madeBy =
  ({ shadows, highlights }: { shadows: number; highlights: number }) =>
  (row: number, around: number, out: number, count: number): void =>
    kernels.recoverRow(row, around, -shadows / 200, highlights / 200, out, count);
