import { present } from '../base/present.ts';
import { anyAmounts, invert } from '../ink/invert.ts';
import type { InkModel } from '../ink/model.ts';
import { makeGrid, readGrid, type Grid } from './grid.ts';
import { targetOf } from './target.ts';

/** Squared ΔE that a solid costs while an answer is looked for: fewest inks first. */
const THRIFT = 0.5;
/** The same once it is found. */
const LAST_THRIFT = 1e-3;

/** Sizes of the grids that are made one from another, the last being what is wanted. */
const gridSizes = (size: number): number[] => (size > 9 ? [5, 9, size] : [5, size]);

/**
 * Amounts of any inks for every colour of a grid: those that come nearest, with as little ink as will do. The coarsest grid
 * is solved from many starts, every finer one from the one before.
 *
 * @param limit most of all inks together, 1 for one ink's solid
 */
export function spotGrid(model: InkModel, limit: number, size: number): Grid {
  const { count } = model;
  const target = targetOf(model, limit);
  const bounds = anyAmounts(count, limit);
  const trial = new Float64Array(count);
  let grid: Grid | undefined;
  for (const next of gridSizes(size)) {
    const before = grid;
    grid = makeGrid(next, count, ([r, g, b], out) => {
      const wanted = target(1 - r, 1 - g, 1 - b);
      if (before) {
        readGrid(before, [r, g, b], out);
        invert(model, wanted, bounds, out, LAST_THRIFT);
      } else {
        let best = Infinity;
        for (let start = -2; start < count; start++) {
          trial.fill(start === -2 ? 0.1 : start === -1 ? 0.5 : 0.15);
          if (start >= 0) trial[start] = 0.8;
          const left = invert(model, wanted, bounds, trial, THRIFT);
          let cost = left * left;
          for (let i = 0; i < count; i++) cost += THRIFT * trial[i] * trial[i];
          if (cost < best - 1e-9) {
            best = cost;
            out.set(trial);
          }
        }
        invert(model, wanted, bounds, out, LAST_THRIFT);
      }
      keepLimit(out, limit);
    });
  }
  return present(grid, 'size of grid');
}

/** Brings the sum of amounts down to a limit. */
function keepLimit(amounts: Float64Array, limit: number): void {
  let sum = 0;
  for (const one of amounts) sum += one;
  if (sum <= limit) return;
  for (let i = 0; i < amounts.length; i++) amounts[i] *= limit / sum;
}
