import { areaUnder } from '../path/piece.ts';
import type { Affine } from '../raster/affine.ts';
import type { PathData } from './path-data.ts';

/** Numbers of a step of a run: the point it leads to, and with arcs the half-axes, 0 for a straight step, and 1 for forward (see `Piece`). */
const [STRAIGHT_NUMBERS, ARC_NUMBERS] = [2, 5];

/** Many runs of outlines, end to end in one array of numbers: a run is the point it begins at and its steps. Lengths are in cells. */
export class Runs {
  /** Runs that are there. */
  count = 0;
  private length = 0;
  /** Those of all runs, one after another. */
  numbers = new Float64Array(1 << 12);
  private readonly firsts: number[] = [];
  private readonly perStep: number[] = [];

  clear(): void {
    this.count = 0;
    this.length = 0;
  }

  /** Begins a run of straight steps at a point, or one that arcs are among. */
  begin(x: number, y: number, hasArcs: boolean): void {
    this.firsts[this.count] = this.length;
    this.perStep[this.count] = hasArcs ? ARC_NUMBERS : STRAIGHT_NUMBERS;
    this.count++;
    this.step(x, y);
  }

  /** A step of a straight run. */
  step(x: number, y: number): void {
    if (this.length + 2 > this.numbers.length) this.widen();
    this.numbers[this.length++] = x;
    this.numbers[this.length++] = y;
  }

  /** A step of a run with arcs. */
  arc(x: number, y: number, rx: number, ry: number, forward: boolean): void {
    this.step(x, y);
    if (this.length + 3 > this.numbers.length) this.widen();
    this.numbers[this.length++] = rx;
    this.numbers[this.length++] = ry;
    this.numbers[this.length++] = forward ? 1 : 0;
  }

  /** Which of the numbers are the point that a run begins at. */
  startOf(run: number): number {
    return this.firsts[run];
  }

  /** The same of the point that it ends at. */
  lastOf(run: number): number {
    return this.endOf(run) - this.perStep[run];
  }

  private endOf(run: number): number {
    return run + 1 < this.count ? this.firsts[run + 1] : this.length;
  }

  private widen(): void {
    const wider = new Float64Array(2 * this.numbers.length);
    wider.set(this.numbers);
    this.numbers = wider;
  }

  /** Area that a loop of runs encloses. */
  area(loop: Int32Array, count: number): number {
    const { numbers } = this;
    const start = this.firsts[loop[0]];
    let sum = 0;
    let [x, y] = [0, 0];
    for (let k = 0; k < count; k++) {
      const run = loop[k];
      const perStep = this.perStep[run];
      const first = this.firsts[run];
      const end = this.endOf(run);
      x = numbers[first];
      y = numbers[first + 1];
      for (let at = first + 2; at < end; at += perStep) {
        const nextX = numbers[at];
        const nextY = numbers[at + 1];
        sum +=
          perStep === STRAIGHT_NUMBERS
            ? (x * nextY - nextX * y) / 2
            : areaUnder(x, y, nextX, nextY, numbers[at + 2], numbers[at + 3], numbers[at + 4] === 1);
        x = nextX;
        y = nextY;
      }
    }
    // Points that are very near count as the same: the last may be a little off the first.
    return sum + (x * numbers[start + 1] - numbers[start] * y) / 2;
  }

  /**
   * Draws a loop of runs.
   *
   * @param map  from cells to units of the path
   * @param unit units of the path for a cell
   * @param turn of the lattice's first direction, degrees from x to y
   */
  draw(
    loop: Int32Array,
    count: number,
    { xx, xy, x0, yx, yy, y0 }: Affine,
    unit: number,
    turn: number,
    out: PathData,
  ): void {
    const { numbers } = this;
    const start = this.firsts[loop[0]];
    out.move(
      xx * numbers[start] + xy * numbers[start + 1] + x0,
      yx * numbers[start] + yy * numbers[start + 1] + y0,
    );
    for (let k = 0; k < count; k++) {
      const run = loop[k];
      const perStep = this.perStep[run];
      // The last straight step of all goes without saying.
      const last = k === count - 1 ? this.endOf(run) - perStep : -1;
      for (let at = this.firsts[run] + 2; at < this.endOf(run); at += perStep) {
        const u = numbers[at];
        const v = numbers[at + 1];
        const x = xx * u + xy * v + x0;
        const y = yx * u + yy * v + y0;
        const rx = perStep === ARC_NUMBERS ? numbers[at + 2] : 0;
        if (rx > 0) out.arc(rx * unit, numbers[at + 3] * unit, turn, numbers[at + 4] === 1, x, y);
        else if (at !== last) out.line(x, y);
      }
    }
    out.close();
  }
}
