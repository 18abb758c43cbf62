import type { EdgeIndex } from './edge-index.ts';
import type { Dot } from './lattice-dot.ts';
import type { LatticeGrid } from './lattice-grid.ts';

/** Rows whose dots are found together: rows of cells one below another are made of the same rows of tones, which are near at hand then. */
const TOGETHER = 8;

/** A cell's dot; undefined for none. */
export type DotOf = (column: number, row: number, place: 'inside' | 'edge') => Dot | undefined;

/** The dots of some rows, each cell's at (row − top) × columns + (column − left). */
interface Strip {
  readonly number: number;
  readonly places: readonly ReturnType<EdgeIndex>[];
  readonly dots: readonly (Dot | undefined)[];
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

  /** Calls for each cell of a row that has a dot. */
  each(row: number, visit: (column: number, dot: Dot, place: 'inside' | 'edge') => void): void {
    const { left, right, top } = this.grid;
    const { places, dots, number } = this.stripOf(row);
    const first = (row - top - number * TOGETHER) * (right - left);
    for (let i = 0; i < right - left; i++) {
      const dot = dots[first + i];
      const place = places[first + i];
      if (dot && dot.points > 0 && place !== 'outside') visit(left + i, dot, place);
    }
  }

  private stripOf(row: number): Strip {
    const number = Math.floor((row - this.grid.top) / TOGETHER);
    const found = this.strips.find((strip) => strip.number === number);
    if (found) return found;
    const made = this.strip(number);
    this.strips = [...this.strips.slice(-1), made];
    return made;
  }

  private strip(number: number): Strip {
    const { grid, scale, near, dotOf } = this;
    const columns = grid.right - grid.left;
    const top = grid.top + number * TOGETHER;
    const rows = Math.min(TOGETHER, grid.foot - top);
    const places = new Array<ReturnType<EdgeIndex>>(columns * rows).fill('outside');
    const dots = new Array<Dot | undefined>(columns * rows).fill(undefined);
    for (let i = 0; i < columns; i++) {
      for (let j = 0; j < rows; j++) {
        const place = near(grid.boxAbout(grid.left + i, top + j, scale));
        if (place === 'outside') continue;
        places[j * columns + i] = place;
        dots[j * columns + i] = dotOf(grid.left + i, top + j, place);
      }
    }
    return { number, places, dots };
  }
}
