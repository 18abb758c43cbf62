import type { Point } from './target-layout.ts';

/** A map of the plane in which straight lines stay straight: nine numbers, row by row. */
export type Homography = readonly number[];

/** Where a point goes. */
export function mapThrough([a, b, c, d, e, f, g, h, i]: Homography, { x, y }: Point): Point {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** The map that takes four points to four others, no three of them in line (R. Hartley and A. Zisserman, "Multiple View Geometry", 2004, 4.1). */
export function homography(from: readonly Point[], to: readonly Point[]): Homography {
  const rows: number[][] = [];
  for (let k = 0; k < 4; k++) {
    const { x, y } = from[k];
    const { x: u, y: v } = to[k];
    rows.push([x, y, 1, 0, 0, 0, -u * x, -u * y, u], [0, 0, 0, x, y, 1, -v * x, -v * y, v]);
  }
  return [...solved(rows), 1];
}

/**
 * Unknowns of as many linear equations, each a row with its right side last (Gauss, with the largest pivot).
 *
 * @throws RangeError when they have no one solution
 */
export function solved(given: readonly (readonly number[])[]): number[] {
  const rows = given.map((row) => [...row]);
  const count = rows.length;
  for (let k = 0; k < count; k++) {
    let pivot = k;
    for (let i = k + 1; i < count; i++) if (Math.abs(rows[i][k]) > Math.abs(rows[pivot][k])) pivot = i;
    if (Math.abs(rows[pivot][k]) < 1e-12) throw new RangeError('These equations have no one solution.');
    [rows[k], rows[pivot]] = [rows[pivot], rows[k]];
    for (let i = k + 1; i < count; i++) {
      const times = rows[i][k] / rows[k][k];
      for (let j = k; j <= count; j++) rows[i][j] -= times * rows[k][j];
    }
  }
  const out = new Array<number>(count).fill(0);
  for (let k = count - 1; k >= 0; k--) {
    let sum = rows[k][count];
    for (let j = k + 1; j < count; j++) sum -= rows[k][j] * out[j];
    out[k] = sum / rows[k][k];
  }
  return out;
}
