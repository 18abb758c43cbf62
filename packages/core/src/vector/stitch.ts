import type { Piece } from './piece.ts';

/** Steps of a cell that points are told apart by; lattices have at most 32 768 cells each way. */
const FINE = 1 << 11;
const HALF = 0.5;

/**
 * Joins the outlines of cells into outlines of everything: where ink lies on both sides of a line between two cells, the line
 * goes; where it lies on one, it stays.
 */
export interface Stitching {
  /** Adds a cell's outline; cells of a row come one after another. */
  add(i: number, j: number, pieces: readonly Piece[]): void;
  /** The loops that have come about, in units of cells. */
  loops(): Piece[][];
}

/** A part of a line between cells that one cell's outline runs along. */
interface Edge {
  readonly from: number;
  readonly to: number;
}

export function stitching(): Stitching {
  const pieces: Piece[] = [];
  /** By the line between two cells: those of the first cell run one way, those of the second back. */
  const sides = new Map<number, Edge[]>();
  const sideKey = (i: number, j: number, upright: boolean) =>
    ((j + 32768) * 65536 + (i + 32768)) * 2 + (upright ? 1 : 0);
  return {
    add(i, j, outline) {
      for (const piece of outline) {
        const { x0, y0, x1, y1, rx } = piece;
        const upright = rx === 0 && x0 === x1 && Math.abs(x0) === HALF;
        const level = rx === 0 && y0 === y1 && Math.abs(y0) === HALF;
        if (!upright && !level) {
          pieces.push({ ...piece, x0: x0 + i, x1: x1 + i, y0: y0 + j, y1: y1 + j });
          continue;
        }
        const key = upright ? sideKey(x0 > 0 ? i + 1 : i, j, true) : sideKey(i, y0 > 0 ? j + 1 : j, false);
        const edge = upright ? { from: y0 + j, to: y1 + j } : { from: x0 + i, to: x1 + i };
        const edges = sides.get(key);
        if (edges) edges.push(edge);
        else sides.set(key, [edge]);
      }
    },
    loops() {
      for (const [key, edges] of sides) {
        const upright = (key & 1) === 1;
        const at = Math.floor(key / 2);
        const line = (upright ? (at % 65536) - 32768 : Math.floor(at / 65536) - 32768) - HALF;
        for (const { from, to } of remaining(edges)) {
          const flat = { rx: 0, ry: 0, forward: true };
          pieces.push(
            upright
              ? { ...flat, x0: line, y0: from, x1: line, y1: to }
              : { ...flat, x0: from, y0: line, x1: to, y1: line },
          );
        }
      }
      return chained(pieces);
    },
  };
}

/** What is left of edges along one line when those that run against one another cancel. */
function remaining(edges: readonly Edge[]): Edge[] {
  if (edges.length === 1) return [...edges];
  // An edge that runs up counts 1 along its length, one that runs down −1.
  const marks = edges
    .flatMap(({ from, to }) =>
      to > from
        ? [
            { at: from, by: 1 },
            { at: to, by: -1 },
          ]
        : [
            { at: to, by: -1 },
            { at: from, by: 1 },
          ],
    )
    .sort((a, b) => a.at - b.at);
  const out: Edge[] = [];
  let height = 0;
  marks.forEach(({ at, by }, k) => {
    height += by;
    const next = marks[k + 1];
    if (!next || next.at === at) return;
    if (height > 0) out.push({ from: at, to: next.at });
    if (height < 0) out.push({ from: next.at, to: at });
  });
  return out;
}

/** Puts pieces end to end. */
function chained(pieces: readonly Piece[]): Piece[][] {
  // The same point always has the very same numbers, so they need not be told apart more finely than this.
  const keyOf = (x: number, y: number) =>
    Math.round((x + 16384) * FINE) * 2 ** 26 + Math.round((y + 16384) * FINE);
  const starts = new Map<number, Piece[]>();
  for (const piece of pieces) {
    const key = keyOf(piece.x0, piece.y0);
    const list = starts.get(key);
    if (list) list.push(piece);
    else starts.set(key, [piece]);
  }
  const loops: Piece[][] = [];
  for (const [key, list] of starts) {
    while (list.length > 0) {
      const loop: Piece[] = [];
      let next: Piece | undefined = list.pop();
      while (next) {
        loop.push(next);
        const end = keyOf(next.x1, next.y1);
        if (end === key) break;
        next = starts.get(end)?.pop();
      }
      loops.push(loop);
    }
  }
  return loops;
}
