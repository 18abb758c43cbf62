import type { Box } from '../path/area.ts';
import type { Supercell } from '../screen/supercell.ts';

/** Cells beyond the middle of which no part of a dot lies. */
const REACH = 0.75;

/** The cells of a straight lattice on a film, by column and row: u along the screen's first direction, v across it, places in film pixels. */
export class LatticeGrid {
  /** Length of a cell's side, film pixels. */
  readonly side: number;
  /** Of the lattice's first direction, degrees from x to y. */
  readonly turn: number;
  /** Columns and rows that may meet the film: from `left` to below `right`, from `top` to below `foot`. */
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly foot: number;
  private readonly p: number;
  private readonly q: number;
  private readonly back: number;
  private readonly reach: number;

  constructor(
    { m, n, ax, ay, pixels }: Supercell,
    readonly film: { readonly width: number; readonly height: number },
  ) {
    // Screen coordinates of a film's point are (x + iy)(p + iq) ÷ N, as in the making of thresholds.
    const p = m * ax + n * ay;
    const q = n * ax - m * ay;
    [this.p, this.q, this.back] = [p, q, pixels / (p * p + q * q)];
    this.side = Math.sqrt(this.back * pixels);
    this.turn = (Math.atan2(-q, p) * 180) / Math.PI;
    this.reach = this.side * REACH;
    const corners = [
      [0, 0],
      [film.width, 0],
      [film.width, film.height],
      [0, film.height],
    ].map(([x, y]) => ({ u: (x * p - y * q) / pixels, v: (x * q + y * p) / pixels }));
    const us = corners.map(({ u }) => u);
    const vs = corners.map(({ v }) => v);
    [this.left, this.right] = [Math.floor(Math.min(...us)) - 1, Math.ceil(Math.max(...us)) + 1];
    [this.top, this.foot] = [Math.floor(Math.min(...vs)) - 1, Math.ceil(Math.max(...vs)) + 1];
  }

  /** The film's point at u, v. */
  place(u: number, v: number): [number, number] {
    const { p, q, back } = this;
    return [(u * p + v * q) * back, (v * p - u * q) * back];
  }

  /** Cells whose dots may reach the film, row by row. */
  *cells(): Generator<readonly [column: number, row: number]> {
    const { film, reach, left, right, top, foot } = this;
    for (let j = top; j < foot; j++) {
      for (let i = left; i < right; i++) {
        const [x, y] = this.place(i + 0.5, j + 0.5);
        if (x >= -reach && y >= -reach && x <= film.width + reach && y <= film.height + reach) yield [i, j];
      }
    }
  }

  /** The box around a cell, or around a square of so many cells about it, on a grid `scale` times as fine as the film. */
  boxAbout(column: number, row: number, scale: number, cells = 1): Box {
    const [x, y] = this.place(column + 0.5, row + 0.5);
    const reach = cells * this.side * Math.SQRT1_2;
    return {
      left: (x - reach) * scale,
      top: (y - reach) * scale,
      right: (x + reach) * scale,
      foot: (y + reach) * scale,
    };
  }

  /** The place of a cell among all from `left` and `top` on. */
  indexOf(column: number, row: number): number {
    return (row - this.top) * (this.right - this.left) + (column - this.left);
  }

  /** The cell at a place. */
  cellAt(index: number): [column: number, row: number] {
    const across = this.right - this.left;
    return [this.left + (index % across), this.top + Math.floor(index / across)];
  }

  /** How many places `indexOf` may give. */
  get size(): number {
    return (this.right - this.left) * (this.foot - this.top);
  }
}
