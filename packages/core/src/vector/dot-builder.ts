import type { Dot } from './lattice-dot.ts';
import { rounded } from './level-path.ts';
import { stretchToArea, thinnedToArea } from './thin.ts';

/** Cells that an outline may stray from a dot's edge, to save points. */
export const STRAYS = 0.008;

/** Room for an outline that begins elsewhere, used within one call: a thousand times as many arrays of a few numbers would take as long as all the rest. */
let closedPoints = new Float64Array(1 << 9);

/** A dot of straight pieces, out of the outlines of a cell. */
export class DotBuilder {
  /** Of the ink, in cells. */
  area = 0;
  private readonly loops: number[][] = [];
  private points = 0;
  private touches = false;

  /** @param side steps of points along the cell */
  constructor(private readonly side: number) {}

  /** Adds a closed outline: `length` numbers of an array, x and y by turns in steps of points. */
  add(loops: Float64Array, from: number, length: number): void {
    const { side } = this;
    const points = rounded(loops, from, length);
    let first = -1;
    for (let i = 0; i < length; i += 2) {
      const x = loops[from + i];
      const y = loops[from + i + 1];
      if (!isOnSide(x, y, side)) continue;
      // What lies on a side stays there.
      points[i] = x;
      points[i + 1] = y;
      first = i;
    }
    let area = 0;
    for (let i = 0, j = length - 2; i < length; j = i, i += 2)
      area += points[j] * points[i + 1] - points[i] * points[j + 1];
    this.area += area / (2 * side * side);
    const kept =
      first < 0 ? thinnedToArea(points, length, STRAYS * side) : this.alongSides(points, length, first);
    if (kept.length < 6) return;
    this.touches ||= first >= 0;
    for (let i = 0; i < kept.length; i++) kept[i] = kept[i] / side - 0.5;
    this.loops.push(kept);
    this.points += kept.length / 2;
  }

  dot(): Dot {
    const { loops, touches, points } = this;
    return { loops, touches, points };
  }

  /** An outline that meets sides of the cell: one piece along each of these, and as few points as may be between them. */
  private alongSides(points: Float64Array, length: number, first: number): number[] {
    const { side } = this;
    // Begun on a side, and back there.
    if (closedPoints.length < length + 2) closedPoints = new Float64Array(2 * length);
    const closed = closedPoints;
    for (let i = first, to = 0; i < length; i++, to++) closed[to] = points[i];
    for (let i = 0, to = length - first; i < first + 2; i++, to++) closed[to] = points[i];
    const last = length / 2;
    const out: number[] = [];
    for (let from = 0; from < last;) {
      let to = from + 1;
      if (runsAlong(closed, side, from, to)) {
        while (to < last && runsAlong(closed, side, to, to + 1) && runsAlong(closed, side, from, to + 1))
          to++;
        out.push(closed[2 * to], closed[2 * to + 1]);
      } else {
        while (to < last && !isOnSide(closed[2 * to], closed[2 * to + 1], side)) to++;
        stretchToArea(closed, from, to, STRAYS * side, out);
      }
      from = to;
    }
    return out;
  }
}

const isOnSide = (x: number, y: number, side: number): boolean =>
  x === 0 || y === 0 || x === side || y === side;

/** Whether two of an outline's points lie on the same side of a cell. */
function runsAlong(points: Float64Array, side: number, from: number, to: number): boolean {
  const x = points[2 * from];
  const y = points[2 * from + 1];
  const isUpright = x === points[2 * to] && (x === 0 || x === side);
  return isUpright || (y === points[2 * to + 1] && (y === 0 || y === side));
}
