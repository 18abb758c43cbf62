import {
  addressOf,
  bytesAt,
  keep,
  kernels,
  LOOKED_UP,
  pixelsAt,
  ROWS,
  SEGMENTS,
  wholesAt,
} from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { recentOnly } from '../recent.ts';
import { limitData, type DotLimits } from './dot-limits.ts';
import type { Spot } from './spot/spot.ts';
import { orderOf } from './tile.ts';
import { layThresholds } from './thresholds.ts';

/** Points of a cell's table, each way. */
const SIDE = 256;
const ONE = 2 ** 32;

/** Where pixels fall in a screen's cells, when its lattice bends. */
export interface Warp {
  /** Places are told every 2 to this power pixels of a row, and run evenly between. */
  readonly shift: number;
  /**
   * Writes u and v in cells (only their fractions count) and an offset to coverage for the middle of the pixel (x, y), which
   * may lie beyond the region asked for.
   */
  readonly place: (x: number, y: number, out: Float64Array) => void;
}

const recentTables = recentOnly<Uint16Array>(12);

/**
 * Thresholds over one cell, equalised: a coverage c inks the share c of it, whatever the shape. Entry v · 256 + u, the
 * dot's centre in the middle.
 *
 * @param key the same only for the same shape
 */
export const cellTable = (key: string, spot: Spot, limits: DotLimits): Uint16Array =>
  recentTables(`${key} ${limits.smallest} ${limits.largest}`, () =>
    limitData(
      recentTables(key, () => {
        const values = new Float64Array(SIDE * SIDE);
        for (let j = 0, i = 0; j < SIDE; j++) {
          for (let k = 0; k < SIDE; k++, i++) {
            values[i] = spot.value((k + 0.5) / SIDE - 0.5, (j + 0.5) / SIDE - 0.5);
          }
        }
        const { data, stride } = layThresholds({ width: SIDE, height: SIDE, shift: 0 }, orderOf(values));
        const out = new Uint16Array(SIDE * SIDE);
        for (let j = 0; j < SIDE; j++) out.set(data.subarray(j * stride, j * stride + SIDE), j * SIDE);
        return out;
      }),
      limits,
    ),
  );

const fixed = (cells: number): number => Math.floor((cells - Math.floor(cells)) * ONE) | 0;

/** Screens coverage through a cell's table along a bent lattice. */
export function screenWarped(coverage: Plane, region: Region, table: Uint16Array, warp: Warp): Bits {
  const { width, height } = region;
  const bits = createBits(width, height);
  const kept = keep(table);
  const plane = addressOf(coverage.data);
  const step = 1 << warp.shift;
  const here = new Float64Array(3);
  const next = new Float64Array(3);
  for (let from = 0; from < width; from += LOOKED_UP) {
    const count = Math.min(LOOKED_UP, width - from);
    const first = Math.floor((region.x + from) / step);
    const skip = region.x + from - first * step;
    const segments = Math.ceil((skip + count) / step);
    const numbers = wholesAt(SEGMENTS, segments * 6);
    const row = pixelsAt(ROWS.upper, count);
    const made = bytesAt(ROWS.out, strideOf(count));
    for (let j = 0; j < height; j++) {
      const y = region.y + j;
      warp.place(first * step, y, here);
      for (let k = 0, at = 0; k < segments; k++, at += 6) {
        warp.place((first + k + 1) * step, y, next);
        numbers[at] = fixed(here[0]);
        numbers[at + 1] = fixed((next[0] - here[0]) / step);
        numbers[at + 2] = fixed(here[1]);
        numbers[at + 3] = fixed((next[1] - here[1]) / step);
        numbers[at + 4] = here[2] * 256;
        numbers[at + 5] = ((next[2] - here[2]) * 256) / step;
        here.set(next);
      }
      const start = j * coverage.width + from;
      if (plane === undefined) row.set(coverage.data.subarray(start, start + count));
      kernels.lookUpRow(
        plane === undefined ? ROWS.upper : plane + 2 * start,
        kept,
        SEGMENTS,
        warp.shift,
        skip,
        count,
        ROWS.out,
      );
      bits.data.set(made, j * bits.stride + (from >> 3));
    }
  }
  return bits;
}

/** The most pixels, as a power of 2, between places that a length in pixels wants told so many times. */
export const shiftFor = (pixels: number): number =>
  Math.max(0, Math.min(4, Math.floor(Math.log2(Math.max(1, pixels)))));
