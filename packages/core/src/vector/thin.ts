/** Outlines of fewer points are left as they are. */
const FEW = 8;
/** Points of a long outline that are thinned together; the ends of each stretch stay. */
const STRETCH = 64;

/** Room to work in, used within one call. */
let kept = new Uint8Array(1 << 9);
const ends = new Int32Array(1 << 9);

/**
 * As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973). Written out for outlines by the
 * hundred thousand: a library's, with an object a point, took four times as long.
 *
 * @param points x and y by turns
 * @param length of these, how many numbers are the outline's
 */
export function thinned(points: ArrayLike<number>, length: number, distance: number): number[] {
  const out: number[] = [];
  const count = length / 2;
  if (count < FEW) {
    for (let i = 0; i < length; i++) out.push(points[i]);
    return out;
  }
  if (kept.length < count) kept = new Uint8Array(2 * count);
  kept.fill(0, 0, count);
  const stretches = Math.max(2, Math.ceil(count / STRETCH));
  for (let k = 0; k < stretches; k++)
    keepBetween(
      points,
      count,
      Math.floor((k * count) / stretches),
      Math.floor(((k + 1) * count) / stretches),
      distance,
    );
  for (let i = 0; i < count; i++) if (kept[i] === 1) out.push(points[2 * i], points[2 * i + 1]);
  return out;
}

/**
 * The same for an outline that is open.
 *
 * @param from number of its first point, and `to` that of its last one
 * @param out  what is kept goes here, all but the first point
 */
export function thinnedStretch(
  points: ArrayLike<number>,
  from: number,
  to: number,
  distance: number,
  out: number[],
): void {
  if (kept.length <= to) kept = new Uint8Array(2 * to);
  kept.fill(0, from, to);
  keepBetween(points, -1, from, to, distance);
  for (let i = from + 1; i < to; i++) if (kept[i] === 1) out.push(points[2 * i], points[2 * i + 1]);
  out.push(points[2 * to], points[2 * to + 1]);
}

/** Marks the points that are kept of a stretch, its first one with them; `to` may be the outline's first again. */
function keepBetween(
  points: ArrayLike<number>,
  count: number,
  first: number,
  last: number,
  distance: number,
): void {
  kept[first] = 1;
  let from = first;
  let to = last;
  let held = 0;
  for (;;) {
    const at = farthestFrom(points, count, from, to, distance);
    if (at >= 0) {
      kept[at] = 1;
      ends[held++] = to;
      to = at;
    } else if (held > 0) {
      from = to;
      to = ends[--held];
    } else return;
  }
}

/** Of the points between two, the one farthest from the line between these, if it is farther than a distance; −1 for none. */
function farthestFrom(
  points: ArrayLike<number>,
  count: number,
  from: number,
  to: number,
  distance: number,
): number {
  const end = to === count ? 0 : to;
  const x = points[2 * from];
  const y = points[2 * from + 1];
  const dx = points[2 * end] - x;
  const dy = points[2 * end + 1] - y;
  const length = dx * dx + dy * dy;
  let most = distance * distance * (length === 0 ? 1 : length);
  let found = -1;
  for (let i = from + 1; i < to; i++) {
    const px = points[2 * i] - x;
    const py = points[2 * i + 1] - y;
    const across = px * dy - py * dx;
    const off = length === 0 ? px * px + py * py : across * across;
    if (off > most) {
      most = off;
      found = i;
    }
  }
  return found;
}
