import type { Piece } from '../path/piece.ts';
import { Runs } from './runs.ts';

const HALF = 0.5;

/** A closed outline in a cell, from its middle: pieces, or the points between straight ones, x and y by turns. */
export type CellLoop = readonly Piece[] | readonly number[];

/** True for an outline that is told by its points. */
export const isPoints = (loop: CellLoop): loop is readonly number[] => typeof loop[0] === 'number';

/** Numbers of a line that are at hand without a list of its own: two parts, from and to each. */
const ROOM = 4;

/** Parts of lines between cells that outlines run along, by the cell after the line, from the first on: from, to, from, to … */
class Lines {
  private readonly counts: Uint8Array;
  private readonly numbers: Float64Array;
  private readonly more = new Map<number, number[]>();

  constructor(size: number) {
    this.counts = new Uint8Array(size);
    this.numbers = new Float64Array(ROOM * size);
  }

  put(at: number, from: number, to: number): void {
    const count = this.counts[at];
    if (count < ROOM) {
      this.numbers[ROOM * at + count] = from;
      this.numbers[ROOM * at + count + 1] = to;
      this.counts[at] += 2;
      return;
    }
    const list = this.more.get(at);
    if (list) list.push(from, to);
    else this.more.set(at, [from, to]);
  }

  /** Gives what is left of each line when parts that run against one another cancel, and forgets all. */
  take(lay: (at: number, from: number, to: number) => void): void {
    const { counts, numbers } = this;
    for (let at = 0; at < counts.length; at++) {
      const count = counts[at];
      if (count === 0) continue;
      counts[at] = 0;
      const first = ROOM * at;
      if (count === 2) {
        lay(at, numbers[first], numbers[first + 1]);
        continue;
      }
      const more = this.more.get(at);
      // The usual case: one each way, one within the other or both the same.
      const [a, b, c, d] = [numbers[first], numbers[first + 1], numbers[first + 2], numbers[first + 3]];
      const [from, to, low, high] = b > a ? [a, b, d, c] : [c, d, b, a];
      if (!more && to > from && high > low && Math.max(from, low) < Math.min(to, high)) {
        if (from !== low) lay(at, from, low);
        if (high !== to) lay(at, high, to);
      } else remaining([a, b, c, d, ...(more ?? [])], (start, end) => lay(at, start, end));
    }
    this.more.clear();
  }
}

/** Is told of a loop by the numbers of its runs, of which the first `count` count; good until the next. */
type VisitLoop = (runs: Runs, loop: Int32Array, count: number) => void;

/**
 * Joins the outlines of cells into outlines of everything: where ink lies on both sides of a line between two cells, the line
 * goes; where it lies on one, it stays.
 */
export class Stitching {
  private readonly runs = new Runs();
  private row = -Infinity;
  /** Upright lines of the row at hand, the level ones above it, and those below. */
  private readonly uprights: Lines;
  private above: Lines;
  private below: Lines;

  /** @param left, right columns of cells: from `left` to below `right` */
  constructor(
    private readonly left: number,
    right: number,
  ) {
    const size = right - left + 1;
    this.uprights = new Lines(size);
    this.above = new Lines(size);
    this.below = new Lines(size);
  }

  /** Adds a closed outline of a cell. Cells come row by row, `j` never falling. */
  add(i: number, j: number, loop: CellLoop): void {
    if (j !== this.row) {
      if (this.row > -Infinity) this.finishRow(j);
      this.row = j;
    }
    if (isPoints(loop)) this.addPoints(i, j, loop);
    else this.addPieces(i, j, loop);
  }

  /** Gives the loops that have come about, one after another, and forgets all. */
  loops(visit: VisitLoop): void {
    if (this.row > -Infinity) this.finishRow(Infinity);
    this.row = -Infinity;
    chained(this.runs, visit);
    this.runs.clear();
  }

  private addPoints(i: number, j: number, points: readonly number[]): void {
    const { runs } = this;
    let goesOn = false;
    for (let at = 0; at < points.length; at += 2) {
      const next = at + 2 < points.length ? at + 2 : 0;
      const x0 = points[at];
      const y0 = points[at + 1];
      const x1 = points[next];
      const y1 = points[next + 1];
      if (this.laySide(i, j, x0, y0, x1, y1)) goesOn = false;
      else {
        if (!goesOn) runs.begin(x0 + i, y0 + j, false);
        runs.step(x1 + i, y1 + j);
        goesOn = true;
      }
    }
  }

