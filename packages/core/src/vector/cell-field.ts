import { cache } from '../base/cache.ts';
import { DotBuilder } from './dot-builder.ts';
import { SOLID } from '../raster/plane.ts';
import { LevelTracer, type FieldLine, type LevelField } from './level-path.ts';

/** Parts that the way from one point to the next is looked at in: thresholds run straight in each. */
const PARTS = 4;

/** Thresholds of every cell of a straight lattice at points of it, row by row, its corners and sides with them. */
export interface CellThresholds {
  /** Steps from one point to the next along the cell. */
  readonly side: number;
  readonly points: Float32Array;
  /** At the ends of the parts of the way from each point to the one on its right, and to the one below it. */
  readonly along: Float32Array;
  readonly down: Float32Array;
}

const recentThresholds = cache<CellThresholds>('cell points');

/**
 * @param key       cache key: equal iff the shape is equal
 * @param threshold of the shape at a place in cells, of which only the fractions count
 * @param side      even: a point lies in the middle of the cell and one at each corner, so that no finest dot or gap is missed
 */
export const cellThresholds = (
  key: string,
  threshold: (u: number, v: number) => number,
  side: number,
): CellThresholds =>
  recentThresholds(`${key} · ${side}`, () => {
    const width = side + 1;
    const points = new Float32Array(width * width);
    const [along, down] = [0, 1].map(() => new Float32Array(points.length * (PARTS + 1)));
    const at = (x: number, y: number) => threshold((x % side) / side, (y % side) / side);
    for (let i = 0; i < points.length; i++) {
      const [x, y] = [i % width, Math.floor(i / width)];
      points[i] = at(x, y);
      for (let k = 0; k <= PARTS; k++) {
        along[i * (PARTS + 1) + k] = at(x + k / PARTS, y);
        down[i * (PARTS + 1) + k] = at(x, y + k / PARTS);
      }
    }
    return { side, points, along, down };
  });

/** How far coverage is above the threshold at the points of one straight cell. */
export class CellField implements LevelField {
  readonly edge = 0;
  readonly side: number;
  readonly width: number;
  readonly height: number;
  /** What is made of coverage at each point, row by row, to be written before the cell is looked at. */
  readonly tones: Float32Array;
  private shift = 0;
  private readonly tracer: LevelTracer;
  private readonly thresholds: Float32Array;
  private readonly along: Float32Array;
  private readonly down: Float32Array;

  constructor({ side, points, along, down }: CellThresholds) {
    this.side = side;
    this.width = this.height = side + 1;
    this.tracer = new LevelTracer(this.width);
    this.tones = new Float32Array(points.length);
    this.thresholds = points;
    this.along = along;
    this.down = down;
  }

  /**
   * Outlines of what is inked of the cell, by its tones.
   *
   * @param shift added to those between bare and solid
   */
  outlines(shift = 0): DotBuilder {
    this.shift = shift;
    const builder = new DotBuilder(this.side);
    this.tracer.trace(this, (loop, length) => builder.add(loop, length));
    return builder;
  }

  row(y: number, { values, ink }: FieldLine): void {
    const { tones, thresholds, width, shift } = this;
    for (let x = 0, i = y * width; x < width; x++, i++) {
      const over = shifted(tones[i], shift) - thresholds[i];
      values[x] = over;
      ink[x + 1] = over > 0 ? 1 : 0;
    }
  }

  crossing(x: number, y: number, below: boolean): number {
    const { tones, width, shift } = this;
    const i = y * width + x;
    const from = (PARTS + 1) * i;
    const thresholds = below ? this.down : this.along;
    const tone = shifted(tones[i], shift);
    const more = (shifted(tones[below ? i + width : i + 1], shift) - tone) / PARTS;
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

const shifted = (tone: number, shift: number): number => (tone > 0 && tone < SOLID ? tone + shift : tone);
