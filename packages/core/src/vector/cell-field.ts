import { cache } from '../base/cache.ts';
import { CELL, kernels, lightAt, realsAt, uploadOnce, wholesAt } from '../kernel/memory.ts';
import { DotBuilder } from './dot-builder.ts';

/** Parts that the way from one point to the next is looked at in: thresholds run straight in each. */
const PARTS = 4;

const LENGTHS = wholesAt(CELL.lengths, CELL.mostLoops);
const POINTS = realsAt(CELL.points, CELL.mostNumbers);

/** Thresholds of every cell of a straight lattice. */
export interface CellThresholds {
  /** Steps from one point to the next along the cell. */
  readonly side: number;
  /** Those of the points, row by row, corners and sides of the cell with them; then for each row those in quarters of the way from one to the next, and for each column. */
  readonly numbers: Float32Array;
}

const recentThresholds = cache<CellThresholds>('cell points');

/**
 * @param key       cache key: equal iff the shape is equal
 * @param threshold of the shape at a place in cells, of which only the fractions count
 * @param side      even: a point lies in the middle of the cell and one at each corner, so that no finest dot or gap is missed
 */
export const cellThresholds = (
  key: string,
  threshold: (u: number, v: number) => number,
  side: number,
): CellThresholds =>
  recentThresholds(`${key} · ${side}`, () => {
    const width = side + 1;
    const line = PARTS * side + 1;
    const at = (x: number, y: number) => threshold((x % side) / side, (y % side) / side);
    const numbers = new Float32Array(width * (width + 2 * line));
    for (let y = 0; y < width; y++) {
      for (let x = 0; x < width; x++) numbers[y * width + x] = at(x, y);
      const along = width * width + y * line;
      for (let k = 0; k < line; k++) {
        numbers[along + k] = at(k / PARTS, y);
        numbers[along + width * line + k] = at(y, k / PARTS);
      }
    }
    return { side, numbers };
  });

/**
 * Outlines of what is inked of a cell.
 *
 * @param tones address in the kernels' memory of what is made of coverage at each point, row by row (f32)
 * @param shift added to those between bare and solid
 */
export function cellOutlines({ side, numbers }: CellThresholds, tones: number, shift: number): DotBuilder {
  const count = kernels.traceCell(
    tones,
    uploadOnce(numbers),
    side,
    shift,
    CELL.room,
    CELL.points,
    CELL.lengths,
  );
  const builder = new DotBuilder(side);
  for (let k = 0, from = 0; k < count; from += LENGTHS[k], k++) builder.add(POINTS, from, LENGTHS[k]);
  return builder;
}

/** The same for a cell of one tone. */
export function evenOutlines(thresholds: CellThresholds, tone: number): DotBuilder {
  lightAt(CELL.evenTones, (thresholds.side + 1) ** 2).fill(tone);
  return cellOutlines(thresholds, CELL.evenTones, 0);
}
