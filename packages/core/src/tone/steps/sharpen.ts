import { gaussian, gaussianFilters, gaussianMargin } from '../../filter/gaussian.ts';
import { byRuns } from '../../filter/pixel-rows.ts';
import type { RowFilter } from '../../filter/row-filter.ts';
import { kernels, ROWS } from '../../kernel/memory.ts';
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
    rows: ({ amount, radius, threshold }, { scale }) => {
      const soft = gaussianFilters(radius / scale);
      return soft && soft.map((blur) => sharpening(blur, amount / 100, (threshold / 100) * SOLID));
    },
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

const sharpening = (blur: RowFilter, gain: number, least: number): RowFilter => ({
  ...blur,
  make(y, at, out, width) {
    blur.make(y, at, ROWS.lower, width);
    kernels.sharpenRow(at(0), ROWS.lower, gain, least, out, width);
  },
});
