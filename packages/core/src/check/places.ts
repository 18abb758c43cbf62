import { MM_PER_INCH, type Frame } from '../raster/frame.ts';
import type { Place } from './finding.ts';

/** Tiles that a sheet's longer side is parted in to say where something is. */
const TILES = 40;
/** Places that are told at most. */
const MOST = 12;

/** Where on the trimmed sheet something is that lies at pixels of a grid, gathered tile by tile: most of it first. */
export class Places {
  private readonly tile: number;
  private readonly across: number;
  private readonly down: number;
  private readonly counts: Float64Array;
  private readonly boxes: Int32Array;
  /** A pixel of each tile. */
  private readonly points: Int32Array;

  constructor(private readonly grid: Frame) {
    this.tile = Math.max(1, Math.ceil(Math.max(grid.width, grid.height) / TILES));
    this.across = Math.ceil(grid.width / this.tile);
    this.down = Math.ceil(grid.height / this.tile);
    this.counts = new Float64Array(this.across * this.down);
    this.boxes = new Int32Array(4 * this.counts.length);
    this.points = new Int32Array(2 * this.counts.length);
  }

  /** Something at a pixel. */
  add(x: number, y: number, weight = 1): void {
    const at = Math.floor(y / this.tile) * this.across + Math.floor(x / this.tile);
    const { boxes } = this;
    if (this.counts[at] === 0) {
      boxes.set([x, y, x, y], 4 * at);
      this.points.set([x, y], 2 * at);
    } else {
      if (x < boxes[4 * at]) boxes[4 * at] = x;
      if (y < boxes[4 * at + 1]) boxes[4 * at + 1] = y;
      if (x > boxes[4 * at + 2]) boxes[4 * at + 2] = x;
      if (y > boxes[4 * at + 3]) boxes[4 * at + 3] = y;
    }
    this.counts[at] += weight;
  }

  /** Tiles beside one another as one place each. */
  list(): Place[] {
    const seen = new Uint8Array(this.counts.length);
    const found: { weight: number; box: [number, number, number, number]; tile: number }[] = [];
    for (let first = 0; first < seen.length; first++) {
      if (seen[first] || this.counts[first] === 0) continue;
      let weight = 0;
      let fullest = first;
      const box: [number, number, number, number] = [Infinity, Infinity, -Infinity, -Infinity];
      const open = [first];
      seen[first] = 1;
      for (let at = open.pop(); at !== undefined; at = open.pop()) {
        weight += this.counts[at];
        if (this.counts[at] > this.counts[fullest]) fullest = at;
        box[0] = Math.min(box[0], this.boxes[4 * at]);
        box[1] = Math.min(box[1], this.boxes[4 * at + 1]);
        box[2] = Math.max(box[2], this.boxes[4 * at + 2]);
        box[3] = Math.max(box[3], this.boxes[4 * at + 3]);
        const [x, y] = [at % this.across, Math.floor(at / this.across)];
        for (const [nx, ny] of [
          [x - 1, y],
          [x + 1, y],
          [x, y - 1],
          [x, y + 1],
        ]) {
          if (nx < 0 || ny < 0 || nx >= this.across || ny >= this.down) continue;
          const next = ny * this.across + nx;
          if (seen[next] || this.counts[next] === 0) continue;
          seen[next] = 1;
          open.push(next);
        }
      }
      found.push({ weight, box, tile: fullest });
    }
    const mm = MM_PER_INCH / this.grid.resolution;
    return found
      .sort((a, b) => b.weight - a.weight)
      .slice(0, MOST)
      .map(({ box: [x0, y0, x1, y1], tile }) => ({
        x: x0 * mm - this.grid.bleed,
        y: y0 * mm - this.grid.bleed,
        width: (x1 - x0 + 1) * mm,
        height: (y1 - y0 + 1) * mm,
        at: {
          x: (this.points[2 * tile] + 0.5) * mm - this.grid.bleed,
          y: (this.points[2 * tile + 1] + 0.5) * mm - this.grid.bleed,
        },
      }));
  }
}
