import {
  addressOf,
  bytesAt,
  FILTER,
  uploadOnce,
  kernels,
  pixelsAt,
  ROWS,
  SEPARATED,
} from '../kernel/memory.ts';
import { SOLID } from '../raster/plane.ts';
import type { Grid } from './grid.ts';

/**
 * Amounts of inks for colours on a grid: `size` values each of red, green and blue **coverage** (0 for full light, 65535
 * for none of it). Amounts of node (r, g, b), 65535 for solid, stand from ((r · size + g) · size + b) · inks on.
 */
export interface SeparationTable {
  readonly size: number;
  readonly inks: number;
  readonly data: Uint16Array;
}

/**
 * Amounts for many pixels, interpolated tetrahedrally: each lies within the four nodes of the table around it that the
 * order of its channels picks, so that greys are made of greys alone.
 *
 * Source: K. Kanamori and H. Kotera, "Color Correction Technique for Hard Copies by 4-Neighbors Interpolation Method",
 * J. Imaging Sci. Technol. 36 (1992).
 *
 * @param out one array of coverages for each ink, as long one as the other and side by side; filled from `at` on
 */
export function separateRow(
  table: SeparationTable,
  red: Uint16Array,
  green: Uint16Array,
  blue: Uint16Array,
  out: readonly Uint16Array[],
  at: number,
): void {
  const count = red.length;
  pixelsAt(ROWS.source, count).set(red);
  pixelsAt(ROWS.upper, count).set(green);
  pixelsAt(ROWS.lower, count).set(blue);
  byFours(table, out, at, count, (nodes, to, stride) =>
    kernels.separateRow(ROWS.source, ROWS.upper, ROWS.lower, nodes, table.size, to, stride, count),
  );
}

/**
 * The same for pixels of bytes, red, green and blue first.
 *
 * @param pixels   `channels` bytes each
 * @param coverage 256 coverages that the bytes are sent through
 */
export function separateBytes(
  table: SeparationTable,
  pixels: Uint8Array,
  channels: number,
  coverage: Uint16Array,
  out: readonly Uint16Array[],
  at: number,
): void {
  const count = pixels.length / channels;
  bytesAt(ROWS.source, pixels.length).set(pixels);
  pixelsAt(FILTER.row, 256).set(coverage);
  byFours(table, out, at, count, (nodes, to, stride) =>
    kernels.separateBytes(ROWS.source, channels, FILTER.row, nodes, table.size, to, stride, count),
  );
}

/** Four inks at a time, as the kernels make them: straight where they belong, if that lies in the kernels' memory and there are four. */
function byFours(
  { size, inks, data }: SeparationTable,
  out: readonly Uint16Array[],
  at: number,
  count: number,
  make: (nodes: number, to: number, stride: number) => void,
): void {
  for (const [i, four] of foursOf({ size, inks, data }).entries()) {
    const nodes = uploadOnce(four);
    const place = inks - 4 * i < 4 ? undefined : addressOf(out[4 * i]);
    if (place !== undefined) {
      make(nodes, place + 2 * at, out[0].byteLength);
      continue;
    }
    make(nodes, SEPARATED.out, SEPARATED.stride);
    for (let k = 0; k < Math.min(4, inks - 4 * i); k++) {
      out[4 * i + k].set(pixelsAt(SEPARATED.out + k * SEPARATED.stride, count), at);
    }
  }
}

const fours = new WeakMap<Uint16Array, Uint16Array[]>();

/** A table as the kernel reads it: four inks at a time, bare where there are fewer. */
function foursOf({ size, inks, data }: SeparationTable): Uint16Array[] {
  let found = fours.get(data);
  if (!found) {
    found = Array.from({ length: Math.ceil(inks / 4) }, (_, i) => {
      const four = new Uint16Array(size ** 3 * 4);
      for (let node = 0; node < size ** 3; node++) {
        for (let k = 0; k < Math.min(4, inks - 4 * i); k++)
          four[4 * node + k] = data[node * inks + 4 * i + k];
      }
      return four;
    });
    fours.set(data, found);
  }
  return found;
}

/** A grid of amounts (0–1) as a table; rounded down, so that no sum of inks grows. */
export const tableOf = ({ size, each, data }: Grid): SeparationTable => ({
  size,
  inks: each,
  data: Uint16Array.from(data, (one) => Math.floor(Math.min(1, Math.max(0, one)) * SOLID)),
});
