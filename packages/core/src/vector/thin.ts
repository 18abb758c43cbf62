import { ramerDouglasPeuckerD } from 'clipper2-ts';

/** Outlines of fewer points are left as they are. */
const FEW = 8;

/**
 * As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973).
 *
 * @param points x and y by turns
 */
export function thinned(points: ArrayLike<number>, distance: number): number[] {
  if (points.length < 2 * FEW) return Array.from(points);
  const path = Array.from({ length: points.length / 2 }, (_, i) => ({
    x: points[2 * i],
    y: points[2 * i + 1],
  }));
  return ramerDouglasPeuckerD(path, distance).flatMap(({ x, y }) => [x, y]);
}
