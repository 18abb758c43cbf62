import type { EdgeIndex } from './edge-index.ts';
import type { Dot } from './lattice-dot.ts';
import type { LatticeGrid } from './lattice-grid.ts';

/** Rows whose dots are found together: rows of cells one below another are made of the same rows of tones, which are near at hand then. */
const TOGETHER = 8;

/** A cell's dot; undefined for none. */
export type DotOf = (column: number, row: number, place: 'inside' | 'edge') => Dot | undefined;

/** A dot, and where its cell lies. */
export interface CellDot {
  readonly dot: Dot;
  readonly place: 'inside' | 'edge';
}

/** The dots of rows `from` to below `to`, each cell's at (row − from) × columns + (column − left); undefined where there is none. */
interface Strip {
  readonly from: number;
  readonly to: number;
  readonly cells: readonly (CellDot | undefined)[];
}

/** The dots of a lattice, row by row. */
export class DotRows {
  /** The last two: rows are come back to where one path ends and another begins. */
  private strips: readonly Strip[] = [];

  /**
   * @param scale units of the path for a film pixel
   * @param near  what lies near the edge of what is drawn, in units of the path
   */
  constructor(
    private readonly grid: LatticeGrid,
    private readonly scale: number,
    private readonly near: EdgeIndex,
    private readonly dotOf: DotOf,
  ) {}

  /**
   * The dots of a row: its cells are those from `first` on, one for each column.
   *
   * @param end no row from here on is asked for next
   */
  of(row: number, end: number): { readonly cells: readonly (CellDot | undefined)[]; readonly first: number } {
    const { left, right } = this.grid;
    const { cells, from } = this.stripOf(row, end);
    return { cells, first: (row - from) * (right - left) };
  }

  private stripOf(row: number, end: number): Strip {
    const found = this.strips.find(({ from, to }) => row >= from && row < to);
    if (found) return found;
    const made = this.strip(row, Math.min(row + TOGETHER, end));
    this.strips = [...this.strips.slice(-1), made];
    return made;
  }

  private strip(from: number, to: number): Strip {
    const { grid, scale, near, dotOf } = this;
    const columns = grid.right - grid.left;
    const rows = to - from;
    const cells = new Array<CellDot | undefined>(columns * rows).fill(undefined);
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const place = near(grid.boxAbout(grid.left + i, from + j, scale));
        if (place === 'outside') continue;
        const dot = dotOf(grid.left + i, from + j, place);
        if (dot && dot.points > 0) cells[j * columns + i] = { dot, place };
      }
    }
    return { from, to, cells };
  }
}
