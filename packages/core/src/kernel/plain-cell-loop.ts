import { rounded } from '../outline/rounded.ts';
import { stretchToArea, thinnedToArea } from '../outline/thin.ts';

/** A closed outline in a cell as it is drawn. */
export interface KeptLoop {
  /** Points that are kept, x and y by turns, in steps along the cell. */
  readonly kept: readonly number[];
  /** Twice the area before points were taken out. */
  readonly area: number;
  readonly touches: boolean;
}

/**
 * An outline rounded off and thinned; along a side of the cell it has one piece.
 *
 * @param loop   x and y by turns, in steps along the cell
 * @param side   of the cell, in steps
 * @param strays steps that outlines may stray by
 */
export function cellLoop(loop: Float64Array, side: number, strays: number): KeptLoop {
  const { length } = loop;
  const points = rounded(loop, length);
  let first = -1;
  for (let i = 0; i < length; i += 2) {
    if (!isOnSide(loop[i], loop[i + 1], side)) continue;
    // What lies on a side stays there.
    points[i] = loop[i];
    points[i + 1] = loop[i + 1];
    first = i;
  }
  let area = 0;
  for (let i = 0, j = length - 2; i < length; j = i, i += 2)
    area += points[j] * points[i + 1] - points[i] * points[j + 1];
  if (first < 0) return { kept: thinnedToArea(points, length, strays), area, touches: false };
  // Begun where it comes to a side, so that there is one piece along it, and back there.
  for (let k = 0; k < length && isAmidSide(points, length / 2, side, first / 2); k += 2)
    first = first > 0 ? first - 2 : length - 2;
  const closed = [...points.subarray(first, length), ...points.subarray(0, first + 2)];
  return { kept: alongSides(closed, side, strays), area, touches: true };
}

/** An outline that begins on a side of the cell and ends there: one piece along each side, and as few points as may be between them. */
function alongSides(closed: readonly number[], side: number, strays: number): number[] {
  const last = closed.length / 2 - 1;
  const out: number[] = [];
  for (let from = 0; from < last;) {
    let to = from + 1;
    if (runsAlong(closed, side, from, to)) {
      while (to < last && runsAlong(closed, side, to, to + 1) && runsAlong(closed, side, from, to + 1)) to++;
      out.push(closed[2 * to], closed[2 * to + 1]);
    } else {
      while (to < last && !isOnSide(closed[2 * to], closed[2 * to + 1], side)) to++;
      stretchToArea(closed, from, to, strays, out);
    }
    from = to;
  }
  return out;
}

const isOnSide = (x: number, y: number, side: number): boolean =>
  x === 0 || y === 0 || x === side || y === side;

/** Whether two of an outline's points lie on the same side of a cell. */
function runsAlong(points: ArrayLike<number>, side: number, from: number, to: number): boolean {
  const x = points[2 * from];
  const y = points[2 * from + 1];
  const isUpright = x === points[2 * to] && (x === 0 || x === side);
  return isUpright || (y === points[2 * to + 1] && (y === 0 || y === side));
}

/** Whether an outline runs along one side of a cell before a point of it and after it. */
function isAmidSide(points: ArrayLike<number>, count: number, side: number, at: number): boolean {
  const [x, y] = [points[2 * at], points[2 * at + 1]];
  const isCorner = (x === 0 || x === side) && (y === 0 || y === side);
  const before = at > 0 ? at - 1 : count - 1;
  const after = at + 1 < count ? at + 1 : 0;
  return !isCorner && runsAlong(points, side, before, at) && runsAlong(points, side, at, after);
}
