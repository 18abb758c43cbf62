/**
 * A part of an outline in a cell: from one point to another, straight or along an ellipse whose axes lie along the
 * lattice's own directions. Ink is at its left as u goes right and v goes down, so outlines of ink turn one way and those of
 * holes the other.
 */
export interface Piece {
  readonly x0: number;
  readonly y0: number;
  readonly x1: number;
  readonly y1: number;
  /** Half-axes along u and v; 0 for a straight line. */
  readonly rx: number;
  readonly ry: number;
  /** True for the way that u turns to v, as the outline of a dot does; false for that of a hole. */
  readonly forward: boolean;
}

export const straight = (x0: number, y0: number, x1: number, y1: number): Piece => ({
  x0,
  y0,
  x1,
  y1,
  rx: 0,
  ry: 0,
  forward: true,
});

/** Straight pieces through points, and back to the first. */
export const around = (points: readonly (readonly [number, number])[]): Piece[] =>
  points.map(([x, y], i) => {
    const [nextX, nextY] = points[(i + 1) % points.length];
    return straight(x, y, nextX, nextY);
  });

/** Area that pieces enclose. */
export function areaOf(pieces: readonly Piece[]): number {
  let sum = 0;
  for (const { x0, y0, x1, y1, rx, ry, forward } of pieces) sum += areaUnder(x0, y0, x1, y1, rx, ry, forward);
  return sum;
}

/** What a piece adds to the area: half of x dy − y dx, the segment between an arc and its chord with it. */
export function areaUnder(
  x0: number,
  y0: number,
  x1: number,
  y1: number,
  rx: number,
  ry: number,
  forward: boolean,
): number {
  const flat = x0 * y1 - x1 * y0;
  if (rx === 0) return flat / 2;
  // On the unit circle the chord's angle gives the segment; the ellipse's is rx · ry times as large.
  const chord = Math.hypot((x1 - x0) / rx, (y1 - y0) / ry);
  const angle = 2 * Math.asin(Math.min(1, chord / 2));
  return (flat + (forward ? 1 : -1) * rx * ry * (angle - Math.sin(angle))) / 2;
}
