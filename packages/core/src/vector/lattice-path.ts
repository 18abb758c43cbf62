import { cache } from '../base/cache.ts';
import type { Supercell } from '../screen/supercell.ts';
import { areaOf, type Piece } from '../path/piece.ts';
import type { CellOutline } from '../screen/spot/cell-outline.ts';
import type { PathData } from './path-data.ts';
import { stitching } from './stitch.ts';

/** Units by which half an ellipse may be off for rounding. */
const SHORT = 1.3;

/** Tones are told apart in so many steps: finer than any press holds. */
const STEPS = 4096;

/** The same for shapes whose outlines take long to find, and the sizes that their areas are looked up at. */
const COSTLY_STEPS = 256;
const COSTLY_SIZES = 128;

const recentOutlines = cache<(tone: number) => Piece[]>('dot outlines');

/** Outlines of a shape by tone (0–1), each found when it is first asked for: the size whose area is the tone. */
export const outlinesOf = (key: string, shape: CellOutline): ((tone: number) => Piece[]) =>
  recentOutlines(key, () => {
    const steps = shape.costly ? COSTLY_STEPS : STEPS;
    const sizeOf = shape.costly ? lookedUp(shape) : (area: number) => halved(shape, area);
    const kept = new Array<Piece[] | undefined>(steps + 1);
    return (tone) => {
      const step = Math.round(tone * steps);
      if (step <= 0) return [];
      return (kept[step] ??= shape.pieces(step >= steps ? shape.most : sizeOf(step / steps)));
    };
  });

/** The size of an area, by halving the span it lies in. */
function halved(shape: CellOutline, area: number): number {
  let [low, high] = [0, shape.most];
  for (let k = 0; k < 34; k++) {
    const middle = (low + high) / 2;
    if (areaOf(shape.pieces(middle)) < area) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** The size of an area, from a table of areas: between two sizes, the root of an area runs straight. */
function lookedUp(shape: CellOutline): (area: number) => number {
  const areas = Array.from({ length: COSTLY_SIZES + 1 }, (_, k) =>
    k === 0 ? 0 : areaOf(shape.pieces((k / COSTLY_SIZES) * shape.most)),
  );
  return (area) => {
    let k = 1;
    while (k < COSTLY_SIZES && areas[k] < area) k++;
    const [a, b, c] = [areas[k - 1], areas[k], area].map((value) => Math.sqrt(Math.max(0, value)));
    return ((k - 1 + (b > a ? (c - a) / (b - a) : 0)) / COSTLY_SIZES) * shape.most;
  };
}

/** Cells: where dots of different sizes meet crumbs are left between them, which no press would hold. */
const CRUMB = 1e-4;

const touchesSide = ({ x0, y0, x1, y1 }: Piece): boolean =>
  Math.abs(x0) >= 0.5 || Math.abs(y0) >= 0.5 || Math.abs(x1) >= 0.5 || Math.abs(y1) >= 0.5;

/**
 * Draws the dots of a lattice as geometry: one whole outline for each dot that stands alone, and for those that touch the
 * outline of all of them together.
 *
 * @param toneAt tone (0–1) of a cell by the pixel its middle lies at
 * @param scale  units of the path for a film pixel
 */
export function latticePath(
  { m, n, ax, ay, pixels }: Supercell,
  key: string,
  shape: CellOutline,
  film: { width: number; height: number },
  toneAt: (x: number, y: number) => number,
  scale: number,
  out: PathData,
): void {
  // Screen coordinates of a film's point are (x + iy)(p + iq) ÷ N, as in the making of thresholds.
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const back = pixels / (p * p + q * q);
  const place = (u: number, v: number): [number, number] => [(u * p + v * q) * back, (v * p - u * q) * back];
  const side = Math.sqrt(back * pixels);
  const unit = side * scale;
  const turn = (Math.atan2(-q, p) * 180) / Math.PI;
  const outline = outlinesOf(key, shape);
  const joined = stitching();
  const draw = (i: number, j: number, pieces: readonly Piece[]): void => {
    const at = (x: number, y: number): [number, number] => {
      const [px, py] = place(i + 0.5 + x, j + 0.5 + y);
      return [px * scale, py * scale];
    };
    drawLoop(pieces, at, unit, turn, out);
  };
  const corners = [
    [0, 0],
    [film.width, 0],
    [film.width, film.height],
    [0, film.height],
  ].map(([x, y]) => ({ u: (x * p - y * q) / pixels, v: (x * q + y * p) / pixels }));
  const range = (values: number[]) => [
    Math.floor(Math.min(...values)) - 1,
    Math.ceil(Math.max(...values)) + 1,
  ];
  const [left, right] = range(corners.map(({ u }) => u));
  const [top, foot] = range(corners.map(({ v }) => v));
  const reach = side * 0.75;
  /** True for pieces that all lie beyond one side of the film; arcs bulge beyond their ends by less than half their radius. */
  const isBeyond = (pieces: readonly Piece[], i: number, j: number): boolean => {
    const box = { left: Infinity, top: Infinity, right: -Infinity, foot: -Infinity };
    for (const { x0, y0, rx, ry } of pieces) {
      const [x, y] = place(i + 0.5 + x0, j + 0.5 + y0);
      const bulge = (side * Math.max(rx, ry)) / 2;
      box.left = Math.min(box.left, x - bulge);
      box.right = Math.max(box.right, x + bulge);
      box.top = Math.min(box.top, y - bulge);
      box.foot = Math.max(box.foot, y + bulge);
    }
    return box.right < 0 || box.foot < 0 || box.left > film.width || box.top > film.height;
  };
  for (let j = top; j < foot; j++) {
    for (let i = left; i < right; i++) {
      const [x, y] = place(i + 0.5, j + 0.5);
      if (x < -reach || y < -reach || x > film.width + reach || y > film.height + reach) continue;
      const pieces = outline(toneAt(x, y));
      if (pieces.length === 0) continue;
      // A dot all of which lies beyond the film is in no print.
      if (isBeyond(pieces, i, j)) continue;
      if (pieces.some(touchesSide)) joined.add(i, j, pieces);
      else for (const loop of loopsOf(pieces)) draw(i, j, loop);
    }
  }
  joined.loops((loop) => {
    if (Math.abs(areaOf(loop)) > CRUMB) draw(0, 0, loop);
  });
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
export function loopsOf(pieces: readonly Piece[]): Piece[][] {
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
