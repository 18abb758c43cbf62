import { around, straight, type Piece } from '../../path/piece.ts';

/**
 * A dot's outline within its own cell, u and v from −½ to ½, at a size that grows with its area: whatever of the dot, and of its
 * neighbours of the same size, lies in the cell. Pieces along the cell's sides meet those of its neighbours.
 */
export interface CellOutline {
  /** Size at which the cell is full. */
  readonly most: number;
  readonly pieces: (size: number) => Piece[];
  /** True where an outline takes long to find: fewer of them are, and sizes between are interpolated in a table of areas. */
  readonly costly?: boolean;
}

export const HALF = 0.5;
const CORNERS: readonly (readonly [number, number])[] = [
  [-HALF, -HALF],
  [HALF, -HALF],
  [HALF, HALF],
  [-HALF, HALF],
];
/** A whole cell. */
export const CELL = around(CORNERS);

/** An ellipse cut by the cell's sides; its half-axes are along them. */
export function ellipsePieces(rx: number, ry: number): Piece[] {
  if (rx <= HALF && ry <= HALF) {
    const arc = (x0: number, y0: number, x1: number, y1: number): Piece => ({
      x0,
      y0,
      x1,
      y1,
      rx,
      ry,
      forward: true,
    });
    return [arc(rx, 0, 0, ry), arc(0, ry, -rx, 0), arc(-rx, 0, 0, -ry), arc(0, -ry, rx, 0)];
  }
  // Half of what each side cuts off, 0 where the ellipse does not reach it.
  const onX = rx > HALF ? ry * Math.sqrt(1 - (HALF / rx) ** 2) : 0;
  const onY = ry > HALF ? rx * Math.sqrt(1 - (HALF / ry) ** 2) : 0;
  if (onX >= HALF && onY >= HALF) return CELL;
  const right = rx > HALF ? HALF : rx;
  const foot = ry > HALF ? HALF : ry;
  const out: Piece[] = [];
  const arc = (x0: number, y0: number, x1: number, y1: number) =>
    out.push({ x0, y0, x1, y1, rx, ry, forward: true });
  const side = (x0: number, y0: number, x1: number, y1: number) => {
    if (x0 !== x1 || y0 !== y1) out.push(straight(x0, y0, x1, y1));
  };
  side(right, -onX, right, onX);
  arc(right, onX, onY, foot);
  side(onY, foot, -onY, foot);
  arc(-onY, foot, -right, onX);
  side(-right, onX, -right, -onX);
  arc(-right, -onX, -onY, -foot);
  side(-onY, -foot, onY, -foot);
  arc(onY, -foot, right, -onX);
  return out;
}

/** A polygon that bulges outward everywhere, cut by the cell's sides (Sutherland & Hodgman 1974). */
export function clipped(points: readonly (readonly [number, number])[]): Piece[] {
  let made = points;
  for (const [axis, limit] of [
    [0, HALF],
    [0, -HALF],
    [1, HALF],
    [1, -HALF],
  ] as const) {
    const inside = (p: readonly number[]) => (limit > 0 ? p[axis] <= limit : p[axis] >= limit);
    const out: [number, number][] = [];
    made.forEach((p, i) => {
      const q = made[(i + 1) % made.length];
      if (inside(p)) out.push([p[0], p[1]]);
      if (inside(p) !== inside(q)) {
        const t = (limit - p[axis]) / (q[axis] - p[axis]);
        const cut: [number, number] = [p[0] + (q[0] - p[0]) * t, p[1] + (q[1] - p[1]) * t];
        cut[axis] = limit;
        out.push(cut);
      }
    });
    made = out;
  }
  return made.length < 3 ? [] : around(made);
}

/** Pieces of one quarter, and of the three others turned from u to v. */
export function quarters(pieces: readonly Piece[]): Piece[] {
  const out = [...pieces];
  for (let k = 1; k < 4; k++) {
    for (const { x0, y0, x1, y1, ...rest } of out.slice(-pieces.length)) {
      out.push({ ...rest, x0: -y0, y0: x0, x1: -y1, y1: x1 });
    }
  }
  return out;
}

/** The same pieces the other way about: a hole. */
export const reversed = (pieces: readonly Piece[]): Piece[] =>
  [...pieces].reverse().map(({ x0, y0, x1, y1, rx, ry, forward }) => ({
    x0: x1,
    y0: y1,
    x1: x0,
    y1: y0,
    rx,
    ry,
    forward: !forward,
  }));
