import { SOLID } from '../raster/plane.ts';
import { cache } from '../base/cache.ts';
import type { Spot } from './spot/spot.ts';
import { orderOf } from './tile.ts';

/** Points of a cell's table, each way: the very ones of the table that bits are made by. */
const SIDE = 256;

const recentTables = cache<Float32Array>('smooth cells');

/**
 * Thresholds over one cell that run smoothly: what of a cell lies under a coverage is just that share of it. Points that are inked
 * together share one threshold, in the middle of theirs.
 *
 * @param key equal iff the shape is equal
 */
function cellOf(key: string, spot: Spot): Float32Array {
  return recentTables(key, () => {
    const values = new Float64Array(SIDE * SIDE);
    for (let j = 0, i = 0; j < SIDE; j++)
      for (let k = 0; k < SIDE; k++, i++)
        values[i] = spot.value((k + 0.5) / SIDE - 0.5, (j + 0.5) / SIDE - 0.5);
    const order = orderOf(values);
    const ranks = new Float32Array(values.length);
    for (let from = 0; from < order.length;) {
      let to = from + 1;
      while (to < order.length && values[order[to]] - values[order[from]] < 1e-9) to++;
      const threshold = ((from + to) / 2 / order.length) * (SOLID - 1);
      for (let i = from; i < to; i++) ranks[order[i]] = threshold;
      from = to;
    }
    return ranks;
  });
}

/** The threshold at a place of a cell, u and v in cells of which only the fractions count; between points it runs straight. */
export function smoothThresholds(key: string, spot: Spot): (u: number, v: number) => number {
  const table = cellOf(key, spot);
  return (u, v) => {
    const x = (u - Math.floor(u)) * SIDE - 0.5;
    const y = (v - Math.floor(v)) * SIDE - 0.5;
    const [i, j] = [Math.floor(x), Math.floor(y)];
    const [fx, fy] = [x - i, y - j];
    const [left, right] = [i & (SIDE - 1), (i + 1) & (SIDE - 1)];
    const [top, foot] = [(j & (SIDE - 1)) * SIDE, ((j + 1) & (SIDE - 1)) * SIDE];
    return (
      (table[top + left] * (1 - fx) + table[top + right] * fx) * (1 - fy) +
      (table[foot + left] * (1 - fx) + table[foot + right] * fx) * fy
    );
  };
}
