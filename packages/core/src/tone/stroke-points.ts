import type { Stroke } from '../base/field.ts';

/** A place of a brush: shares of the width, and pressure 0–1. */
export type StrokePoint = readonly [x: number, y: number, pressure: number];

/** Steps of places in a share, and of pressures in full pressure. */
const PLACES = 100_000;
const PRESSURES = 100;

/** Places of a stroke as it keeps them: whole steps, each of what comes before, as that is short where it is written down. */
export function packedPoints(points: readonly StrokePoint[]): number[] {
  const packed: number[] = [];
  let before = [0, 0, 0];
  for (const [x, y, pressure] of points) {
    const now = [Math.round(x * PLACES), Math.round(y * PLACES), Math.round(pressure * PRESSURES)];
    packed.push(...now.map((value, i) => value - before[i]));
    before = now;
  }
  return packed;
}

/** Places of a stroke. */
export function pointsOf({ points }: Pick<Stroke, 'points'>): StrokePoint[] {
  const places: StrokePoint[] = [];
  let [x, y, pressure] = [0, 0, 0];
  for (let i = 0; i < points.length; i += 3) {
    x += points[i];
    y += points[i + 1];
    pressure += points[i + 2];
    places.push([x / PLACES, y / PLACES, pressure / PRESSURES]);
  }
  return places;
}

/** How far a place, and the brush's radius there, lie from a line between two others: in the unit of places. */
function distance(at: StrokePoint, from: StrokePoint, to: StrokePoint, radius: number): number {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  const length2 = dx * dx + dy * dy;
  const along =
    length2 === 0 ? 0 : Math.min(1, Math.max(0, ((at[0] - from[0]) * dx + (at[1] - from[1]) * dy) / length2));
  const aside = Math.hypot(at[0] - from[0] - along * dx, at[1] - from[1] - along * dy);
  return aside + Math.abs(at[2] - from[2] - along * (to[2] - from[2])) * radius;
}

/**
 * A stroke with as few places as paint the same within a distance (Douglas and Peucker 1973, with the brush's radius as a third coordinate).
 *
 * @param within shares of the width
 */
export function thinned(stroke: Stroke, within: number): Stroke {
  const points = pointsOf(stroke);
  const kept = new Set([0, points.length - 1]);
  const open: [number, number][] = [[0, points.length - 1]];
  for (let next = open.pop(); next; next = open.pop()) {
    const [first, last] = next;
    let farthest = 0;
    let most = within;
    for (let i = first + 1; i < last; i++) {
      const far = distance(points[i], points[first], points[last], stroke.radius);
      if (far > most) [farthest, most] = [i, far];
    }
    if (farthest === 0) continue;
    kept.add(farthest);
    open.push([first, farthest], [farthest, last]);
  }
  return { ...stroke, points: packedPoints(points.filter((_, i) => kept.has(i))) };
}
