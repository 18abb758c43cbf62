import { readMotif } from '../screen/spot/motif.ts';
import { areaOfPolygons, rectangle, shared, united, type Area } from './area.ts';
import { areaOf, around, straight, type Piece } from './piece.ts';

/**
 * A dot's outline within its own cell, u and v from −½ to ½, at a size that grows with its area: whatever of the dot, and of its
 * neighbours of the same size, lies in the cell. Pieces along the cell's sides meet those of its neighbours.
 */
export interface CellShape {
  /** Size at which the cell is full. */
  readonly most: number;
  readonly pieces: (size: number) => Piece[];
  /** True where an outline takes long to find: fewer of them are, and sizes between are guessed from a table of areas. */
  readonly dear?: boolean;
}

const HALF = 0.5;
const CORNERS: readonly (readonly [number, number])[] = [
  [-HALF, -HALF],
  [HALF, -HALF],
  [HALF, HALF],
  [-HALF, HALF],
];
const CELL = around(CORNERS);

/** An ellipse cut by the cell's sides; its half-axes are along them. */
function ellipsePieces(rx: number, ry: number): Piece[] {
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
function clipped(points: readonly (readonly [number, number])[]): Piece[] {
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

const rhombus = (u: number, v: number) =>
  clipped([
    [u, 0],
    [0, v],
    [-u, 0],
    [0, -v],
  ]);

/** Pieces of one quarter, and of the three others turned from u to v. */
function quarters(pieces: readonly Piece[]): Piece[] {
  const out = [...pieces];
  for (let k = 1; k < 4; k++) {
    for (const { x0, y0, x1, y1, ...rest } of out.slice(-pieces.length)) {
      out.push({ ...rest, x0: -y0, y0: x0, x1: -y1, y1: x1 });
    }
  }
  return out;
}

/** Where a circle of a radius beyond ½√½ leaves the square that stands on its corner: at u + v = ½. */
function leaving(radius: number): { far: number; near: number } {
  const reach = Math.sqrt(2 * radius * radius - 0.25);
  return { far: (HALF + reach) / 2, near: (HALF - reach) / 2 };
}

/** Circles within the square whose corners are the middles of the cell's sides; past one half, holes at the cell's corners. */
function euclideanPieces(size: number): Piece[] {
  const arc = (x0: number, y0: number, x1: number, y1: number, radius: number, forward: boolean): Piece => ({
    x0,
    y0,
    x1,
    y1,
    rx: radius,
    ry: radius,
    forward,
  });
  if (size <= HALF * Math.SQRT1_2) return ellipsePieces(size, size);
  if (size <= HALF) {
    const { far, near } = leaving(size);
    return quarters([arc(far, -near, far, near, size, true), straight(far, near, near, far)]);
  }
  const hole = 1 - size;
  if (hole <= 0) return CELL;
  const side = HALF - hole;
  const along = straight(-side, -HALF, side, -HALF);
  if (hole <= HALF * Math.SQRT1_2) {
    return quarters([along, arc(side, -HALF, HALF, -side, hole, false)]);
  }
  // What a dot of this radius is to its square, the hole is to the corner's.
  const { far, near } = leaving(hole);
  return quarters([
    ...(side > 0 ? [along] : []),
    arc(side, -HALF, HALF - far, -HALF + near, hole, false),
    straight(HALF - far, -HALF + near, HALF - near, -HALF + far),
    arc(HALF - near, -HALF + far, HALF, -side, hole, false),
  ]);
}

/** The same pieces the other way about: a hole. */
const reversed = (pieces: readonly Piece[]): Piece[] =>
  [...pieces].reverse().map(({ x0, y0, x1, y1, rx, ry, forward }) => ({
    x0: x1,
    y0: y1,
    x1: x0,
    y1: y0,
    rx,
    ry,
    forward: !forward,
  }));

const ringOf = (radius: number, size: number): Piece[] => [
  ...ellipsePieces(radius + size, radius + size),
  ...(size < radius ? reversed(ellipsePieces(radius - size, radius - size)) : []),
];

/** A motif and its neighbours, joined and cut to the cell. */
function motifPieces(path: string, size: number): Piece[] {
  const lines = readMotif(path);
  const reach = Math.ceil(size / 2 - HALF);
  if (reach <= 0 && lines.length === 1) {
    const { points } = lines[0];
    const ring = Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
      points[2 * i] * size,
      points[2 * i + 1] * size,
    ]);
    const pieces = around(ring);
    return areaOf(pieces) < 0 ? reversed(pieces) : pieces;
  }
  const one = areaOfPolygons(
    lines.map(({ points }) => ({ closed: true, points: points.map((value) => value * size * UNITS) })),
    'evenodd',
  );
  let whole: Area = [];
  for (let dy = -reach; dy <= reach; dy++) {
    for (let dx = -reach; dx <= reach; dx++) {
      whole = united(
        whole,
        one.map((path) => path.map(({ x, y }) => ({ x: x + dx * UNITS, y: y + dy * UNITS }))),
      );
    }
  }
  const half = UNITS / 2;
  const cell = rectangle({ left: -half, top: -half, right: half, foot: half });
  // Outer rings come one way, holes the other.
  return shared(whole, cell).flatMap((path) =>
    around(path.map(({ x, y }): [number, number] => [x / UNITS, y / UNITS])),
  );
}

/** Units of a cell in which motifs are joined; a power of 2, so that half of them is just half a cell. */
const UNITS = 2 ** 22;

interface SpotSettings {
  readonly spot: string;
  readonly aspect: number;
  readonly motif: string;
}

const SHAPES: Record<string, (settings: SpotSettings) => CellShape> = {
  round: () => ({ most: Math.SQRT1_2, pieces: (size) => ellipsePieces(size, size) }),
  ellipse: ({ aspect }) => {
    const root = Math.sqrt(aspect);
    return { most: Math.SQRT1_2 / root, pieces: (size) => ellipsePieces(size / root, size * root) };
  },
  euclidean: () => ({ most: 1, pieces: euclideanPieces }),
  diamond: () => ({ most: 0.9, pieces: (size) => rhombus(size / 0.8, size) }),
  square: () => ({ most: 1, pieces: (size) => rhombus(size, size) }),
  line: () => ({
    most: HALF,
    pieces: (size) =>
      around([
        [-HALF, -size],
        [HALF, -size],
        [HALF, size],
        [-HALF, size],
      ]),
  }),
  cross: () => ({ most: 1.5, pieces: crossPieces }),
  ring: () => ({ most: 0.5, pieces: (size) => ringOf(0.3, size) }),
  motif: ({ motif }) => ({ most: 4, dear: true, pieces: (size) => motifPieces(motif, size) }),
};

function crossPieces(size: number): Piece[] {
  const long = Math.min(HALF, size);
  const thin = Math.min(HALF, size / 3);
  if (thin >= HALF) return CELL;
  return around([
    [long, -thin],
    [long, thin],
    [thin, thin],
    [thin, long],
    [-thin, long],
    [-thin, thin],
    [-long, thin],
    [-long, -thin],
    [-thin, -thin],
    [-thin, -long],
    [thin, -long],
    [thin, -thin],
  ]);
}

/** A shape's geometry, or undefined for one that has none. */
export const cellShapeOf = (settings: SpotSettings): CellShape | undefined =>
  SHAPES[settings.spot]?.(settings);
