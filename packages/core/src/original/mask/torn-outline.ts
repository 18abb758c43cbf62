import { scatter } from '../../kernel/scatter.ts';
import { flatten, mapContour, type Contour } from '../../path/contour.ts';
import { scaled } from '../../raster/affine.ts';
import type { TornEdge } from '../../recipe/container.ts';

/** Curves stray from their straight lines by no more than this, mm. */
const TOLERANCE = 0.005;
/** Points along each grain. */
const POINTS = 8;
/** Most points of a contour: a finer grain than that is told by fewer. */
const MOST_POINTS = 40_000;
/** The fine grain within the coarse one: how many times as fine, and how much of the depth is its. */
const FINE = { times: 3.7, share: 0.35 };

/**
 * A contour whose edge is torn: each of its points is moved by as much as the grain says at its place.
 *
 * @param contour in shares of a box
 * @param width   of the box, mm
 * @param height  of the box, mm
 */
export function tornContour(contour: Contour, torn: TornEdge, width: number, height: number): Contour {
  const { depth, grain, seed } = torn;
  const { points } = flatten(mapContour(contour, scaled(width, height)), TOLERANCE);
  const noises = [0, 1, 2, 3].map((k) => scatter(seed * 13 + k));
  const move = (x: number, y: number): [number, number] => {
    const [i, j] = [x / grain, y / grain];
    const [k, l] = [i * FINE.times, j * FINE.times];
    const by = (coarse: number, fine: number) =>
      depth * ((1 - FINE.share) * noises[coarse](i, j) + FINE.share * noises[fine](k, l));
    return [(x + by(0, 2)) / width, (y + by(1, 3)) / height];
  };
  const count = points.length / 2;
  const at = (n: number): [number, number] => [points[2 * (n % count)], points[2 * (n % count) + 1]];
  let around = 0;
  for (let n = 0; n < count; n++) around += distance(at(n), at(n + 1));
  const step = Math.max(grain / POINTS, around / MOST_POINTS);
  const made: [number, number][] = [];
  for (let n = 0; n < count; n++) {
    const [from, to] = [at(n), at(n + 1)];
    const pieces = Math.max(1, Math.ceil(distance(from, to) / step));
    for (let k = 0; k < pieces; k++) {
      const share = k / pieces;
      made.push(move(from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share));
    }
  }
  const [start, ...rest] = made;
  return { start, parts: rest, closed: true };
}

const distance = ([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]): number =>
  Math.sqrt((bx - ax) * (bx - ax) + (by - ay) * (by - ay));
