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

/**
 * Draws even-odd outlines into a path, cut to an area: what is drawn far from the area's edge stays as it is, or goes. Outlines that come near
 * the edge are cut together, once all are there, for some may be holes of others.
 */
export class ClippedPath implements PathData {
  private readonly cut: Paths64 = [];
  private steps: Step[] = [];
  private startX = 0;
  private startY = 0;

  /**
   * @param near  what lies near the area's edge
   * @param crumb square units below which what is left of an outline is let go
   */
  constructor(
    private readonly out: PathData,
    private readonly area: Area,
    private readonly near = edgeIndex(area),
    private readonly crumb = 0,
  ) {}

  move(x: number, y: number): void {
    this.startX = x;
    this.startY = y;
    this.steps = [];
  }

  line(x: number, y: number): void {
    this.steps.push({ kind: 'line', x, y });
  }

  curve(): never {
    throw new TypeError('Dots have no curves but arcs.');
  }

  arc(rx: number, ry: number, turn: number, sweep: boolean, x: number, y: number): void {
    this.steps.push({ kind: 'arc', rx, ry, turn, sweep, x, y });
  }

  close(): void {
    const { startX, startY, steps } = this;
    const place = this.near(boxAround(startX, startY, steps));
    if (place === 'inside') this.draw();
    else if (place === 'edge') this.cut.push(flattened(startX, startY, steps));
  }

  /** Draws what had to be cut. */
  finish(): void {
    for (const path of cutTo(this.cut, this.area)) if (sizeOf(path) > this.crumb) drawPolygon(path, this.out);
  }

  text(): string {
    return this.out.text();
  }

  private draw(): void {
    const { out } = this;
    out.move(this.startX, this.startY);
    for (const step of this.steps) {
      if (step.kind === 'line') out.line(step.x, step.y);
      else out.arc(step.rx, step.ry, step.turn, step.sweep, step.x, step.y);
    }
    out.close();
  }
}

/** Draws one closed polygon. */
export function drawPolygon(path: Area[number], out: PathData): void {
  const [first, ...rest] = path;
  out.move(first.x, first.y);
  for (const { x, y } of rest) out.line(x, y);
  out.close();
}

/** The box around an outline; an arc of at most half an ellipse is no farther from the middle of its ends than its longer axis. */
function boxAround(x: number, y: number, steps: readonly Step[]): Box {
  const box = { left: x, right: x, top: y, foot: y };
  let [lastX, lastY] = [x, y];
  for (const step of steps) {
    if (step.kind === 'arc')
      hold(box, (lastX + step.x) / 2, (lastY + step.y) / 2, Math.max(step.rx, step.ry));
    hold(box, step.x, step.y, 0);
    lastX = step.x;
    lastY = step.y;
  }
  return box;
}

/** Widens a box to hold what reaches so far about a point. */
function hold(box: { -readonly [Side in keyof Box]: number }, x: number, y: number, reach: number): void {
  box.left = Math.min(box.left, x - reach);
  box.right = Math.max(box.right, x + reach);
  box.top = Math.min(box.top, y - reach);
  box.foot = Math.max(box.foot, y + reach);
}

function flattened(startX: number, startY: number, steps: readonly Step[]): Area[number] {
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
