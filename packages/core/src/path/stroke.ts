import { turnOf } from '../base/turn.ts';
import type { Polyline } from './contour.ts';

/** How a line is drawn along a path. Lengths are in the path's own unit. */
export interface StrokeStyle {
  readonly width: number;
  readonly cap: 'butt' | 'round' | 'square';
  readonly join: 'miter' | 'round' | 'bevel';
  /** A miter longer than so many widths becomes a bevel. */
  readonly miterLimit: number;
  /** Lengths of dashes and gaps by turns; none for a whole line. */
  readonly dashes: readonly number[];
  readonly dashOffset: number;
}

/** A line as convex pieces that all turn the same way: filled by the nonzero rule they are the stroke. */
export function strokePolygons(line: Polyline, style: StrokeStyle, tolerance: number): Polyline[] {
  const runs = style.dashes.some((length) => length > 0) ? dash(line, style) : [line];
  return runs.flatMap((run) => strokeRun(run, style, tolerance));
}

interface Point {
  readonly x: number;
  readonly y: number;
}

/** The points of a run, no two neighbours the same. */
function pointsOf({ points, closed }: Polyline): Point[] {
  const list: Point[] = [];
  for (let i = 0; i < points.length; i += 2) {
    const last = list[list.length - 1];
    if (!last || last.x !== points[i] || last.y !== points[i + 1])
      list.push({ x: points[i], y: points[i + 1] });
  }
  const end = list[list.length - 1];
  if (closed && list.length > 1 && list[0].x === end.x && list[0].y === end.y) list.pop();
  return list;
}

function strokeRun(run: Polyline, style: StrokeStyle, tolerance: number): Polyline[] {
  const half = style.width / 2;
  const list = pointsOf(run);
  const out: Polyline[] = [];
  if (list.length === 1) {
    if (style.cap === 'round') out.push(disc(list[0], half, tolerance));
    return out;
  }
  const count = list.length;
  const segments = run.closed ? count : count - 1;
  const way = (i: number): Point => {
    const [a, b] = [list[i % count], list[(i + 1) % count]];
    const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
    return { x: (b.x - a.x) / length, y: (b.y - a.y) / length };
  };
  for (let i = 0; i < segments; i++) {
    const d = way(i);
    let [a, b] = [list[i], list[(i + 1) % count]];
    if (!run.closed && style.cap === 'square') {
      if (i === 0) a = { x: a.x - d.x * half, y: a.y - d.y * half };
      if (i === segments - 1) b = { x: b.x + d.x * half, y: b.y + d.y * half };
    }
    const [nx, ny] = [-d.y * half, d.x * half];
    out.push(polygon([a.x + nx, a.y + ny, a.x - nx, a.y - ny, b.x - nx, b.y - ny, b.x + nx, b.y + ny]));
    const joined = run.closed || i < segments - 1;
    if (joined) out.push(...join(list[(i + 1) % count], d, way((i + 1) % count), half, style, tolerance));
  }
  if (!run.closed && style.cap === 'round') {
    out.push(disc(list[0], half, tolerance), disc(list[count - 1], half, tolerance));
  }
  return out;
}

/** What fills the corner between two segments. */
function join(
  at: Point,
  before: Point,
  after: Point,
  half: number,
  style: StrokeStyle,
  tolerance: number,
): Polyline[] {
  const cross = before.x * after.y - before.y * after.x;
  if (cross === 0 && before.x * after.x + before.y * after.y > 0) return [];
  if (style.join === 'round') return [disc(at, half, tolerance)];
  const side = cross > 0 ? -1 : 1;
  const a = { x: at.x - before.y * half * side, y: at.y + before.x * half * side };
  const b = { x: at.x - after.y * half * side, y: at.y + after.x * half * side };
  // Half the corner's angle gives how far out its tip lies: width ⁄ sin(half).
  const cosine = before.x * after.x + before.y * after.y;
  const sineHalf = Math.sqrt(Math.max(0, (1 + cosine) / 2));
  if (style.join === 'miter' && sineHalf * style.miterLimit >= 1) {
    const [mx, my] = [(a.x + b.x) / 2 - at.x, (a.y + b.y) / 2 - at.y];
    const reach = (half * half) / Math.max(1e-12, mx * mx + my * my);
    return [polygon([at.x, at.y, a.x, a.y, at.x + mx * reach, at.y + my * reach, b.x, b.y])];
  }
  return [polygon([at.x, at.y, a.x, a.y, b.x, b.y])];
}

/** A disc as a polygon that strays from it by no more than the tolerance. */
function disc({ x, y }: Point, radius: number, tolerance: number): Polyline {
  const sides = Math.min(720, Math.max(8, Math.ceil(4.5 / Math.sqrt(Math.max(1e-9, tolerance / radius)))));
  const points: number[] = [];
  for (let i = 0; i < sides; i++) {
    const { cos, sin } = turnOf((360 * i) / sides);
    points.push(x + radius * cos, y + radius * sin);
  }
  return polygon(points);
}

/** A polygon turned so that its area counts positive. */
function polygon(points: number[]): Polyline {
  let area = 0;
  for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
    area += points[j] * points[i + 1] - points[i] * points[j + 1];
  }
  if (area < 0) {
    const turned: number[] = [];
    for (let i = points.length - 2; i >= 0; i -= 2) turned.push(points[i], points[i + 1]);
    return { points: Float64Array.from(turned), closed: true };
  }
  return { points: Float64Array.from(points), closed: true };
}

/** A run cut into its dashes. */
function dash(line: Polyline, { dashes, dashOffset }: StrokeStyle): Polyline[] {
  const list = pointsOf(line);
  if (line.closed) list.push(list[0]);
  const pattern = dashes.length % 2 ? [...dashes, ...dashes] : dashes;
  const period = pattern.reduce((a, b) => a + b, 0);
  let left = ((dashOffset % period) + period) % period;
  let at = 0;
  while (left >= pattern[at]) {
    left -= pattern[at];
    at = (at + 1) % pattern.length;
  }
  let rest = pattern[at] - left;
  const out: Polyline[] = [];
  let run: number[] = at % 2 === 0 ? [list[0].x, list[0].y] : [];
  const finish = () => {
    if (run.length >= 2) out.push({ points: Float64Array.from(run), closed: false });
    run = [];
  };
  for (let i = 0; i + 1 < list.length; i++) {
    const [a, b] = [list[i], list[i + 1]];
    const length = Math.sqrt((b.x - a.x) ** 2 + (b.y - a.y) ** 2);
    let done = 0;
    while (length - done > rest) {
      done += rest;
      const [x, y] = [a.x + ((b.x - a.x) * done) / length, a.y + ((b.y - a.y) * done) / length];
      if (at % 2 === 0) {
        run.push(x, y);
        finish();
      } else run = [x, y];
      at = (at + 1) % pattern.length;
      rest = pattern[at];
    }
    rest -= length - done;
    if (at % 2 === 0) run.push(b.x, b.y);
  }
  finish();
  return out;
}
