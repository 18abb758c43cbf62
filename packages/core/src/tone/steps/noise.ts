import { byRows } from '../../filter/pixel-rows.ts';
import { kernels } from '../../kernel/memory.ts';
import { randomAt } from '../../random.ts';
import { SOLID } from '../../raster/plane.ts';
import { defineStep } from './step.ts';

export const noise = defineStep({
  kind: 'noise',
  name: 'Noise',
  says: 'Adds grain where there is too little of it.',
  fields: {
    amount: {
      type: 'number',
      label: 'Amount',
      unit: 'percent',
      least: 0,
      most: 100,
      usual: [0, 50],
      start: 10,
    },
    grain: {
      type: 'number',
      label: 'Grain',
      unit: 'px',
      least: 1,
      most: 100,
      usual: [1, 20],
      ratio: true,
      start: 1,
    },
    seed: { type: 'seed', label: 'Throw', start: 1 },
  },
  words: ({ amount }) => `${amount} %`,
  area: {
    margin: () => 0,
    apply: ({ amount, grain, seed }, plane, { x, y, scale }) => {
      const cell = grain / scale;
      // Grains finer than a pixel of this size average out in it.
      const range = ((2 * amount) / 100) * SOLID * Math.min(1, cell);
      if (cell <= 1) {
        return byRows(plane, (j, row, out) => kernels.grainRow(row, seed, x, y + j, range, out, plane.width));
      }
      const { width, height, data } = plane;
      const out = new Uint16Array(data.length);
      const lattice = (i: number, j: number) => randomAt(seed, i, j) / 2 ** 32 - 0.5;
      for (let j = 0, at = 0; j < height; j++) {
        const v = (y + j) / cell;
        const row = Math.floor(v);
        const fy = v - row;
        let column = NaN;
        let left = 0;
        let right = 0;
        for (let i = 0; i < width; i++, at++) {
          const u = (x + i) / cell;
          const low = Math.floor(u);
          if (low !== column) {
            column = low;
            left = lattice(low, row) * (1 - fy) + (fy && lattice(low, row + 1) * fy);
            right = lattice(low + 1, row) * (1 - fy) + (fy && lattice(low + 1, row + 1) * fy);
          }
          const fx = u - low;
          const value = data[at] + (left + (right - left) * fx) * range;
          out[at] = value < 0 ? 0 : value > SOLID ? SOLID : value + 0.5;
        }
      }
      return { ...plane, data: out };
    },
  },
});
