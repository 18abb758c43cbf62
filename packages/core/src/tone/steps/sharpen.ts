import { againstBlur, gaussian, gaussianMargin } from '../../filter/gaussian.ts';
import { byRuns } from '../../filter/pixel-rows.ts';
import { kernels } from '../../kernel/memory.ts';
import { giveBack } from '../../raster/scratch.ts';
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
    rows: ({ amount, radius, threshold }, { scale }) =>
      againstBlur(radius / scale, (row, soft, out, count) =>
        kernels.sharpenRow(row, soft, amount / 100, (threshold / 100) * SOLID, out, count),
      ),
    apply: ({ amount, radius, threshold }, plane, { scale, y }) => {
      const soft = gaussian(plane, radius / scale, y);
      const made = byRuns(plane, soft, (row, second, out, count) =>
        kernels.sharpenRow(row, second, amount / 100, (threshold / 100) * SOLID, out, count),
      );
      giveBack(soft);
      return made;
    },
  },
});
