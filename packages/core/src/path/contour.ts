import { mapPoint, type Affine } from '../raster/affine.ts';

/**
 * One run of a path: its first point, then for each part either the end of a straight line (2 numbers) or two control
 * points and the end of a cubic Bézier curve (6 numbers), one after another.
 */
export interface Contour {
  readonly start: readonly [x: number, y: number];
  readonly parts: readonly (readonly number[])[];
  readonly closed: boolean;
}

/** A contour sent through a map of the plane; curves stay curves. */
export function mapContour({ start, parts, closed }: Contour, map: Affine): Contour {
  const send = (numbers: readonly number[]): number[] => {
    const out: number[] = [];
    for (let i = 0; i < numbers.length; i += 2) {
      const { x, y } = mapPoint(map, numbers[i], numbers[i + 1]);
      out.push(x, y);
    }
    return out;
  };
  const [x, y] = send(start);
  return { start: [x, y], parts: parts.map(send), closed };
}

/** A run of points, x and y by turns. */
export interface Polyline {
  readonly points: Float64Array;
  readonly closed: boolean;
}

/** Most pieces one curve is cut into. */
const MOST_PIECES = 500;

/**
 * Curves as straight lines that stray from them by no more than `tolerance`. A chord over one n-th of a curve strays by at
 * most |B″| ÷ 8n², and a cubic's second derivative is at most six times its control points' second difference.
 */
export function flatten({ start, parts, closed }: Contour, tolerance: number): Polyline {
  const out: number[] = [start[0], start[1]];
  let [x, y] = start;
  for (const part of parts) {
    if (part.length === 2) {
      [x, y] = part as [number, number];
      out.push(x, y);
      continue;
    }
    const [ax, ay, bx, by, ex, ey] = part;
    const dx = Math.max(Math.abs(x - 2 * ax + bx), Math.abs(ax - 2 * bx + ex));
    const dy = Math.max(Math.abs(y - 2 * ay + by), Math.abs(ay - 2 * by + ey));
    const pieces = Math.min(
      MOST_PIECES,
      Math.max(1, Math.ceil(Math.sqrt((0.75 * Math.sqrt(dx * dx + dy * dy)) / tolerance))),
    );
    for (let i = 1; i < pieces; i++) {
      const t = i / pieces;
      const s = 1 - t;
      const [p, q, r, u] = [s * s * s, 3 * s * s * t, 3 * s * t * t, t * t * t];
      out.push(p * x + q * ax + r * bx + u * ex, p * y + q * ay + r * by + u * ey);
    }
    out.push(ex, ey);
    [x, y] = [ex, ey];
  }
  return { points: Float64Array.from(out), closed };
}
