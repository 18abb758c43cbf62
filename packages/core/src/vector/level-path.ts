import type { PathData } from './path-data.ts';
import { thinned } from './thin.ts';

/** A row of a field's points: values above 0 where there is ink. */
export type FieldRow = Float32Array;

export interface LevelField {
  /** From its outermost points to its edge, which is where outlines end: ½ for the middles of pixels, 0 for their corners. */
  readonly edge: number;
  readonly width: number;
  readonly height: number;
  /** Row `y`; rows are asked for from the top down, and are good until the next but one. */
  readonly row: (y: number) => FieldRow;
  /**
   * Share of the way from point (x, y) to its neighbour on the right, or below it, at which the field passes 0; found from the two
   * values alone when missing.
   */
  readonly crossing?: (x: number, y: number, below: boolean, from: number, to: number) => number;
}

/** Ends of the pieces of an outline in a square of four points, by which of them have ink: left top 8, right top 4, right foot 2, left foot 1. */
const [TOP, RIGHT, FOOT, LEFT] = [0, 1, 2, 3];
const PIECES: readonly (readonly number[])[] = [
  [],
  [LEFT, FOOT],
  [FOOT, RIGHT],
  [LEFT, RIGHT],
  [RIGHT, TOP],
  [RIGHT, TOP, LEFT, FOOT],
  [FOOT, TOP],
  [LEFT, TOP],
  [TOP, LEFT],
  [TOP, FOOT],
  [TOP, LEFT, FOOT, RIGHT],
  [TOP, RIGHT],
  [RIGHT, LEFT],
  [RIGHT, FOOT],
  [FOOT, LEFT],
  [],
];
/** The same where ink meets across the middle of two opposite corners. */
const JOINED: Record<number, readonly number[]> = {
  5: [LEFT, TOP, RIGHT, FOOT],
  10: [TOP, RIGHT, FOOT, LEFT],
};

/**
 * Draws the outlines of where a field is above 0, row by row (Lorensen & Cline's cubes in the plane, 1987), ink always to the same hand. What
 * lies beyond the edge has no ink.
 *
 * @param scale  units of the path from one point to the next
 * @param strays how far outlines may stray to save points, in steps from one point to the next
 * @param first  row of the sheet's grid that the field begins with
 */
export function levelPath(field: LevelField, scale: number, strays: number, out: PathData, first = 0): void {
  const { width, height, edge } = field;
  const points = pointStore();
  // Places of the crossings on the level lines above and below the squares at hand, and on their upright ones.
  let above = new Int32Array(width + 1).fill(-1);
  let below = new Int32Array(width + 1).fill(-1);
  const upright = new Int32Array(width + 2).fill(-1);
  const bare = new Float32Array(width).fill(-1);
  let upper: FieldRow = bare;
  for (let y = -1; y < height; y++) {
    const lower = y + 1 < height ? field.row(y + 1) : bare;
    const inGrid = y + 1 < height;
    below.fill(-1);
    for (let x = -1; x < width; x++) {
      const a = x < 0 || !inGrid ? -1 : lower[x];
      const b = x + 1 >= width || !inGrid ? -1 : lower[x + 1];
      if (a > 0 === b > 0) continue;
      const at = x < 0 ? 1 - edge : x + 1 >= width ? edge : crossingOf(field, x, y + 1, false, a, b);
      below[x + 1] = points.add(x + edge + at, y + 1 + edge);
    }
    for (let x = 0; x < width; x++) {
      const a = upper[x];
      const b = lower[x];
      upright[x + 1] = -1;
      if (a > 0 === b > 0) continue;
      const at = y < 0 ? 1 - edge : !inGrid ? edge : crossingOf(field, x, y, true, a, b);
      upright[x + 1] = points.add(x + edge, y + edge + at);
    }
    for (let x = -1; x < width; x++) {
      const corners =
        (x >= 0 && upper[x] > 0 ? 8 : 0) |
        (x + 1 < width && upper[x + 1] > 0 ? 4 : 0) |
        (x + 1 < width && lower[x + 1] > 0 ? 2 : 0) |
        (x >= 0 && lower[x] > 0 ? 1 : 0);
      if (corners === 0 || corners === 15) continue;
      const ends = [above[x + 1], upright[x + 2], below[x + 1], upright[x + 1]];
      const meets =
        (corners === 5 || corners === 10) && upper[x] + upper[x + 1] + lower[x] + lower[x + 1] > 0;
      const pieces = meets ? JOINED[corners] : PIECES[corners];
      for (let k = 0; k < pieces.length; k += 2) points.join(ends[pieces[k]], ends[pieces[k + 1]]);
    }
    [above, below] = [below, above];
    upper = lower === bare ? bare : lower;
  }
  points.loops((loop) => {
    const kept = thinned(rounded(loop), strays);
    if (kept.length < 6) return;
    out.move(kept[0] * scale, (first + kept[1]) * scale);
    for (let i = 2; i < kept.length; i += 2) out.line(kept[i] * scale, (first + kept[i + 1]) * scale);
    out.close();
  });
}

const crossingOf = (field: LevelField, x: number, y: number, below: boolean, a: number, b: number): number =>
  field.crossing ? field.crossing(x, y, below, a, b) : a / (a - b);

/**
 * Points moved off an outline that bends just as far as its straight pieces need to hold the same area: a piece of length a cuts off
 * κa³ ÷ 12 of what a curvature κ encloses, and a point moved by d gives back d times half the lengths at its sides.
 */
function rounded(loop: readonly number[]): Float64Array {
  const count = loop.length / 2;
  const out = Float64Array.from(loop);
  for (let i = 0; i < count; i++) {
    const before = 2 * ((i + count - 1) % count);
    const after = 2 * ((i + 1) % count);
    const [ax, ay] = [loop[2 * i] - loop[before], loop[2 * i + 1] - loop[before + 1]];
    const [bx, by] = [loop[after] - loop[2 * i], loop[after + 1] - loop[2 * i + 1]];
    const [cx, cy] = [ax + bx, ay + by];
    const a = Math.sqrt(ax * ax + ay * ay);
    const b = Math.sqrt(bx * bx + by * by);
    const c = Math.sqrt(cx * cx + cy * cy);
    if (a * b * c < 1e-12) continue;
    // How far the point is off the line between its neighbours; κ is twice that ÷ ab.
    const off = (cx * ay - cy * ax) / c;
    const move = off * Math.min(1, (a * a - a * b + b * b) / (6 * a * b));
    out[2 * i] -= (cy / c) * move;
    out[2 * i + 1] += (cx / c) * move;
  }
  return out;
}

/** Points of outlines, each joined to the one after it. */
function pointStore() {
  let places = new Float32Array(1 << 14);
  let next = new Int32Array(1 << 13);
  let count = 0;
  return {
    add(x: number, y: number): number {
      if (count === next.length) {
        const [wider, longer] = [new Float32Array(places.length * 2), new Int32Array(next.length * 2)];
        wider.set(places);
        longer.set(next);
        [places, next] = [wider, longer];
      }
      places[2 * count] = x;
      places[2 * count + 1] = y;
      next[count] = -1;
      return count++;
    },
    join(from: number, to: number): void {
      next[from] = to;
    },
    loops(visit: (loop: readonly number[]) => void): void {
      for (let first = 0; first < count; first++) {
        if (next[first] < 0) continue;
        const loop: number[] = [];
        for (let at = first; next[at] >= 0;) {
          loop.push(places[2 * at], places[2 * at + 1]);
          const then = next[at];
          next[at] = -1;
          at = then;
        }
        visit(loop);
      }
    },
  };
}
