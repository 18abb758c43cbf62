/** Outlines of fewer points are left as they are. */
const FEW = 8;
/** Points of a long outline that are thinned together; the ends of each stretch stay. */
const STRETCH = 64;

/**
 * As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973). Written out for outlines by the
 * hundred thousand: a library's, with an object a point, took four times as long.
 *
 * @param points x and y by turns
 */
export function thinned(points: ArrayLike<number>, distance: number): number[] {
  const count = points.length / 2;
  if (count < FEW) return Array.from(points);
  const stretches = Math.max(2, Math.ceil(count / STRETCH));
  const kept = new Uint8Array(count + 1);
  const ends: number[] = [];
  for (let k = 0; k < stretches; k++) {
    const [from, to] = [Math.floor((k * count) / stretches), Math.floor(((k + 1) * count) / stretches)];
    kept[from] = 1;
    ends.push(from, to);
  }
  while (ends.length > 0) {
    const to = ends.pop() ?? 0;
    const from = ends.pop() ?? 0;
    const at = farthestFrom(points, from, to, distance);
    if (at < 0) continue;
    kept[at] = 1;
    ends.push(from, at, at, to);
  }
  const out: number[] = [];
  for (let i = 0; i < count; i++) if (kept[i]) out.push(points[2 * i], points[2 * i + 1]);
  return out;
}

/** Of the points between two, the one farthest from the line between these, if it is farther than a distance; −1 for none. `to` may be the first again. */
function farthestFrom(points: ArrayLike<number>, from: number, to: number, distance: number): number {
  const end = to === points.length / 2 ? 0 : to;
  const [x, y] = [points[2 * from], points[2 * from + 1]];
  const [dx, dy] = [points[2 * end] - x, points[2 * end + 1] - y];
  const length = dx * dx + dy * dy;
  let most = distance * distance * (length === 0 ? 1 : length);
  let found = -1;
  for (let i = from + 1; i < to; i++) {
    const [px, py] = [points[2 * i] - x, points[2 * i + 1] - y];
    const off = length === 0 ? px * px + py * py : (px * dy - py * dx) ** 2;
    if (off > most) [most, found] = [off, i];
  }
  return found;
}
