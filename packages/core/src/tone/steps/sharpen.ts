import { againstBlur, gaussianMargin } from '../../filter/gaussian.ts';
import { overWideBlur } from '../../filter/wide-blur.ts';
import { kernels } from '../../kernel/memory.ts';
import { SOLID } from '../../raster/plane.ts';
import { defineStep } from './step.ts';

/** Unsharp mask: adds what a blur takes away, where that is more than the threshold. */
export const sharpen = defineStep({
  kind: 'sharpen',
  name: 'Sharpen',
  says: 'Draws edges: exaggerates what a blur of this radius would take away.',
  fields: {
    amount: {
      type: 'number',
      label: 'Amount',
      unit: 'percent',
      least: 0,
      most: 1000,
      usual: [0, 400],
      start: 120,
    },
    radius: {
      type: 'number',
      label: 'Radius',
      unit: 'px',
      least: 0.3,
      most: 250,
      usual: [0.3, 40],
      ratio: true,
      start: 2,
    },
    threshold: {
      type: 'number',
      label: 'Threshold',
      unit: 'percent',
      least: 0,
      most: 50,
      usual: [0, 20],
      start: 0,
    },
  },
  words: ({ amount }) => `${amount} %`,
  area: {
    margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
    rows: (settings, { scale }) => againstBlur(settings.radius / scale, madeBy(settings)),
    wide: (settings, input, from, to, { scale }, out) =>
      overWideBlur(input, settings.radius / scale, from, to, madeBy(settings), out),
  },
});

const madeBy =
  ({ amount, threshold }: { amount: number; threshold: number }) =>
  (row: number, soft: number, out: number, count: number): void =>
    kernels.sharpenRow(row, soft, amount / 100, (threshold / 100) * SOLID, out, count);
