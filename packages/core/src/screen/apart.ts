import { cache } from '../base/cache.ts';
import type { Spot } from './spot/spot.ts';

const SIDE = 128;

const recentMost = cache<number>('largest dots');

/**
 * The largest coverage in percent at which marks leave a gap between them: nothing is inked within half of it of the edges
 * of a cell. Lines run on along theirs.
 *
 * @param key equal iff the shape is equal
 * @param gap in cells
 */
export const largestApart = (key: string, spot: Spot, gap: number): number =>
  recentMost(`${key} ${gap}`, () => {
    const edge = 0.5 - gap / 2;
    const values: number[] = [];
    let first = Infinity;
    for (let j = 0; j < SIDE; j++) {
      for (let i = 0; i < SIDE; i++) {
        const [u, v] = [(i + 0.5) / SIDE - 0.5, (j + 0.5) / SIDE - 0.5];
        const value = spot.value(u, v);
        values.push(value);
        const near = Math.abs(v) > edge || (spot.id !== 'line' && Math.abs(u) > edge);
        if (near && value < first) first = value;
      }
    }
    return (values.filter((value) => value < first).length / values.length) * 100;
  });
