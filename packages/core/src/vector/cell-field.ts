import { DotBuilder } from './dot-builder.ts';
import { LevelTracer, type FieldLine, type LevelField } from './level-path.ts';

/** Parts that the way from one point to the next is looked at in: thresholds run straight in each. */
const PARTS = 4;

/**
 * How far coverage is above the threshold at the points of one straight cell, `side` steps each way, its corners and sides with them. The
 * thresholds are those of every cell, so that they are worked out once.
 */
export class CellField implements LevelField {
  readonly edge = 0;
  readonly width: number;
  readonly height: number;
  /** What is made of coverage at each point, row by row, to be written before the cell is looked at. */
  readonly tones: Float32Array;
  private readonly tracer: LevelTracer;
  private readonly thresholds: Float32Array;
  /** Thresholds at the ends of the parts of the way from each point to the one on its right, and to the one below it. */
  private readonly along: Float32Array;
  private readonly down: Float32Array;

  /**
   * @param threshold at a place in cells, of which only the fractions count
   * @param side      even: a point lies in the middle of the cell and one at each corner, so that no finest dot or gap is missed
   */
  constructor(
    threshold: (u: number, v: number) => number,
    readonly side: number,
  ) {
    this.width = this.height = side + 1;
    const points = Array.from({ length: this.width ** 2 }, (_, i) => [
      i % this.width,
      Math.floor(i / this.width),
    ]);
    const ends = Array.from({ length: PARTS + 1 }, (_, k) => k / PARTS);
    const at = (x: number, y: number) => threshold((x % side) / side, (y % side) / side);
    this.tracer = new LevelTracer(this.width);
    this.tones = new Float32Array(points.length);
    this.thresholds = Float32Array.from(points, ([x, y]) => at(x, y));
    this.along = Float32Array.from(points.flatMap(([x, y]) => ends.map((end) => at(x + end, y))));
    this.down = Float32Array.from(points.flatMap(([x, y]) => ends.map((end) => at(x, y + end))));
  }

  /** Outlines of what is inked of the cell, by its tones. */
  outlines(): DotBuilder {
    const builder = new DotBuilder(this.side);
    this.tracer.trace(this, (loop, length) => builder.add(loop, length));
    return builder;
  }

  row(y: number, { values, ink }: FieldLine): void {
    const { tones, thresholds, width } = this;
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const over = tones[i] - thresholds[i];
      values[x] = over;
      ink[x + 1] = over > 0 ? 1 : 0;
    }
  }

  crossing(x: number, y: number, below: boolean): number {
    const i = y * this.width + x;
    const from = (PARTS + 1) * i;
    const thresholds = below ? this.down : this.along;
    const tone = this.tones[i];
    const more = (this.tones[below ? i + this.width : i + 1] - tone) / PARTS;
    let last = tone - thresholds[from];
    const isInk = last > 0;
    for (let k = 1; ; k++) {
      const over = tone + more * k - thresholds[from + k];
      if (k === PARTS || over > 0 !== isInk)
        return (k - 1 + Math.min(1, Math.max(0, last / (last - over)))) / PARTS;
      last = over;
    }
  }
}
