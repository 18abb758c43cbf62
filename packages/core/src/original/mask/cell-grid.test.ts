import { findSupercell } from '../../screen/supercell.ts';
import { CellMarks, cellGrid, cellRuns } from './cell-grid.ts';

const region = { x: -37, y: 211, width: 403, height: 57 };

describe.each([
  [65, 22.5, 1200],
  [20, 0, 300],
  [33, 90, 600],
  [1, 307, 4800],
])('cells of %d lpi at %d° on %d dpi', (ruling, angle, resolution) => {
  const grid = cellGrid(findSupercell(ruling, angle, resolution));
  const cellOf = (x: number, y: number) => {
    const [across, down] = [2 * x + 1, 2 * y + 1];
    return [
      Math.floor((across * grid.p - down * grid.q) / grid.full),
      Math.floor((across * grid.q + down * grid.p) / grid.full),
    ];
  };
  it('runs hold each pixel of a region once, and each with its own cell', () => {
    let wrong = 0;
    const next = new Int32Array(region.height);
    cellRuns(grid, region, (from, to, y, column, row) => {
      if (from !== next[y] || to <= from) wrong++;
      next[y] = to;
      for (let x = from; x < to; x++) {
        const [c, r] = cellOf(region.x + x, region.y + y);
        if (c !== column || r !== row) wrong++;
      }
    });
    expect(wrong).toBe(0);
    expect(next.every((end) => end === region.width)).toBe(true);
  });
  it('a cell’s middle is in it, and every cell of the region has a mark of its own', () => {
    const marks = new CellMarks(grid, region);
    const places = new Map<number, string>();
    cellRuns(grid, region, (_from, _to, _y, column, row) => {
      const index = marks.indexOf(column, row);
      expect(index >= 0 && index < marks.bytes.length).toBe(true);
      const name = `${column} ${row}`;
      expect(places.get(index) ?? name).toBe(name);
      places.set(index, name);
      expect(cellOf(...grid.middleOf(column, row))).toEqual([column, row]);
    });
    expect(places.size).toBeGreaterThan(0);
  });
});
