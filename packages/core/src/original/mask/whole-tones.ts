import type { Plane } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import type { Supercell } from '../../screen/supercell.ts';
import { cellGrid, cellRuns } from './cell-grid.ts';
import { cellsAround, cellsOfSheet, EDGE, LARGE, type WholeShape } from './shape-cells.ts';

/**
 * Tones of a region as dots need them that stay whole at a shape's edge: over each cell that the edge runs through, the tone at its middle, so
 * that the dot is the screen's own shape, in film, proof and geometry alike.
 *
 * @param tonesIn tones of any region, running on beyond the shape
 */
export function wholeTones(
  supercell: Supercell,
  region: Region,
  tonesIn: (region: Region) => Plane,
  shape: WholeShape,
): Plane {
  const grid = cellGrid(supercell);
  const marks = grid.side < LARGE ? cellsAround(grid, region, shape) : cellsOfSheet(supercell, shape);
  const out = tonesIn(region);
  const tones = new Map<number, number>();
  cellRuns(grid, region, (from, to, y, column, row) => {
    const index = marks.indexOf(column, row);
    if ((marks.bytes[index] & EDGE) !== EDGE) return;
    let tone = tones.get(index);
    if (tone === undefined) {
      const [x, down] = grid.middleOf(column, row);
      tone = tonesIn({ x, y: down, width: 1, height: 1 }).data[0];
      tones.set(index, tone);
    }
    out.data.fill(tone, y * region.width + from, y * region.width + to);
  });
  return out;
}
