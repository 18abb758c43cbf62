import { cache } from '../base/cache.ts';
import { areaOf, straight, type Piece } from '../path/piece.ts';
import type { CellOutline } from '../screen/spot/cell-outline.ts';
import type { LatticeGrid } from './lattice-grid.ts';
import type { EdgeIndex } from './edge-index.ts';
import type { PathData, Paths } from './path-data.ts';
import type { Area } from '../path/area.ts';
import { clipped } from './clipped.ts';
import { pieceNumbers, stitching } from './stitch.ts';

/** Units by which half an ellipse may be off for rounding. */
const SHORT = 1.3;

/** Tones are told apart in so many steps: finer than any press holds. */
const STEPS = 4096;
/** The same for shapes whose outlines take long to find. */
const COSTLY_STEPS = 512;
/** Sizes that areas are looked up at. */
const SIZES = 128;
/** How near an outline's area comes to the tone, in cells, and turns of looking for it. */
const NEAR = 1e-7;
const TURNS = 12;

/** A dot's outline within its cell. */
export interface Dot {
  /** Its pieces as `pieceNumbers` gives them. */
  readonly pieces: Float64Array;
  /** The same, each closed outline by itself. */
  readonly loops: readonly (readonly Piece[])[];
  /** True where it meets a side of its cell. */
  readonly touches: boolean;
}

const recentOutlines = cache<(tone: number) => Dot>('dot outlines');

/** Outlines of a shape by tone (0–1), each found when it is first asked for: the size whose area is the tone. */
export const outlinesOf = (key: string, shape: CellOutline): ((tone: number) => Dot) =>
  recentOutlines(key, () => {
    const steps = shape.costly ? COSTLY_STEPS : STEPS;
    const sizeOf = sizesOf(shape);
    const kept = new Array<Dot | undefined>(steps + 1);
    return (tone) => {
      const step = Math.round(tone * steps);
      if (step <= 0) return NO_DOT;
      return (kept[step] ??= dotOf(shape.pieces(step >= steps ? shape.most : sizeOf(step / steps))));
    };
  });

const dotOf = (pieces: readonly Piece[]): Dot => ({
  pieces: pieceNumbers(pieces),
  loops: loopsOf(pieces),
  touches: pieces.some(touchesSide),
});
const NO_DOT: Dot = { pieces: new Float64Array(), loops: [], touches: false };

/** The size of an area: from a table of areas, between two sizes of which the root of an area runs nearly straight, and closer where it costs little. */
function sizesOf(shape: CellOutline): (area: number) => number {
  const rootAt = (size: number): number => Math.sqrt(Math.max(0, areaOf(shape.pieces(size))));
  const sizes = Array.from({ length: SIZES + 1 }, (_, k) => (k / SIZES) * shape.most);
  const roots = sizes.map((size, k) => (k === 0 ? 0 : rootAt(size)));
  return (area) => {
    let k = 1;
    while (k < SIZES && roots[k] ** 2 < area) k++;
    let [low, high, atLow, atHigh] = [sizes[k - 1], sizes[k], roots[k - 1], roots[k]];
    const root = Math.sqrt(area);
    let size = between(low, high, atLow, atHigh, root);
    // Regula falsi, kept off the ends so that every turn gains something.
    for (let turn = 0; turn < (shape.costly ? 0 : TURNS); turn++) {
      const at = rootAt(size);
      if (Math.abs(at * at - area) < NEAR) break;
      if (at < root) [low, atLow] = [size, at];
      else [high, atHigh] = [size, at];
      const margin = (high - low) * 0.02;
      size = Math.min(high - margin, Math.max(low + margin, between(low, high, atLow, atHigh, root)));
    }
    return size;
  };
}

const between = (low: number, high: number, atLow: number, atHigh: number, value: number): number =>
  low + (atHigh > atLow ? (value - atLow) / (atHigh - atLow) : 0) * (high - low);

/** Square cells: where dots of different sizes meet crumbs are left between them, which no press would hold. */
const CRUMB = 1e-4;

const touchesSide = ({ x0, y0, x1, y1 }: Piece): boolean =>
  Math.abs(x0) >= 0.5 || Math.abs(y0) >= 0.5 || Math.abs(x1) >= 0.5 || Math.abs(y1) >= 0.5;

/** Numbers of outlines in one path: about a megabyte. */
const PATH_NUMBERS = 420_000;

/** What lattice dots are drawn in. */
export interface LatticeDrawing {
  readonly grid: LatticeGrid;
  /** The dots' shape, and a cache key: equal iff the shape is equal. */
  readonly key: string;
  readonly shape: CellOutline;
  /** What each cell's dot fills of it, 0–1, by `grid.indexOf`. */
  readonly shares: Float32Array;
  /** Units of the path for a film pixel. */
  readonly scale: number;
  /** What dots are cut to, and what lies near its edge, in units of the path. */
  readonly area: Area;
  readonly near: EdgeIndex;
}

