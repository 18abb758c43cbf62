import { addressOf, uploadOnce, kernels, pixelsAt, ROWS } from '../kernel/memory.ts';
import { cache } from '../base/cache.ts';
import type { Plane } from './plane.ts';
import type { Region } from './region.ts';
import type { Rows } from './rows.ts';

/**
 * Where output pixels lie on a source: output pixel centre i + ½ reads source position
 * `origin + (i + ½) · step` measured in source pixels from the source's left (or top) edge. A mirrored one has a
 * negative step.
 */
export interface AxisMap {
  readonly origin: number;
  readonly step: number;
}

const WEIGHT_BITS = 14;
const WEIGHT_ONE = 1 << WEIGHT_BITS;

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

/** Columns of the source that output columns read, and their taps in the form the kernels take. */
interface Columns {
  readonly start: number;
  readonly count: number;
  /**
   * Byte offsets of the pairs of source pixels, in a row that begins with its first pixel twice, and then the pairs' weights (low and
   * high 16 bits). Where any eight pairs lie close together there is one offset for the eight, followed by 32 bytes that pick them out
   * from there on; else one for each.
   */
  readonly taps: Int32Array;
  readonly near: boolean;
}

/** Bytes that are read at once. */
const READ = 16;

/** Bands of one film read the same columns over and over. */
const recentColumns = cache<Columns>('resampling columns');

function columnsOf(map: AxisMap, start: number, count: number, limit: number): Columns {
  return recentColumns(`${map.origin} ${map.step} ${start} ${count} ${limit}`, () => {
    const ends = [tap(map, start, limit), tap(map, start + count - 1, limit)];
    const low = Math.min(ends[0].first, ends[1].first);
    const high = Math.max(ends[0].second, ends[1].second);
    const padded = (count + 7) & ~7;
    const offsets = new Int32Array(padded);
    const weights = new Int32Array(padded);
    for (let i = 0; i < count; i++) {
      const { first, second, weight } = tap(map, start + i, limit);
      // Before the first pixel both taps are that pixel, which is the pair at the row's very beginning.
      offsets[i] = second === first && first === 0 ? 0 : 2 * (first - low + 1);
      weights[i] = (weight << 16) | (WEIGHT_ONE - weight);
    }
    offsets.fill(offsets[count - 1], count);
    const near = nearTaps(offsets, weights);
    const columns = { start: low, count: high - low + 1 };
    return near
      ? { ...columns, taps: near, near: true }
      : { ...columns, taps: Int32Array.from([...offsets, ...weights]), near: false };
  });
}

/** Outputs that read taps from one place. */
const NEAR = 8;

/** Taps of which any eight lie close together, as the kernel for those takes them; undefined when they do not. */
function nearTaps(offsets: Int32Array, weights: Int32Array): Int32Array | undefined {
  const groups = offsets.length / NEAR;
  const taps = new Int32Array(groups + 2 * offsets.length);
  const masks = new Uint8Array(taps.buffer, 4 * groups, 4 * offsets.length);
  for (let group = 0; group < groups; group++) {
    const near = offsets.subarray(NEAR * group, NEAR * (group + 1));
    const base = Math.min(...near);
    if (Math.max(...near) - base > READ - 4) return undefined;
    taps[group] = base;
    near.forEach((offset, k) => {
      for (let byte = 0; byte < 4; byte++) masks[4 * (NEAR * group + k) + byte] = offset - base + byte;
    });
  }
  taps.set(weights, groups + offsets.length);
  return taps;
}

/**
 * Rows of the output that lie between the same two of the source: the first of them, those two stretched to the output's width and
 * moved by −2¹⁵, and the weights (0–2¹⁴) of the lower.
 */
type Visit = (y: number, upper: number, lower: number, weights: readonly number[]) => void;

/** Rows of a source stretched to the width of a region of the output, for its rows from the top down. */
export function stretchRows(source: Rows, mapX: AxisMap, mapY: AxisMap, region: Region, visit: Visit): void {
  const { width } = region;
  const columns = columnsOf(mapX, region.x, width, source.width);
  // All rows are had before the kernels' memory is written to: making them may need it too.
  const ends = [tap(mapY, region.y, source.height), tap(mapY, region.y + region.height - 1, source.height)];
  const firstRow = Math.min(ends[0].first, ends[1].first);
  const lastRow = Math.max(ends[0].second, ends[1].second);
  const sourceRows = Array.from({ length: lastRow - firstRow + 1 }, (_, i) => source.row(firstRow + i));
  const row = pixelsAt(ROWS.source, columns.count + 2);
  const padded = (width + 7) & ~7;
  const stretch = (y: number, to: number): void => {
    // The first and the last pixel stand twice, so that every tap has a neighbour on its right.
    const pixels = sourceRows[y - firstRow];
    row.set(
      columns.count === pixels.length
        ? pixels
        : pixels.subarray(columns.start, columns.start + columns.count),
      1,
    );
    row[0] = row[1];
    row[columns.count + 1] = row[columns.count];
    const taps = uploadOnce(columns.taps);
    if (columns.near) {
      const masks = taps + (4 / NEAR) * padded;
      kernels.stretchNear(ROWS.source, taps, masks, masks + 4 * padded, to, width);
    } else kernels.stretchRow(ROWS.source, taps, taps + 4 * padded, to, width);
  };
  // Source rows already stretched to the output's width; two are enough, since rows come in order.
  let upper = ROWS.upper;
  let lower = ROWS.lower;
  let upperRow = -1;
  let lowerRow = -1;
  for (let y = 0; y < region.height;) {
    const { first, second, weight } = tap(mapY, region.y + y, source.height);
    if (first !== upperRow && (first === lowerRow || second === upperRow)) {
      [upper, lower] = [lower, upper];
      [upperRow, lowerRow] = [lowerRow, upperRow];
    }
    if (first !== upperRow) stretch((upperRow = first), upper);
    if (second !== lowerRow) stretch((lowerRow = second), lower);
    const weights = [weight];
    for (let next; y + weights.length < region.height; weights.push(next.weight)) {
      next = tap(mapY, region.y + y + weights.length, source.height);
      if (next.first !== first || next.second !== second) break;
    }
    visit(y, upper, lower, weights);
    y += weights.length;
  }
}

/**
 * Bilinear resampling of rows into part of a plane. Beyond the source's edge its outermost pixels repeat. Weights have
 * 14 bits and come from absolute positions, so any part equals that part of the whole.
 *
 * @param region output rectangle in absolute output coordinates
 * @param out    written at `outX`, `outY`, in its own coordinates
 */
export function resampleInto(
  source: Rows,
  mapX: AxisMap,
  mapY: AxisMap,
  region: Region,
  out: Plane,
  outX: number,
  outY: number,
): void {
  const { width } = region;
  const plane = addressOf(out.data);
  const mixed = pixelsAt(ROWS.out, width);
  // Whole groups of eight may be written straight where they belong; a rest goes there by way of a row of its own.
  const straight = plane === undefined ? 0 : width & ~7;
  const skip = 2 * straight;
  stretchRows(source, mapX, mapY, region, (y, upper, lower, weights) =>
    weights.forEach((weight, i) => {
      const at = (outY + y + i) * out.width + outX;
      if (plane !== undefined && straight > 0)
        kernels.mixRows(upper, lower, weight, plane + 2 * at, straight);
      if (straight === width) return;
      kernels.mixRows(upper + skip, lower + skip, weight, ROWS.out + skip, width - straight);
      out.data.set(mixed.subarray(straight), at + straight);
    }),
  );
}
