/**
 * A square lattice of integer vectors (a, b) and (−b, a) laid out as a brick: a rectangle of `width` × `height`
 * points that repeats along its rows, and in every next course of rows starts `shift` further to the right.
 * Every point of the plane belongs to exactly one point of the brick.
 *
 * Source: T. M. Holladay, "An optimum algorithm for halftone generation for displays and hard copies",
 * Proc. SID 21 (1980).
 */
export interface Brick {
  readonly width: number;
  readonly height: number;
  readonly shift: number;
}

/** Greatest common divisor g of a and b (not both 0), with g = p·a + q·b. */
function extendedGcd(a: number, b: number): { g: number; p: number; q: number } {
  let [r0, r1, p0, p1, q0, q1] = [a, b, 1, 0, 0, 1];
  while (r1 !== 0) {
    const k = Math.floor(r0 / r1);
    [r0, r1, p0, p1, q0, q1] = [r1, r0 - k * r1, p1, p0 - k * p1, q1, q0 - k * q1];
  }
  return r0 < 0 ? { g: -r0, p: -p0, q: -q0 } : { g: r0, p: p0, q: q0 };
}

const modulo = (value: number, by: number): number => ((value % by) + by) % by;

/** The brick of the square lattice spanned by (a, b) and (−b, a). */
export function brickOf(a: number, b: number): Brick {
  // The vector p·(−b, a) + q·(a, b) climbs exactly g rows, the least any vector of the lattice does.
  const { g, p, q } = extendedGcd(a, b);
  const width = (a * a + b * b) / g;
  return { width, height: g, shift: modulo(q * a - p * b, width) };
}

/** The column within its brick row that holds the point (x, y); the row is y mod height. */
export const brickColumn = (brick: Brick, x: number, y: number): number =>
  modulo(x - Math.floor(y / brick.height) * brick.shift, brick.width);

/** The row of the brick that holds row y. */
export const brickRow = (brick: Brick, y: number): number => modulo(y, brick.height);