  private addPieces(i: number, j: number, pieces: readonly Piece[]): void {
    const { runs } = this;
    let goesOn = false;
    for (const { x0, y0, x1, y1, rx, ry, forward } of pieces) {
      if (rx === 0 && this.laySide(i, j, x0, y0, x1, y1)) goesOn = false;
      else {
        if (!goesOn) runs.begin(x0 + i, y0 + j, true);
        runs.arc(x1 + i, y1 + j, rx, ry, forward);
        goesOn = true;
      }
    }
  }

  /** Keeps a piece along a side of its cell for what lies on the other side; false for any other. */
  private laySide(i: number, j: number, x0: number, y0: number, x1: number, y1: number): boolean {
    if (x0 === x1 && Math.abs(x0) === HALF)
      this.uprights.put((x0 > 0 ? i + 1 : i) - this.left, y0 + j, y1 + j);
    else if (y0 === y1 && Math.abs(y0) === HALF)
      (y0 > 0 ? this.below : this.above).put(i - this.left, x0 + i, x1 + i);
    else return false;
    return true;
  }

  private finishRow(next: number): void {
    const { runs, left, row } = this;
    this.uprights.take((at, from, to) => {
      const x = left + at - HALF;
      runs.begin(x, from, false);
      runs.step(x, to);
    });
    this.layLevels(this.above, row - HALF);
    if (next === row + 1) [this.above, this.below] = [this.below, this.above];
    else this.layLevels(this.below, row + HALF);
    this.row = next;
  }

  private layLevels(lines: Lines, y: number): void {
    const { runs } = this;
    lines.take((_, from, to) => {
      runs.begin(from, y, false);
      runs.step(to, y);
    });
  }
}

/** Room to work in, used within one call: where edges along a line begin and end, in order, and by how much what runs along it changes there. */
let places = new Float64Array(1 << 5);
let changes = new Int8Array(1 << 5);

/** What is left of edges along one line when those that run against one another cancel. */
function remaining(edges: readonly number[], lay: (from: number, to: number) => void): void {
  if (places.length < edges.length) {
    places = new Float64Array(2 * edges.length);
    changes = new Int8Array(2 * edges.length);
  }
  // An edge that runs up counts 1 along its length, one that runs down −1.
  for (let i = 0; i < edges.length; i++) {
    const place = edges[i];
    let at = i;
    for (; at > 0 && places[at - 1] > place; at--) {
      places[at] = places[at - 1];
      changes[at] = changes[at - 1];
    }
    places[at] = place;
    changes[at] = i % 2 === 0 ? 1 : -1;
  }
  let height = 0;
  for (let k = 0; k < edges.length - 1; k++) {
    height += changes[k];
    const low = places[k];
    const high = places[k + 1];
    if (low === high) continue;
    if (height > 0) lay(low, high);
    if (height < 0) lay(high, low);
  }
}

/** Puts runs end to end, and gives each loop. */
function chained(runs: Runs, visit: VisitLoop): void {
  const { count } = runs;
  const size = 2 ** Math.ceil(Math.log2(count * 2 + 2));
  const slotOf = (key: number) =>
    ((Math.imul(key | 0, 0x9e3779b1) ^ Math.imul((key / 2 ** 32) | 0, 0x85ebca6b)) >>> 0) & (size - 1);
  // Runs by where they start: the first of a slot, and the one after each.
  const first = new Int32Array(size).fill(-1);
  const after = new Int32Array(count).fill(-1);
  const starts = new Float64Array(count);
  const used = new Uint8Array(count);
  for (let i = count - 1; i >= 0; i--) {
    const key = (starts[i] = runs.startKey(i));
    const slot = slotOf(key);
    after[i] = first[slot];
    first[slot] = i;
  }
  /** A run that starts at a point and is not used yet; −1 when there is none. */
  const take = (key: number): number => {
    const slot = slotOf(key);
    // Used ones at the head are let go, so that no slot grows long.
    while (first[slot] >= 0 && used[first[slot]]) first[slot] = after[first[slot]];
    for (let i = first[slot]; i >= 0; i = after[i]) if (!used[i] && starts[i] === key) return i;
    return -1;
  };
  const loop = new Int32Array(count);
  for (let i = 0; i < count; i++) {
    if (used[i]) continue;
    let length = 0;
    for (let next = i; next >= 0;) {
      used[next] = 1;
      loop[length++] = next;
      const end = runs.endKey(next);
      next = end === starts[i] ? -1 : take(end);
    }
    visit(runs, loop, length);
  }
}
