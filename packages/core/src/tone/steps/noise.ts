import type { RowFilter } from '../../filter/row-filter.ts';
import { uploadOnce, kernels, pixelsAt } from '../../kernel/memory.ts';
import { randomAt, randomColumns } from '../../base/random.ts';
import { SOLID } from '../../raster/plane.ts';
import { defineStep } from './step.ts';

/** Columns beyond a row that its kernel uses. */
const BEYOND = 4;

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
    seed: { type: 'seed', label: 'Seed', start: 1 },
  },
  words: ({ amount }) => `${amount} %`,
  area: {
    margin: () => 0,
    rows: ({ amount, grain, seed }, { scale }) => {
      const cell = grain / scale;
      // Grains finer than a pixel of this size average out in it.
      const range = ((2 * amount) / 100) * SOLID * Math.min(1, cell);
      // Half of a grain of two each 2¹⁵ of a number.
      const share = Math.min(32767, Math.round(range / 4));
      let columns: Int32Array = new Int32Array(0);
      const make: RowFilter['make'] =
        cell <= 1
          ? (y, at, out, width) => {
              const count = (width >> 1) + BEYOND;
              if (columns.length !== count) columns = randomColumns(seed, count);
              kernels.grainRow(at(0), uploadOnce(columns), y, share, out, width);
            }
          : (y, at, out, width) =>
              addCells(pixelsAt(at(0), width), y / cell, cell, seed, range, pixelsAt(out, width));
      return [{ before: 0, after: 0, make }];
    },
  },
});

/** Adds grains larger than a pixel, running straight from one to the next: row `v` of their lattice. */
function addCells(
  row: Uint16Array,
  v: number,
  cell: number,
  seed: number,
  range: number,
  out: Uint16Array,
): void {
  const lattice = (i: number, j: number) => randomAt(seed, i, j) / 2 ** 32 - 0.5;
  const line = Math.floor(v);
  const fy = v - line;
  const column = (i: number): number => lattice(i, line) * (1 - fy) + (fy && lattice(i, line + 1) * fy);
  let low = NaN;
  let left = 0;
  let right = 0;
  for (let i = 0; i < row.length; i++) {
    const u = i / cell;
    if (Math.floor(u) !== low) {
      low = Math.floor(u);
      left = column(low);
      right = column(low + 1);
    }
    const value = row[i] + (left + (right - left) * (u - low)) * range;
    out[i] = value < 0 ? 0 : value > SOLID ? SOLID : value + 0.5;
  }
}
