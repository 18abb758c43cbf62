import { addressOf, keep, kernels, pixelsAt, ROWS } from '../kernel/memory.ts';
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

/**
 * Taps of the columns, as the kernel reads them: for each output index the byte offset of its pair of source pixels, in
 * a row that begins with its first pixel twice, then for each the pair's weights (low and high 16 bits).
 */
const recentColumns = recentOnly<Int32Array>(16);

function columnTaps(map: AxisMap, start: number, count: number, limit: number, offset: number): Int32Array {
  const key = `${map.origin} ${map.step} ${start} ${count} ${limit} ${offset}`;
  return recentColumns(key, () => {
    const padded = (count + 3) & ~3;
    const out = new Int32Array(2 * padded);
    for (let i = 0; i < count; i++) {
      const { first, second, weight } = tap(map, start + i, limit);
      // Beyond the ends both taps are the outermost pixel, which the row's own pairs give with either weight.
      out[i] = 2 * (second === first && first === 0 ? 0 : first - offset + 1);
      out[padded + i] = (weight << 16) | (WEIGHT_ONE - weight);
    }
    return out;
  });
}

/** The two taps and the weight (0–2¹⁴) of the second of an output index, kept in [0, limit). */
function tap(map: AxisMap, index: number, limit: number) {
  const position = map.origin + (index + 0.5) * map.step - 0.5;
  const low = Math.floor(position);
  return {
    first: Math.min(limit - 1, Math.max(0, low)),
    second: Math.min(limit - 1, Math.max(0, low + 1)),
    weight: Math.floor((position - low) * WEIGHT_ONE),
  };
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
  const width = region.width;
  const taps = columnTaps(mapX, region.x, width, window.fullWidth, window.x);
  const offsets = keep(taps);
  const weights = offsets + 2 * taps.length;
  // The first and the last pixel stand twice, so that every tap has a neighbour on its right.
  const row = pixelsAt(ROWS.source, source.width + 2);
  const stretch = (y: number, to: number): void => {
    row.set(source.data.subarray(y * source.width, (y + 1) * source.width), 1);
    row[0] = row[1];
    row[source.width + 1] = row[source.width];
    kernels.stretchRow(ROWS.source, offsets, weights, to, width);
  };
  // Source rows already stretched to the output's width; two are enough, since rows come in order.
  let upper = ROWS.upper;
  let lower = ROWS.lower;
  let upperRow = -1;
  let lowerRow = -1;
  const plane = addressOf(out.data);
  const mixed = pixelsAt(ROWS.out, width);
  for (let y = 0; y < region.height; y++) {
    const { first, second, weight } = tap(mapY, region.y + y, window.fullHeight);
    const wantUpper = first - window.y;
    const wantLower = second - window.y;
    if (wantUpper === lowerRow && wantUpper !== upperRow) {
      [upper, lower] = [lower, upper];
      [upperRow, lowerRow] = [lowerRow, upperRow];
    }
    if (wantUpper !== upperRow) {
      stretch(wantUpper, upper);
      upperRow = wantUpper;
    }
    if (wantLower !== lowerRow) {
      stretch(wantLower, lower);
      lowerRow = wantLower;
    }
    const at = (outY + y) * out.width + outX;
    // Whole groups of eight may be written straight where they belong; a rest goes there by way of a row of its own.
    const straight = plane === undefined ? 0 : width & ~7;
    if (straight > 0) kernels.mixRows(upper, lower, weight, plane! + 2 * at, straight);
    if (straight < width) {
      const skip = 2 * straight;
      kernels.mixRows(upper + skip, lower + skip, weight, ROWS.out + skip, width - straight);
      out.data.set(mixed.subarray(straight), at + straight);
    }
  }
}
