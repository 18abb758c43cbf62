import type { Supercell } from '../../screen/supercell.ts';
import type { Region } from '../../raster/region.ts';

/** Where the cells of a screen lie on the film's pixels. */
export interface CellGrid {
  /** Pixels along a cell. */
  readonly side: number;
  /** Column and row of a pixel's cell are ⌊(x′ p − y′ q) ÷ full⌋ and ⌊(x′ q + y′ p) ÷ full⌋, with x′ = 2x + 1 and y′ = 2y + 1. */
  readonly p: number;
  readonly q: number;
  readonly full: number;
  /** The pixel that a cell's middle falls in. */
  readonly middleOf: (column: number, row: number) => readonly [x: number, y: number];
}

/** Screen coordinates of a pixel are (x + iy)(p + iq) ÷ N, as in the making of thresholds: cell edges fall alike. */
export function cellGrid({ m, n, ax, ay, pixels }: Supercell): CellGrid {
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const back = pixels / (p * p + q * q);
  return {
    side: Math.sqrt(pixels / (m * m + n * n)),
    p,
    q,
    full: 2 * pixels,
    middleOf: (column, row) => {
      const [u, v] = [column + 0.5, row + 0.5];
      return [Math.floor((u * p + v * q) * back), Math.floor((v * p - u * q) * back)];
    },
  };
}

/**
 * Calls `visit` for every run of pixels of one cell, along each row of a region.
 *
 * @param visit is told columns and row of the pixels within the region, and column and row of their cell
 */
export function cellRuns(
  { p, q, full }: CellGrid,
  { x: left, y: top, width, height }: Region,
  visit: (from: number, to: number, y: number, column: number, row: number) => void,
): void {
  for (let y = 0; y < height; y++) {
    const down = 2 * (top + y) + 1;
    const [u0, v0] = [-down * q, down * p];
    for (let x = 0; x < width;) {
      const across = 2 * (left + x) + 1;
      const column = Math.floor((across * p + u0) / full);
      const row = Math.floor((across * q + v0) / full);
      // Divisions are rounded: the last pixel or two are looked at one by one.
      const most = Math.min(
        longest(across * p + u0, p, column, full),
        longest(across * q + v0, q, row, full),
      );
      let to = Math.min(width, x + Math.max(1, most - 1));
      while (to < width) {
        const next = 2 * (left + to) + 1;
        if (Math.floor((next * p + u0) / full) !== column || Math.floor((next * q + v0) / full) !== row)
          break;
        to++;
      }
      visit(x, to, y, column, row);
      x = to;
    }
  }
}

/** About how many pixels a coordinate that grows by 2 × `slope` with each stays in its cell. */
const longest = (value: number, slope: number, cell: number, full: number): number =>
  slope === 0 ? Infinity : Math.floor(((slope > 0 ? (cell + 1) * full : cell * full) - value) / (2 * slope));

/** A byte for every cell that meets a region, 0 at first. */
export class CellMarks {
  readonly bytes: Uint8Array;
  private readonly column: number;
  private readonly row: number;
  private readonly columns: number;

  constructor({ p, q, full }: CellGrid, { x, y, width, height }: Region) {
    const corners = [
      [x, y],
      [x + width, y],
      [x, y + height],
      [x + width, y + height],
    ];
    const across = corners.map(([cx, cy]) => Math.floor((2 * (cx * p - cy * q)) / full));
    const down = corners.map(([cx, cy]) => Math.floor((2 * (cx * q + cy * p)) / full));
    this.column = Math.min(...across);
    this.row = Math.min(...down);
    this.columns = Math.max(...across) - this.column + 1;
    this.bytes = new Uint8Array(this.columns * (Math.max(...down) - this.row + 1));
  }

  /** Place of a cell's byte. */
  indexOf(column: number, row: number): number {
    return (row - this.row) * this.columns + column - this.column;
  }
}
