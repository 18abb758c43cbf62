import { cache } from '../base/cache.ts';
import { CELL, kernels, lightAt, realsAt, uploadOnce, wholesAt } from '../kernel/memory.ts';
import type { Dot } from './lattice-dot.ts';

/** Parts that the way from one point to the next is looked at in: thresholds run straight in each. */
const PARTS = 4;

/** Cells that an outline may stray from a dot's edge, to save points. */
export const STRAYS = 0.008;

const POINTS = realsAt(CELL.points, CELL.mostNumbers);
/** What is told of outlines: their area, whether they meet a side, how many points they have, and the length of each. */
const AREA = realsAt(CELL.told, 1);
const [TOUCHES, COUNT] = [2, 3];
const TOLD = wholesAt(CELL.told, 4);
const LENGTHS = wholesAt(CELL.told + 16, CELL.mostLoops);

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

/** A dot of straight pieces, and its area in cells. */
export interface CellOutlines {
  readonly dot: Dot;
  readonly area: number;
}

/**
 * Outlines of what is inked of a cell.
 *
 * @param tones address in the kernels' memory of what is made of coverage at each point, row by row (f32)
 * @param shift added to those between bare and solid
 */
export function cellOutlines({ side, numbers }: CellThresholds, tones: number, shift: number): CellOutlines {
  const count = kernels.traceCell(
    tones,
    uploadOnce(numbers),
    side,
    shift,
    STRAYS * side,
    CELL.room,
    CELL.points,
    CELL.told,
  );
  const loops = new Array<number[]>(count);
  for (let k = 0, from = 0; k < count; k++) {
    const loop = new Array<number>(LENGTHS[k]);
    for (let i = 0; i < loop.length; i++) loop[i] = POINTS[from++];
    loops[k] = loop;
  }
  return { dot: { loops, touches: TOLD[TOUCHES] === 1, points: TOLD[COUNT] }, area: AREA[0] };
}

/** The same for a cell of one tone. */
export function evenOutlines(thresholds: CellThresholds, tone: number): CellOutlines {
  lightAt(CELL.evenTones, (thresholds.side + 1) ** 2).fill(tone);
  return cellOutlines(thresholds, CELL.evenTones, 0);
}