/**
 * Draws the dots of a lattice as geometry: one whole outline for each dot that stands alone, and for those that touch the outline of all of
 * them together. Where one path ends and the next begins, and along the edge of the area, a row of cells that touch is drawn in both, so
 * that no seam shows between them.
 */
export function latticePath(drawing: LatticeDrawing, out: Paths): void {
  const { grid, scale, area, near } = drawing;
  const crumb = CRUMB * (grid.side * scale) ** 2;
  for (let row = grid.top; row < grid.foot;) {
    const inner = out.next();
    const [lone, rim] = [clipped(inner, area, near, crumb), clipped(out.next(), area, near, crumb)];
    row = drawRows(drawing, row, inner, lone, rim);
    lone.finish();
    rim.finish();
  }
}

/**
 * Draws rows of cells until a path is full.
 *
 * @param lone cuts dots that stand alone at the edge
 * @param rim  cuts those that touch others
 * @returns    the row that the next path begins with
 */
function drawRows(
  { grid, key, shape, shares, scale, near }: LatticeDrawing,
  from: number,
  inner: PathData,
  lone: PathData,
  rim: PathData,
): number {
  const outline = outlinesOf(key, shape);
  const [joinedInner, joinedRim] = [stitching(grid.left, grid.right), stitching(grid.left, grid.right)];
  const unit = grid.side * scale;
  const draw = (i: number, j: number, pieces: readonly Piece[], out: PathData): void => {
    const at = (x: number, y: number): [number, number] => {
      const [px, py] = grid.place(i + 0.5 + x, j + 0.5 + y);
      return [px * scale, py * scale];
    };
    drawLoop(pieces, at, unit, grid.turn, out);
  };
  let count = 0;
  let row = from;
  for (let isFull = false; row < grid.foot; row++) {
    for (let column = grid.left; column < grid.right; column++) {
      const share = shares[grid.indexOf(column, row)];
      if (share === 0) continue;
      const { pieces, loops, touches } = outline(share);
      if (pieces.length === 0) continue;
      const place = near(grid.boxAbout(column, row, scale));
      if (place === 'outside') continue;
      // The row that two paths share is there for what is joined alone.
      if (!touches && !isFull) {
        for (const loop of loops) draw(column, row, loop, place === 'inside' ? inner : lone);
      }
      if (touches) {
        if (place === 'inside') joinedInner.add(column, row, pieces);
        if (place === 'edge' || near(grid.boxAbout(column, row, scale, 3)) !== 'inside')
          joinedRim.add(column, row, pieces);
      }
      count += pieces.length;
    }
    if (isFull) break;
    isFull = count > PATH_NUMBERS;
  }
  for (const [joined, out] of [
    [joinedInner, inner],
    [joinedRim, rim],
  ] as const) {
    joined.loops((loop) => {
      if (Math.abs(areaOf([...loop, closing(loop)])) > CRUMB) draw(0, 0, loop, out);
    });
  }
  return row;
}

/** From the end of an outline to its beginning: stitching holds points that are very near for the same. */
function closing(loop: readonly Piece[]): Piece {
  const { x1, y1 } = loop[loop.length - 1];
  return straight(x1, y1, loop[0].x0, loop[0].y0);
}

/**
 * Draws one closed outline.
 *
 * @param at   where a point of the cell goes, in units of the path
 * @param unit units of the path for a cell
 * @param turn of the lattice's first direction, degrees from x to y
 */
export function drawLoop(
  pieces: readonly Piece[],
  at: (x: number, y: number) => [number, number],
  unit: number,
  turn: number,
  out: PathData,
): void {
  const [first] = pieces;
  const whole = pieces.length === 4 && pieces.every(({ rx, x1, y1 }) => rx > 0 && x1 * y1 === 0);
  if (whole) {
    // All of an ellipse: two halves. Axes a little too short for their ends are drawn out to meet them, as SVG has it, so
    // that a half is a half whatever was rounded.
    const { rx, ry, forward } = first;
    const short = 1 - Math.min(0.5, SHORT / (rx * unit));
    out.move(...at(rx, 0));
    for (const end of [-rx, rx]) out.arc(rx * unit * short, ry * unit * short, turn, forward, ...at(end, 0));
    out.close();
    return;
  }
  out.move(...at(first.x0, first.y0));
  pieces.forEach(({ x1, y1, rx, ry, forward }, k) => {
    if (rx > 0) out.arc(rx * unit, ry * unit, turn, forward, ...at(x1, y1));
    else if (k < pieces.length - 1) out.line(...at(x1, y1));
  });
  out.close();
}

/** Pieces parted where one does not begin at the end of the one before. */
function loopsOf(pieces: readonly Piece[]): Piece[][] {
  const loops: Piece[][] = [];
  let last: Piece | undefined;
  for (const piece of pieces) {
    const goesOn = last && Math.hypot(last.x1 - piece.x0, last.y1 - piece.y0) < 1e-9;
    if (goesOn) loops[loops.length - 1].push(piece);
    else loops.push([piece]);
    last = piece;
  }
  return loops;
}
