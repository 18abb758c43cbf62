/**
 * As few points of a closed outline as keep it within a distance of the rest (Douglas & Peucker 1973).
 *
 * @param points x and y by turns
 */
export function thinned(points: ArrayLike<number>, distance: number): number[] {
  const count = points.length / 2;
  if (count < 8) return Array.from(points);
  const kept = new Uint8Array(count);
  const half = count >> 1;
  kept[0] = kept[half] = 1;
  const stack: [from: number, to: number][] = [
    [0, half],
    [half, count],
  ];
  for (let part; (part = stack.pop());) {
    const [from, to] = part;
    const [a, b] = [2 * (from % count), 2 * (to % count)];
    const [ax, ay] = [points[a], points[a + 1]];
    const [dx, dy] = [points[b] - ax, points[b + 1] - ay];
    const length = Math.sqrt(dx * dx + dy * dy) || 1;
    let [far, most] = [-1, distance * length];
    for (let i = from + 1; i < to; i++) {
      const off = Math.abs(dx * (ay - points[2 * i + 1]) - (ax - points[2 * i]) * dy);
      if (off > most) [far, most] = [i, off];
    }
    if (far < 0) continue;
    kept[far] = 1;
    stack.push([from, far], [far, to]);
  }
  const out: number[] = [];
  for (let i = 0; i < count; i++) if (kept[i]) out.push(points[2 * i], points[2 * i + 1]);
  return out;
}
