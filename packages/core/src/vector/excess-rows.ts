import type { Scene } from '../recipe/scene.ts';
import { bands, type Region } from '../raster/region.ts';
import type { Frame } from '../raster/frame.ts';
import { cutRows, rowsOf } from '../raster/rows.ts';
import type { Plane } from '../raster/plane.ts';
import type { Excess } from '../screen/kinds/kind.ts';
import type { Area } from '../path/area.ts';
import { edgeDistance } from './edge-distance.ts';
import type { LevelField } from './level-path.ts';
import { bitsIn, tonesOf, tonesWithin } from './tone-field.ts';
import type { Units } from './units.ts';

/** Pixels whose tones are had at once. */
const TONE_PIXELS = 1 << 21;
/** Coverage that a pixel's depth counts as: about what tones need more of, a pixel farther from the middle of a dot. */
const STEEP = 6000;
/** Turns of looking for a crossing. */
const TURNS = 3;

/** Coverage over its threshold, asked for by corners of the pixels of a grid. */
interface Asked {
  readonly scene: Scene;
  readonly plate: number;
  /** The part of the sheet that is drawn; all of it where undefined. */
  readonly face: Area | undefined;
  readonly units: Units;
  readonly grid: Frame;
  /** Pixels around a band whose tones decide in it. */
  readonly margin: number;
  readonly over: (coverage: Plane, region: Region) => Excess;
}

/** What a band of rows is found from. Two rows above a band are still looked at from it. */
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
  private readonly buffers: readonly Float32Array[];
  private band: Band;

  constructor(private readonly asked: Asked) {
    const { grid, margin } = asked;
    this.width = grid.width + 1;
    this.height = grid.height + 1;
    const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
    this.parts = [...bands(whole, TONE_PIXELS, Math.max(16, 3 * margin))];
    this.buffers = [new Float32Array(this.width), new Float32Array(this.width)];
    this.band = this.bandOf(this.parts[0]);
  }

  row(y: number): Float32Array {
    this.enter(y);
    const out = this.buffers[y & 1];
    const { excess } = this.band;
    for (let x = 0; x < out.length; x++) {
      const depth = this.depthAt(x, y);
      out[x] = depth > -STEEP ? Math.min(depth, excess(x, y, this.toneAt(x, y))) : depth;
    }
    return out;
  }

  crossing(x: number, y: number, below: boolean, from: number, to: number): number {
    const [toX, toY] = below ? [x, y + 1] : [x + 1, y];
    const [a, b] = [this.toneAt(x, y), this.toneAt(toX, toY)];
    const [deep, deeper] = [this.depthAt(x, y), this.depthAt(toX, toY)];
    const { excess, depths } = this.band;
    let [low, high, atLow, atHigh] = [0, 1, from, to];
    let at = 0.5;
    for (let turn = 0; turn < TURNS; turn++) {
      // Where the line between the two ends passes 0, kept off them, so that every turn gains something.
      at = Math.min(
        high - (high - low) * 0.1,
        Math.max(low + (high - low) * 0.1, low + ((high - low) * atLow) / (atLow - atHigh)),
      );
      const over = excess(below ? x : x + at, below ? y + at : y, a + (b - a) * at);
      const value = depths ? Math.min(over, deep + (deeper - deep) * at) : over;
      if (value > 0 === from > 0) [low, atLow] = [at, value];
      else [high, atHigh] = [at, value];
    }
    return low + (high - low) * (atLow === atHigh ? 0.5 : Math.min(1, Math.max(0, atLow / (atLow - atHigh))));
  }

  /** Goes on to the band of a row of corners; the last row of them belongs to the last row of pixels. */
  private enter(y: number): void {
    const row = Math.min(this.asked.grid.height - 1, y);
    const { part } = this.band;
    if (row < part.y + part.height) return;
    const next = this.parts.find((one) => row < one.y + one.height);
    if (next) this.band = this.bandOf(next);
  }

  private bandOf(part: Region): Band {
    const { scene, plate, face, units, grid, margin, over } = this.asked;
    const reach = margin + 2;
    const around = {
      x: -margin,
      y: part.y - reach,
      width: grid.width + 2 * margin,
      height: part.height + 2 * reach,
    };
    const art = tonesOf(scene, plate, grid, around);
    const own = face ? tonesWithin(art, bitsIn(face, units, grid, around)) : art;
    const region = { x: 0, y: part.y - 2, width: grid.width, height: part.height + 4 };
    return {
      part,
      top: region.y,
      tones:
        margin === 0
          ? own
          : cutRows(rowsOf(own), { x: margin, y: margin, width: grid.width, height: region.height }),
      excess: over(own, region),
      depths: face && edgeDistance(face, units, grid, { ...region, width: grid.width + 1 }),
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
