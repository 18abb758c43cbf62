import type { Paths64 } from 'clipper2-ts';
import { cutTo, sizeOf, type Area, type Box } from '../path/area.ts';
import { edgeIndex } from './edge-index.ts';
import type { PathData } from './path-data.ts';

/** Units that an arc may stray from the straight lines it is cut along. */
const TOLERANCE = 1.5;

type Step =
  | { readonly kind: 'line'; readonly x: number; readonly y: number }
  | {
      readonly kind: 'arc';
      readonly rx: number;
      readonly ry: number;
      readonly turn: number;
      readonly sweep: boolean;
      readonly x: number;
      readonly y: number;
    };

/** A path that is cut to an area: what is drawn far from the area's edge stays as it is, or goes. */
export interface ClippedPath extends PathData {
  /** Draws what had to be cut. */
  finish(): void;
}

/**
 * Draws even-odd outlines into a path, cut to an area. Outlines that come near its edge are cut together, once all are there, for
 * some may be holes of others.
 *
 * @param near  what lies near the area's edge
 * @param crumb square units below which what is left of an outline is let go
 */
export function clipped(out: PathData, area: Area, near = edgeIndex(area), crumb = 0): ClippedPath {
  const cut: Paths64 = [];
  let steps: Step[] = [];
  let start: [number, number] = [0, 0];
  const draw = (): void => {
    out.move(...start);
    for (const step of steps) {
      if (step.kind === 'line') out.line(step.x, step.y);
      else out.arc(step.rx, step.ry, step.turn, step.sweep, step.x, step.y);
    }
    out.close();
  };
  return {
    move(x, y) {
      start = [x, y];
      steps = [];
    },
    line: (x, y) => void steps.push({ kind: 'line', x, y }),
    curve: () => {
      throw new TypeError('Dots have no curves but arcs.');
    },
    arc: (rx, ry, turn, sweep, x, y) => void steps.push({ kind: 'arc', rx, ry, turn, sweep, x, y }),
    close() {
      const box = boxAround(start, steps);
      const place = near(box);
      if (place === 'inside') draw();
      else if (place === 'edge') cut.push(flattened(start, steps));
    },
    finish() {
      for (const path of cutTo(cut, area)) if (sizeOf(path) > crumb) drawPolygon(path, out);
    },
    text: () => out.text(),
  };
}

/** Draws one closed polygon. */
export function drawPolygon(path: Area[number], out: PathData): void {
  const [first, ...rest] = path;
  out.move(first.x, first.y);
  for (const { x, y } of rest) out.line(x, y);
  out.close();
}

/** The box around an outline; an arc of at most half an ellipse is no farther from the middle of its ends than its longer axis. */
function boxAround([x, y]: readonly [number, number], steps: readonly Step[]): Box {
  let [left, right, top, foot] = [x, x, y, y];
  let [lastX, lastY] = [x, y];
  const hold = (px: number, py: number, reach: number): void => {
    left = Math.min(left, px - reach);
    right = Math.max(right, px + reach);
    top = Math.min(top, py - reach);
    foot = Math.max(foot, py + reach);
  };
  for (const step of steps) {
    if (step.kind === 'arc') hold((lastX + step.x) / 2, (lastY + step.y) / 2, Math.max(step.rx, step.ry));
    hold(step.x, step.y, 0);
    [lastX, lastY] = [step.x, step.y];
  }
  return { left, right, top, foot };
}

function flattened([startX, startY]: readonly [number, number], steps: readonly Step[]): Area[number] {
  const points = [{ x: Math.round(startX), y: Math.round(startY) }];
  let [x, y] = [startX, startY];
  for (const step of steps) {
    if (step.kind === 'arc') arcPoints(x, y, step, points);
    points.push({ x: Math.round(step.x), y: Math.round(step.y) });
    [x, y] = [step.x, step.y];
  }
  return points;
}

/** Points along an arc of at most half an ellipse, without its ends (SVG 2, appendix B.2.4). */
function arcPoints(
  x0: number,
  y0: number,
  { rx, ry, turn, sweep, x, y }: Extract<Step, { kind: 'arc' }>,
  points: { x: number; y: number }[],
): void {
  const [cos, sin] = [Math.cos((turn * Math.PI) / 180), Math.sin((turn * Math.PI) / 180)];
  const unit = (px: number, py: number): [number, number] => [
    (px * cos + py * sin) / rx,
    (-px * sin + py * cos) / ry,
  ];
  // On the unit circle the middle lies on the chord's bisector.
  const [ax, ay] = unit(x0, y0);
  const [bx, by] = unit(x, y);
  const chord = Math.hypot(bx - ax, by - ay);
  if (chord === 0) return;
  const height = Math.sqrt(Math.max(0, 1 - (chord / 2) ** 2));
  const side = sweep ? 1 : -1;
  const mx = (ax + bx) / 2 - (side * height * (by - ay)) / chord;
  const my = (ay + by) / 2 + (side * height * (bx - ax)) / chord;
  const from = Math.atan2(ay - my, ax - mx);
  let span = Math.atan2(by - my, bx - mx) - from;
  if (sweep && span < 0) span += 2 * Math.PI;
  if (!sweep && span > 0) span -= 2 * Math.PI;
  const step = 2 * Math.acos(Math.max(0, 1 - TOLERANCE / Math.max(rx, ry)));
  const count = Math.max(1, Math.ceil(Math.abs(span) / Math.max(0.05, step)));
  for (let k = 1; k < count; k++) {
    const angle = from + (span * k) / count;
    const [u, v] = [(mx + Math.cos(angle)) * rx, (my + Math.sin(angle)) * ry];
    points.push({ x: Math.round(u * cos - v * sin), y: Math.round(u * sin + v * cos) });
  }
}
