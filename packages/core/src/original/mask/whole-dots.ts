import { createBits, setBits, type Bits } from '../../raster/bits.ts';
import { HALF } from '../../raster/plane.ts';
import { grownRegion, type Region } from '../../raster/region.ts';
import type { Supercell } from '../../screen/supercell.ts';
import { cellGrid, cellRuns } from './cell-grid.ts';
import { cellsOfSheet, EDGE, IN, LARGE, type WholeShape } from './shape-cells.ts';

/** Marks of a cell at the edge whose middle has been looked at, beside those of its pixels. */
const INSIDE = 4;
const OUTSIDE = 8;

/**
 * The pixels of a region whose screen cell has its middle inside a shape: dots at the shape's edge are there whole or not
 * at all.
 */
export function wholeDots(supercell: Supercell, shape: WholeShape, region: Region): Bits {
  const grid = cellGrid(supercell);
  if (grid.side < LARGE) {
    const wide = grownRegion(region, Math.ceil(grid.side) + 1);
    const { data, width } = shape.in(wide);
    return wholeDotsAt(supercell, (x, y) => data[(y - wide.y) * width + x - wide.x] >= HALF, region);
  }
  const marks = cellsOfSheet(supercell, shape);
  const { bytes } = marks;
  return wholeDotsAt(
    supercell,
    (x, y, column, row) => {
      const index = marks.indexOf(column, row);
      if ((bytes[index] & EDGE) !== EDGE) return (bytes[index] & EDGE) === IN;
      if ((bytes[index] & (INSIDE | OUTSIDE)) === 0)
        bytes[index] |= shape.in({ x, y, width: 1, height: 1 }).data[0] >= HALF ? INSIDE : OUTSIDE;
      return (bytes[index] & INSIDE) !== 0;
    },
    region,
  );
}

/**
 * The same where it is told of any pixel whether it is inside.
 *
 * @param isInside asked for the pixels that the cells' middles fall in, and for these cells' columns and rows
 */
export function wholeDotsAt(
  supercell: Supercell,
  isInside: (x: number, y: number, column: number, row: number) => boolean,
  region: Region,
): Bits {
  const out = createBits(region.width, region.height);
  const grid = cellGrid(supercell);
  cellRuns(grid, region, (from, to, y, column, row) => {
    const [x, down] = grid.middleOf(column, row);
    if (isInside(x, down, column, row)) setBits(out, y, from, to);
  });
  return out;
}
