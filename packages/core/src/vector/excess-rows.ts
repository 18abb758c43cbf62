import { present } from '../base/present.ts';
import type { Scene } from '../recipe/scene.ts';
import { bands, type Region } from '../raster/region.ts';
import type { Frame } from '../raster/frame.ts';
import { cutRows, rowsOf } from '../raster/rows.ts';
import type { Plane } from '../raster/plane.ts';
import type { Excess } from '../screen/kinds/kind.ts';
import type { Area } from '../path/area.ts';
import { edgeDistance } from './edge-distance.ts';
import { markInk, type FieldLine, type LevelField } from './level-path.ts';
import { zeroBetween } from './zero-between.ts';
import { bitsIn, goOnBeyond, tonesOf } from './tone-field.ts';

/** Pixels whose tones are had at once. */
const TONE_PIXELS = 1 << 21;
/** Coverage that a pixel's depth counts as: about what tones need more of, a pixel farther from the middle of a dot. */
const STEEP = 6000;

/** Coverage over its threshold, asked for by corners of the pixels of a grid. */
interface Asked {
  readonly scene: Scene;
  readonly plate: number;
  /** The part of the sheet that is drawn, in pixels of the grid; all of it where undefined. */
  readonly face: Area | undefined;
  readonly grid: Frame;
  /** Pixels around a band whose tones decide in it. */
  readonly margin: number;
  readonly over: (coverage: Plane, region: Region) => Excess;
}

/** Rows above a band that are still looked at from it. */
const ABOVE = 2;

/** What a band of rows is found from. */
interface Band {
  readonly part: Region;
  /** Row of the grid that `tones` and `depths` begin with. */
  readonly top: number;
  readonly tones: Plane;
  readonly excess: Excess;
  readonly depths: Float32Array | undefined;
}

/** How far coverage at the corners of pixels is above its threshold, row by row, and where between two of them it is just that. */
export class ExcessRows implements LevelField {
  readonly edge = 0;
  readonly width: number;
  readonly height: number;
  private readonly parts: readonly Region[];
  private band: Band;

  /** @param first row that is asked for first */
  constructor(
    private readonly asked: Asked,
    first = 0,
  ) {
    const { grid, margin } = asked;
    this.width = grid.width + 1;
    this.height = grid.height + 1;
    const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
    this.parts = [...bands(whole, TONE_PIXELS, Math.max(16, 3 * margin))];
    this.band = this.bandOf(this.partAt(first));
  }

  row(y: number, line: FieldLine): void {
    this.enter(y);
    const out = line.values;
    const { excess, depths, top, tones } = this.band;
    const { width, height } = this.asked.grid;
    const above = (Math.max(0, y - 1) - top) * width;
    const below = (Math.min(height - 1, y) - top) * width;
    const { data } = tones;
    const at = (y - top) * this.width;
    // As `toneAt` and `depthAt` have them, each column of pixels read once.
    let left = data[above] + data[below];
    for (let x = 0; x < out.length; x++) {
      const right = x < width ? data[above + x] + data[below + x] : left;
      const depth = depths ? depths[at + x] * STEEP : Infinity;
      out[x] = depth > -STEEP ? Math.min(depth, excess(x, y, (left + right) / 4)) : depth;
      left = right;
    }
    markInk(line);
  }

  crossing(x: number, y: number, below: boolean, from: number, to: number): number {
    const [toX, toY] = below ? [x, y + 1] : [x + 1, y];
    const [a, b] = [this.toneAt(x, y), this.toneAt(toX, toY)];
    const [deep, deeper] = [this.depthAt(x, y), this.depthAt(toX, toY)];
    const { excess, depths } = this.band;
    return zeroBetween(
      (at) => {
        const over = excess(below ? x : x + at, below ? y + at : y, a + (b - a) * at);
        return depths ? Math.min(over, deep + (deeper - deep) * at) : over;
      },
      from,
      to,
    );
  }

  /** Goes to the band of a row of corners; the last row of them belongs to the last row of pixels. */
  private enter(y: number): void {
    const row = Math.min(this.asked.grid.height - 1, y);
    const { part } = this.band;
    if (row >= part.y - ABOVE && row < part.y + part.height) return;
    this.band = this.bandOf(this.partAt(row));
  }

  private partAt(row: number): Region {
    return present(
      this.parts.find(({ y, height }) => row < y + height),
      'band of a row',
    );
  }

  private bandOf(part: Region): Band {
    const { scene, plate, face, grid, margin, over } = this.asked;
    const reach = margin + ABOVE;
    const around = {
      x: -margin,
      y: part.y - reach,
      width: grid.width + 2 * margin,
      height: part.height + 2 * reach,
    };
    const art = tonesOf(scene, plate, grid, around);
    if (face) goOnBeyond(art, bitsIn(face, around));
    const region = { x: 0, y: part.y - ABOVE, width: grid.width, height: part.height + 2 * ABOVE };
    return {
      part,
      top: region.y,
      tones:
        margin === 0
          ? art
          : cutRows(rowsOf(art), { x: margin, y: margin, width: grid.width, height: region.height }),
      excess: over(art, region),
      depths: face && edgeDistance(face, { ...region, width: grid.width + 1 }),
    };
  }

  /** How deep inside its part of the sheet a corner lies, as steep as dots are. */
  private depthAt(x: number, y: number): number {
    const { depths, top } = this.band;
    return depths ? depths[(y - top) * this.width + x] * STEEP : Infinity;
  }

  /** The mean of the pixels that meet at a corner. */
  private toneAt(x: number, y: number): number {
    const { width, height } = this.asked.grid;
    const { tones, top } = this.band;
    const left = Math.max(0, x - 1);
    const right = Math.min(width - 1, x);
    const above = (Math.max(0, y - 1) - top) * width;
    const below = (Math.min(height - 1, y) - top) * width;
    const { data } = tones;
    return (data[above + left] + data[above + right] + data[below + left] + data[below + right]) / 4;
  }
}
