import type { Frame } from '../../raster/frame.ts';
import { turnOf } from '../../base/turn.ts';
import type { ColourDots } from '../../recipe/colour-dots.ts';

/** Colour dots' lattice on a grid: cell (i, j) has its middle at (i + ½, j + ½). */
export interface DotLattice {
  /** Screen coordinates of a point of the grid, in cells. */
  readonly toCells: (x: number, y: number) => [u: number, v: number];
  readonly toGrid: (u: number, v: number) => [x: number, y: number];
  /** Side of a cell in pixels. */
  readonly cell: number;
}

/** The lattice on a grid, counted from the grid's corner. */
export function dotLattice({ ruling, angle }: ColourDots, frame: Pick<Frame, 'resolution'>): DotLattice {
  const cell = frame.resolution / ruling;
  const { cos, sin } = turnOf(angle);
  const [along, across] = [cos / cell, sin / cell];
  return {
    cell,
    toCells: (x, y) => [x * along - y * across, x * across + y * along],
    toGrid: (u, v) => [(u * cos + v * sin) * cell, (v * cos - u * sin) * cell],
  };
}
