import { recentOnly } from '../recent.ts';
import type { Plane } from './plane.ts';

/**
 * Where output pixels lie on a source: output pixel centre i + ½ reads source position
 * `origin + (i + ½) · step` measured in source pixels from the source's left (or top) edge.
 */
export interface AxisMap {
  readonly origin: number;
  readonly step: number;
}

/** Lowest source index an output index reads. */
export const firstTap = (map: AxisMap, index: number): number =>
  Math.floor(map.origin + (index + 0.5) * map.step - 0.5);

const WEIGHT_BITS = 14;
const WEIGHT_ONE = 1 << WEIGHT_BITS;

interface Taps {
  readonly first: Int32Array;
  readonly second: Int32Array;
  readonly weight: Int32Array;
}

/** Bands of one film read the same columns over and over. */
const recent = recentOnly<Taps>(16);

/** The two taps and the weight (0–2¹⁴) of the second, for each output index from `start`, kept in [0, limit). */
function recentTaps(map: AxisMap, start: number, count: number, limit: number, offset: number): Taps {
  const key = `${map.origin} ${map.step} ${start} ${count} ${limit} ${offset}`;
  return recent(key, () => taps(map, start, count, limit, offset));
}

function taps(map: AxisMap, start: number, count: number, limit: number, offset: number): Taps {
  const first = new Int32Array(count);
  const second = new Int32Array(count);
  const weight = new Int32Array(count);
  for (let i = 0; i < count; i++) {
    const position = map.origin + (start + i + 0.5) * map.step - 0.5;
    const low = Math.floor(position);
    weight[i] = Math.floor((position - low) * WEIGHT_ONE);
    first[i] = Math.min(limit - 1, Math.max(0, low)) - offset;
    second[i] = Math.min(limit - 1, Math.max(0, low + 1)) - offset;
  }
  return { first, second, weight };
}

/** Which part of the whole source a plane holds, and the size of the whole. */
export interface SourceWindow {
  readonly x: number;
  readonly y: number;
  readonly fullWidth: number;
  readonly fullHeight: number;
}

/**
 * Bilinear resampling of a 16-bit plane into part of another. Beyond the source's edge its outermost pixels
 * repeat. Weights have 14 bits and come from absolute positions, so any part equals that part of the whole.
 *
 * @param source samples of the window `window` of the whole source
 * @param region output rectangle in absolute output coordinates
 * @param out    written at `outX`, `outY`, in its own coordinates
 */
export function resampleInto(
  source: Plane,
  window: SourceWindow,
  mapX: AxisMap,
  mapY: AxisMap,
  region: { x: number; y: number; width: number; height: number },
  out: Plane,
  outX: number,
  outY: number,
): void {
  const columns = recentTaps(mapX, region.x, region.width, window.fullWidth, window.x);
  const rows = taps(mapY, region.y, region.height, window.fullHeight, window.y);
  const width = region.width;
  // Source rows already stretched to the output's width; two are enough, since rows come in order.
  let upper = new Uint16Array(width);
  let lower = new Uint16Array(width);
  let upperRow = -1;
  let lowerRow = -1;
  for (let y = 0; y < region.height; y++) {
    const wantUpper = rows.first[y];
    const wantLower = rows.second[y];
    if (wantUpper === lowerRow && wantUpper !== upperRow) {
      [upper, lower] = [lower, upper];
      [upperRow, lowerRow] = [lowerRow, upperRow];
    }
    if (wantUpper !== upperRow) {
      stretchRow(source, wantUpper, columns, upper);
      upperRow = wantUpper;
    }
    if (wantLower !== lowerRow) {
      stretchRow(source, wantLower, columns, lower);
      lowerRow = wantLower;
    }
    const at = (outY + y) * out.width + outX;
    mixRows(upper, lower, rows.weight[y], out.data.subarray(at, at + width));
  }
}

function stretchRow(source: Plane, row: number, columns: Taps, out: Uint16Array): void {
  const { first, second, weight } = columns;
  const data = source.data.subarray(row * source.width, (row + 1) * source.width);
  const count = Math.min(out.length, first.length, second.length, weight.length);
  for (let x = 0; x < count; x++) {
    const a = data[first[x]];
    out[x] = a + (((data[second[x]] - a) * weight[x]) >> WEIGHT_BITS);
  }
}

/** upper + (lower − upper) · weight, four at a time: every pixel of a film passes here. */
function mixRows(upper: Uint16Array, lower: Uint16Array, weight: number, out: Uint16Array): void {
  if (weight === 0) {
    out.set(upper);
    return;
  }
  const count = Math.min(upper.length, lower.length, out.length);
  let x = 0;
  for (const end = count - 3; x < end; x += 4) {
    const a = upper[x];
    out[x] = a + (((lower[x] - a) * weight) >> WEIGHT_BITS);
    const b = upper[x + 1];
    out[x + 1] = b + (((lower[x + 1] - b) * weight) >> WEIGHT_BITS);
    const c = upper[x + 2];
    out[x + 2] = c + (((lower[x + 2] - c) * weight) >> WEIGHT_BITS);
    const d = upper[x + 3];
    out[x + 3] = d + (((lower[x + 3] - d) * weight) >> WEIGHT_BITS);
  }
  for (; x < count; x++) out[x] = upper[x] + (((lower[x] - upper[x]) * weight) >> WEIGHT_BITS);
}
