import { cache } from '../../base/cache.ts';
import { HALF, type Plane } from '../../raster/plane.ts';
import { grownRegion, type Region } from '../../raster/region.ts';
import type { Supercell } from '../../screen/supercell.ts';
import { CellMarks, cellGrid, cellRuns, type CellGrid } from './cell-grid.ts';

/** A shape at whose edge dots stay whole, on a grid of pixels. */
export interface WholeShape {
  /** 65535 = there, 0 = not. */
  readonly in: (region: Region) => Plane;
  /** All of the grid that is ever asked for. */
  readonly sheet: Region;
  /** Cache key: equal iff shape, grid and sheet are equal. */
  readonly key: () => string;
}

/**
 * From so many pixels along a cell on it is told once for all of the sheet where its cells lie: a band of rows would have to look
 * far beyond itself.
 */
export const LARGE = 24;
/** Rows of a large cell on which that is told. */
const ROWS = 12;

/** Marks of a cell some of which is in the shape, and some of which is out of it. */
export const IN = 1;
export const OUT = 2;
export const EDGE = IN | OUT;

/** Marks of the cells that meet a region. */
export function cellsAround(grid: CellGrid, region: Region, shape: WholeShape): CellMarks {
  const wide = grownRegion(region, wholeReach(grid.side));
  const marks = new CellMarks(grid, wide);
  mark(marks, grid, shape.in(wide), wide);
  return marks;
}

const recentMarks = cache<CellMarks>('whole cells', ({ bytes }) => bytes.byteLength);

/** Marks of all large cells that meet the sheet, told on some of their rows. */
export const cellsOfSheet = (supercell: Supercell, shape: WholeShape): CellMarks =>
  recentMarks(JSON.stringify([shape.key(), supercell]), () => {
    const grid = cellGrid(supercell);
    const wide = grownRegion(shape.sheet, wholeReach(grid.side));
    const marks = new CellMarks(grid, wide);
    for (let y = 0; y < wide.height; y += Math.floor(grid.side / ROWS)) {
      const row = { ...wide, y: wide.y + y, height: 1 };
      mark(marks, grid, shape.in(row), row);
    }
    return marks;
  });

function mark(marks: CellMarks, grid: CellGrid, { data, width }: Plane, region: Region): void {
  const { bytes } = marks;
  cellRuns(grid, region, (from, to, y, column, row) => {
    let found = 0;
    for (let i = y * width + from; i < y * width + to; i++) found |= data[i] < HALF ? OUT : IN;
    bytes[marks.indexOf(column, row)] |= found;
  });
}

/** Pixels about a region in which all of its cells lie; `side` of a cell in pixels. */
export const wholeReach = (side: number): number => Math.ceil(Math.SQRT2 * side) + 1;
