import { stretchToArea, thinnedToArea } from './thin.ts';

/** A round outline that bends in and out, x and y by turns. */
const WAVY = Float64Array.from({ length: 400 }, (_, i) => {
  const way = (Math.PI * 2 * Math.floor(i / 2)) / 200;
  const radius = 10 + Math.sin(3 * way) + 0.4 * Math.cos(7 * way);
  return radius * (i % 2 === 0 ? Math.cos(way) : Math.sin(way));
});
const DISTANCE = 0.1;

function areaOf(points: ArrayLike<number>): number {
  let sum = 0;
  for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2)
    sum += points[j] * points[i + 1] - points[i] * points[j + 1];
  return sum / 2;
}

/** How far a point is from an open line through others. */
function offLine(x: number, y: number, line: readonly number[]): number {
  let least = Infinity;
  for (let i = 2; i < line.length; i += 2) {
    const [ax, ay] = [line[i - 2], line[i - 1]];
    const [dx, dy] = [line[i] - ax, line[i + 1] - ay];
    const along = Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy)));
    least = Math.min(least, Math.hypot(x - ax - along * dx, y - ay - along * dy));
  }
  return least;
}

it('keeps the area of an outline with a quarter of its points, and stays near it', () => {
  const kept = thinnedToArea(WAVY, WAVY.length, DISTANCE);
  expect(kept.length).toBeLessThan(WAVY.length / 4);
  // The circle around it that strays by as much would be 6 off.
  expect(Math.abs(areaOf(kept) - areaOf(WAVY))).toBeLessThan(0.1);
  const closed = [...kept, kept[0], kept[1]];
  for (let i = 0; i < WAVY.length; i += 2)
    expect(offLine(WAVY[i], WAVY[i + 1], closed)).toBeLessThan(DISTANCE);
});

it('leaves outlines of few points as they are', () => {
  expect(thinnedToArea([0, 0, 1, 0, 1, 1, 0, 1], 8, 10)).toEqual([0, 0, 1, 0, 1, 1, 0, 1]);
});

it('keeps the area beside a stretch whose ends stay, however little it bends', () => {
  const [from, to] = [20, 60];
  for (const distance of [DISTANCE, 2]) {
    const out: number[] = [];
    stretchToArea(WAVY, from, to, distance, out);
    expect(out.slice(-2)).toEqual([...WAVY.slice(2 * to, 2 * to + 2)]);
    const made = [...WAVY.slice(2 * from, 2 * from + 2), ...out];
    const was = areaOf(WAVY.slice(2 * from, 2 * to + 2));
    expect(Math.abs(areaOf(made) - was)).toBeLessThan(0.02 * was);
  }
});

it('needs no point between the ends of a straight stretch', () => {
  const straight = Array.from({ length: 20 }, (_, i) => Math.floor(i / 2) * (i % 2 === 0 ? 2 : 1));
  const out: number[] = [];
  stretchToArea(straight, 0, 9, 0.01, out);
  expect(out).toEqual([18, 9]);
});
