import {
  addressOf,
  bytesAt,
  uploadOnce,
  kernels,
  LOOKED_UP,
  pixelsAt,
  PLACE_NUMBERS,
  realsAt,
  ROWS,
  SEGMENTS,
  wholesAt,
} from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { cache } from '../base/cache.ts';
import type { Excess } from './kinds/kind.ts';
import { PLACES, type Place, type PlaceKind } from '../kernel/places.ts';
import { placeSegments, SEGMENT } from '../kernel/segments.ts';
import type { Spot } from './spot/spot.ts';
import { orderOf } from './tile.ts';
import { layThresholds } from './thresholds.ts';
import { foldThresholds, smoothly, type Transfer } from './transfer.ts';

/** Points of a cell's table, each way. */
const SIDE = 256;

/** Where pixels fall in a screen's cells, when its lattice bends or its dots are scattered. */
export interface Warp {
  /** Positions are computed every 2^shift pixels of a row and interpolated between; dots along rings begin anew in each ring. */
  readonly shift: number;
  /**
   * Writes u and v in cells (only their fractions count) and an offset to coverage for the middle of the pixel (x, y), which
   * may lie beyond the region asked for.
   */
  readonly place: Place;
  /** The same as a kind and its numbers, for the kernel; missing where places depend on more. */
  readonly numbers?: { readonly kind: PlaceKind; readonly values: readonly number[] };
}

const recentTables = cache<Uint16Array>('cell tables');

/**
 * Thresholds over one cell, equalised: a coverage c inks the share c of it, whatever the shape. Entry v · 256 + u, the
 * dot's centre in the middle.
 *
 * @param key      equal iff the shape is
 * @param transfer folded into them
 */
export const cellTable = (key: string, spot: Spot, transfer: Transfer): Uint16Array =>
  recentTables(`${key} · ${transfer.key}`, () =>
    foldThresholds(
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
      transfer,
    ),
  );

/** Screens coverage through a cell's table along a bent lattice. */
export function screenWarped(coverage: Plane, region: Region, table: Uint16Array, warp: Warp): Bits {
  const { width, height } = region;
  const bits = createBits(width, height);
  const kept = uploadOnce(table);
  const plane = addressOf(coverage.data);
  const step = 1 << warp.shift;
  for (let from = 0; from < width; from += LOOKED_UP) {
    const count = Math.min(LOOKED_UP, width - from);
    const first = Math.floor((region.x + from) / step);
    const skip = region.x + from - first * step;
    const segments = Math.ceil((skip + count) / step);
    const numbers = wholesAt(SEGMENTS, segments * SEGMENT);
    if (warp.numbers) realsAt(PLACE_NUMBERS, warp.numbers.values.length).set(warp.numbers.values);
    const row = pixelsAt(ROWS.upper, count);
    const made = bytesAt(ROWS.out, strideOf(count));
    for (let j = 0; j < height; j++) {
      const y = region.y + j;
      if (warp.numbers) {
        const kind = PLACES[warp.numbers.kind];
        kernels.placeRow(kind, PLACE_NUMBERS, first * step, y, step, segments, SEGMENTS);
      } else placeSegments(warp.place, first * step, y, step, segments, numbers);
      const start = j * coverage.width + from;
      if (plane === undefined) row.set(coverage.data.subarray(start, start + count));
      kernels.lookUpRow(
        plane === undefined ? ROWS.upper : plane + 2 * start,
        kept,
        SEGMENTS,
        skip,
        count,
        ROWS.out,
      );
      bits.data.set(made, j * bits.stride + (from >> 3));
    }
  }
  return bits;
}

/** How far coverage is above the threshold of a bent lattice: the same comparison, at places that need be no pixel's. */
export function excessOver(
  threshold: (u: number, v: number) => number,
  transfer: Transfer,
  place: Place,
): Excess {
  const out = new Float64Array(3);
  const made = smoothly(transfer);
  return (x, y, coverage) => {
    place(x - 0.5, y - 0.5, out);
    const needed = threshold(out[0], out[1]);
    if (coverage <= 0) return -1 - needed;
    return made(coverage + out[2]) - needed;
  };
}

/** Largest shift (0–4) with 2^shift ≤ pixels: places further apart than that are computed, and those between interpolated. */
export const shiftFor = (pixels: number): number =>
  Math.max(0, Math.min(4, Math.floor(Math.log2(Math.max(1, pixels)))));
