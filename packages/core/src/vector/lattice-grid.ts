import type { Box } from '../path/area.ts';
import type { Affine } from '../raster/affine.ts';
import type { Frame } from '../raster/frame.ts';
import type { Supercell } from '../screen/supercell.ts';

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

  constructor(
    { m, n, ax, ay, pixels }: Supercell,
    readonly film: Frame,
  ) {
    // Screen coordinates of a film's point are (x + iy)(p + iq) ÷ N, as in the making of thresholds.
    const p = m * ax + n * ay;
    const q = n * ax - m * ay;
    [this.p, this.q, this.back] = [p, q, pixels / (p * p + q * q)];
    this.side = Math.sqrt(this.back * pixels);
    this.turn = (Math.atan2(-q, p) * 180) / Math.PI;
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

  /** From u, v to the film's point. */
  get toFilm(): Affine {
    const [along, across] = [this.p * this.back, this.q * this.back];
    return { xx: along, xy: across, x0: 0, yx: -across, yy: along, y0: 0 };
  }

  /** The film's point at u, v. */
  place(u: number, v: number): [number, number] {
    const { p, q, back } = this;
    return [(u * p + v * q) * back, (v * p - u * q) * back];
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
}
