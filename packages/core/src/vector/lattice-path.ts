import { after, moved, scaled, type Affine } from '../raster/affine.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import type { EdgeIndex } from './edge-index.ts';
import type { PathData, Paths } from './path-data.ts';
import type { Area } from '../path/area.ts';
import { ClippedPath } from './clipped.ts';
import type { DotRows } from './dot-rows.ts';
import { isPoints, PIECE, type CellLoop } from './cell-loop.ts';
import { Stitching } from './stitch.ts';

/** Units by which half an ellipse may be off for rounding. */
const SHORT = 1.3;

/** Square cells: where dots of different sizes meet crumbs are left between them, which no press would hold. */
const CRUMB = 1e-4;

/** Points of outlines in one path: about a megabyte. */
const PATH_POINTS = 60_000;

/** What lattice dots are drawn in. */
export interface LatticeDrawing {
  readonly grid: LatticeGrid;
  readonly dots: DotRows;
  /** Units of the path for a film pixel. */
  readonly scale: number;
  /** What dots are cut to, and what lies near its edge, in units of the path. */
  readonly area: Area;
  readonly near: EdgeIndex;
}

/** Rows of cells, or of points, from one on to below another. */
export interface RowsOf {
  readonly from: number;
  readonly to: number;
}

/**
 * Draws rows of the dots of a lattice as geometry: one whole outline for each dot that stands alone, and for those that touch the outline of all of
 * them together. Where one path ends and the next begins, and along the edge of the area, a row of cells that touch is drawn in both, so
 * that no seam shows between them.
 */
export function latticePath(drawing: LatticeDrawing, { from, to }: RowsOf, out: Paths): void {
  const { grid, scale, area, near } = drawing;
  const crumb = CRUMB * (grid.side * scale) ** 2;
  const joined: Joined = {
    inner: new Stitching(grid.left, grid.right),
    rim: new Stitching(grid.left, grid.right),
  };
  for (let row = from; row < to;) {
    const inner = out.next();
    const lone = new ClippedPath(inner, area, near, crumb);
    const rim = new ClippedPath(out.next(), area, near, crumb);
    row = drawRows(drawing, { from: row, to }, joined, { inner, lone, rim });
    lone.finish();
    rim.finish();
  }
}

/** Dots that touch others, within the area and along its edge. */
interface Joined {
  readonly inner: Stitching;
  readonly rim: Stitching;
}

/** Where dots go: those within the area, those at its edge that stand alone, and those there that touch others. */
interface Outs {
  readonly inner: PathData;
  readonly lone: PathData;
  readonly rim: PathData;
}

/**
 * Draws rows of cells until a path is full, and of the row that follows what is joined.
 *
 * @param joined is empty, before and after
 * @returns      the row that the next path begins with
 */
function drawRows(
  { grid, dots, scale, near }: LatticeDrawing,
  { from, to }: RowsOf,
  joined: Joined,
  outs: Outs,
): number {
  const unit = grid.side * scale;
  const toPath = after(grid.toFilm, scaled(scale));
  let count = 0;
  let row = from;
  // Of the row that follows, what is joined.
  const end = Math.min(to + 1, grid.foot);
  for (let isFull = false; row < end; row++) {
    const { cells, first } = dots.of(row, end);
    for (let column = grid.left; column < grid.right; column++) {
      const cell = cells[first + column - grid.left];
      if (!cell) continue;
      const { dot, place } = cell;
      const { loops, touches, points } = dot;
      // The row that two paths share is there for what is joined alone.
      if (!touches && !isFull) {
        const ofCell = after(moved(column + 0.5, row + 0.5), toPath);
        const { inner, lone } = outs;
        const out = place === 'edge' ? lone : (inner.alone?.(ofCell.x0, ofCell.y0) ?? inner);
        for (const loop of loops) drawLoop(loop, ofCell, unit, grid.turn, out);
      }
      if (touches) {
        const isRim = place === 'edge' || near(grid.boxAbout(column, row, scale, 3)) !== 'inside';
        for (const loop of loops) {
          if (place === 'inside') joined.inner.add(column, row, loop);
          if (isRim) joined.rim.add(column, row, loop);
        }
      }
      count += points;
    }
    if (isFull) break;
    isFull = count > PATH_POINTS || row + 1 === to;
  }
  const fromMiddles = after(moved(0.5, 0.5), toPath);
  for (const where of ['inner', 'rim'] as const) {
    joined[where].loops((runs, loop, length) => {
      if (Math.abs(runs.area(loop, length)) > CRUMB)
        runs.draw(loop, length, fromMiddles, unit, grid.turn, outs[where]);
    });
  }
  return row;
}

/** Draws a closed outline through points, x and y by turns. */
function drawPoints(points: readonly number[], { xx, xy, x0, yx, yy, y0 }: Affine, out: PathData): void {
  for (let i = 0; i < points.length; i += 2) {
    const x = xx * points[i] + xy * points[i + 1] + x0;
    const y = yx * points[i] + yy * points[i + 1] + y0;
    if (i === 0) out.move(x, y);
    else out.line(x, y);
  }
  out.close();
}

/**
 * Draws one closed outline.
 *
 * @param map  from the cell's middle, in cells, to units of the path
 * @param unit units of the path for a cell
 * @param turn of the lattice's first direction, degrees from x to y
 */
export function drawLoop(loop: CellLoop, map: Affine, unit: number, turn: number, out: PathData): void {
  if (isPoints(loop)) {
    drawPoints(loop, map, out);
    return;
  }
  if (isWholeEllipse(loop)) {
    // All of an ellipse: two halves. Axes a little too short for their ends are drawn out to meet them, as SVG has it, so
    // that a half is a half whatever was rounded.
    const [rx, ry, isForward] = [loop[4], loop[5], loop[6] === 1];
    const short = 1 - Math.min(0.5, SHORT / (rx * unit));
    // A circle begins level with its middle, however the lattice is turned: its numbers come twice then, and pack well.
    const isCircle = rx === ry;
    const [endX, endY] = isCircle ? [rx * unit, 0] : [map.xx * rx, map.yx * rx];
    out.move(map.x0 + endX, map.y0 + endY);
    for (const side of [-1, 1])
      out.arc(
        rx * unit * short,
        ry * unit * short,
        turn,
        isForward,
        map.x0 + side * endX,
        map.y0 + side * endY,
      );
    out.close();
    return;
  }
  const { xx, xy, x0, yx, yy, y0 } = map;
  out.move(xx * loop[0] + xy * loop[1] + x0, yx * loop[0] + yy * loop[1] + y0);
  for (let at = 0; at < loop.length; at += PIECE) {
    const [u, v, rx] = [loop[at + 2], loop[at + 3], loop[at + 4]];
    const x = xx * u + xy * v + x0;
    const y = yx * u + yy * v + y0;
    if (rx > 0) out.arc(rx * unit, loop[at + 5] * unit, turn, loop[at + 6] === 1, x, y);
    else if (at + PIECE < loop.length) out.line(x, y);
  }
  out.close();
}

/** True for four quarters of an ellipse about the cell's middle. */
function isWholeEllipse(loop: Float64Array): boolean {
  if (loop.length !== 4 * PIECE) return false;
  for (let at = 0; at < loop.length; at += PIECE)
    if (loop[at + 4] === 0 || loop[at + 2] * loop[at + 3] !== 0) return false;
  return true;
}
