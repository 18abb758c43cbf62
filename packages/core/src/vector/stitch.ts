import { isPoints, PIECE, type CellLoop } from './cell-loop.ts';
import { chained, type VisitLoop } from './chained.ts';
import { Runs } from './runs.ts';

const HALF = 0.5;

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

/**
 * Joins the outlines of cells into outlines of everything: where ink lies on both sides of a line between two cells, the line
 * goes; where it lies on one, it stays.
 */
export class Stitching {
  private readonly runs = new Runs();
  private row = -Infinity;
  private readonly columns: number;
  /** Upright lines of the row at hand, the level ones above it, and those below. */
  private readonly uprights: Lines;
  private above: Lines;
  private below: Lines;

  /** @param left, right columns of cells: from `left` to below `right` */
  constructor(
    private readonly left: number,
    right: number,
  ) {
    this.columns = right - left + 1;
    this.uprights = new Lines(this.columns);
    this.above = new Lines(this.columns);
    this.below = new Lines(this.columns);
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
    chained(this.runs, this.left, this.columns, visit);
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

  private addPieces(i: number, j: number, pieces: Float64Array): void {
    const { runs } = this;
    let goesOn = false;
    for (let at = 0; at < pieces.length; at += PIECE) {
      const x0 = pieces[at];
      const y0 = pieces[at + 1];
      const x1 = pieces[at + 2];
      const y1 = pieces[at + 3];
      const rx = pieces[at + 4];
      if (rx === 0 && this.laySide(i, j, x0, y0, x1, y1)) goesOn = false;
      else {
        if (!goesOn) runs.begin(x0 + i, y0 + j, true);
        runs.arc(x1 + i, y1 + j, rx, pieces[at + 5], pieces[at + 6] === 1);
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
