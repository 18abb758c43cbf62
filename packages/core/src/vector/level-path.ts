import type { Affine } from '../raster/affine.ts';
import type { PathData } from './path-data.ts';
import { rounded } from '../outline/rounded.ts';
import { thinnedToArea } from '../outline/thin.ts';

/** A row of a field's points, with one without ink beyond the edge on either side. */
export interface FieldLine {
  /** Above 0 where there is ink. */
  readonly values: Float32Array;
  /** 1 where there is ink: that of value x at x + 1. */
  readonly ink: Uint8Array;
  /** The same, four in a word. */
  readonly words: Uint32Array;
}

export interface LevelField {
  /** From its outermost points to its edge, which is where outlines end: ½ for the middles of pixels, 0 for their corners. */
  readonly edge: number;
  readonly width: number;
  readonly height: number;
  /** Writes row `y`; rows are asked for from the top down, and values left as they are. */
  readonly row: (y: number, out: FieldLine) => void;
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

/** Four points with ink, as a word. */
const ALL_INK = 0x01010101;

/**
 * Draws the outlines of where a field is above 0.
 *
 * @param map    from steps of the field's points to units of the path
 * @param strays how far outlines may stray to save points, in steps from one point to the next
 */
export function levelPath(field: LevelField, map: Affine, strays: number, out: PathData): void {
  const { xx, xy, x0, yx, yy, y0 } = map;
  new LevelTracer(field.width).trace(field, (loop, length) => {
    const kept = thinnedToArea(rounded(loop, length), length, strays);
    if (kept.length < 6) return;
    for (let i = 0; i < kept.length; i += 2) {
      const x = xx * kept[i] + xy * kept[i + 1] + x0;
      const y = yx * kept[i] + yy * kept[i + 1] + y0;
      if (i === 0) out.move(x, y);
      else out.line(x, y);
    }
    out.close();
  });
}

/**
 * Finds the outlines of where fields are above 0, row by row (Lorensen & Cline's cubes in the plane, 1987), ink always to the same hand. What
 * lies beyond the edge has no ink.
 */
export class LevelTracer {
  private readonly points = new Points();
  private readonly bare: FieldLine;
  private readonly lines: readonly [FieldLine, FieldLine];
  /** Places of the crossings on two level lines, by their column: looked up only where there is one. */
  private readonly crossings: readonly [Int32Array, Int32Array];

  /** @param width of the fields */
  constructor(width: number) {
    this.bare = bareLine(width);
    this.lines = [bareLine(width), bareLine(width)];
    this.crossings = [new Int32Array(width + 1), new Int32Array(width + 1)];
  }

  /** @param visit is told of each outline: its numbers, x and y by turns in steps of the field's points, are good until the next */
  trace(field: LevelField, visit: (loop: Float64Array, length: number) => void): void {
    const { points, bare, lines, crossings } = this;
    points.clear();
    let upper = bare;
    for (let y = -1; y < field.height; y++) {
      const lower = y + 1 < field.height ? lines[(y + 1) & 1] : bare;
      if (lower !== bare) field.row(y + 1, lower);
      drawSquares(field, y, upper, lower, crossings[y & 1], crossings[(y + 1) & 1], points);
      upper = lower;
    }
    points.loops(visit);
  }
}

function bareLine(width: number): FieldLine {
  const words = new Uint32Array((width + 8) >> 2);
  return { values: new Float32Array(width).fill(-1), ink: new Uint8Array(words.buffer), words };
}

/** Marks where the values of a row have ink. */
export function markInk({ values, ink }: FieldLine): void {
  for (let x = 0; x < values.length; x++) ink[x + 1] = values[x] > 0 ? 1 : 0;
}

/** Draws the pieces of outlines in the squares between two rows of points, of which the upper is row `y`. */
function drawSquares(
  field: LevelField,
  y: number,
  upper: FieldLine,
  lower: FieldLine,
  above: Int32Array,
  below: Int32Array,
  points: Points,
): void {
  const { width, height, edge } = field;
  const { ink: over, words: overWords, values } = upper;
  const { ink: under, words: underWords, values: next } = lower;
  let left = -1;
  for (let x = 0; x <= width; x++) {
    if ((x & 3) === 0) {
      // Four squares at once, all of them with ink, or without.
      const word = overWords[x >> 2];
      const isEven = word === underWords[x >> 2] && (word === 0 || word === ALL_INK);
      if (isEven && over[x + 4] === over[x] && under[x + 4] === over[x]) {
        x += 3;
        continue;
      }
    }
    const corners = (over[x] << 3) | (over[x + 1] << 2) | (under[x + 1] << 1) | under[x];
    if (corners === 0 || corners === 15) continue;
    if (under[x] !== under[x + 1]) {
      const at =
        x === 0
          ? 1 - edge
          : x === width
            ? edge
            : crossingOf(field, x - 1, y + 1, false, next[x - 1], next[x]);
      below[x] = points.add(x - 1 + edge + at, y + 1 + edge);
    }
    let right = -1;
    if (over[x + 1] !== under[x + 1]) {
      const at =
        y < 0 ? 1 - edge : y + 1 === height ? edge : crossingOf(field, x, y, true, values[x], next[x]);
      right = points.add(x + edge, y + edge + at);
    }
    const meets = (corners === 5 || corners === 10) && values[x - 1] + values[x] + next[x - 1] + next[x] > 0;
    const pieces = meets ? JOINED[corners] : PIECES[corners];
    for (let k = 0; k < pieces.length; k += 2) {
      const from = endOf(pieces[k], above[x], right, below[x], left);
      points.join(from, endOf(pieces[k + 1], above[x], right, below[x], left));
    }
    left = right;
  }
}

const endOf = (side: number, top: number, right: number, foot: number, left: number): number =>
  side === TOP ? top : side === RIGHT ? right : side === FOOT ? foot : left;

const crossingOf = (field: LevelField, x: number, y: number, below: boolean, a: number, b: number): number =>
  field.crossing ? field.crossing(x, y, below, a, b) : a / (a - b);

/** Points of outlines, each joined to the one after it. */
class Points {
  private places = new Float32Array(1 << 14);
  private next = new Int32Array(1 << 13);
  private loop = new Float64Array(1 << 10);
  private count = 0;

  add(x: number, y: number): number {
    if (this.count === this.next.length) {
      this.places = longer(this.places);
      this.next = longer(this.next);
    }
    const at = this.count++;
    this.places[2 * at] = x;
    this.places[2 * at + 1] = y;
    this.next[at] = -1;
    return at;
  }

  clear(): void {
    this.count = 0;
  }

  join(from: number, to: number): void {
    this.next[from] = to;
  }

  /** @param visit is told of each outline; its numbers, x and y by turns, are good until the next */
  loops(visit: (loop: Float64Array, length: number) => void): void {
    const { places, next, count } = this;
    for (let first = 0; first < count; first++) {
      if (next[first] < 0) continue;
      let length = 0;
      for (let at = first; next[at] >= 0;) {
        if (length === this.loop.length) this.loop = longer(this.loop);
        this.loop[length++] = places[2 * at];
        this.loop[length++] = places[2 * at + 1];
        const then = next[at];
        next[at] = -1;
        at = then;
      }
      visit(this.loop, length);
    }
  }
}

/** The same with room for as many more. */
function longer<Numbers extends Float32Array | Float64Array | Int32Array>(numbers: Numbers): Numbers {
  const out = new (numbers.constructor as new (length: number) => Numbers)(2 * numbers.length);
  out.set(numbers);
  return out;
}
