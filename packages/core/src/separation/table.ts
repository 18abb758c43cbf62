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
 * @param out one array of coverages for each ink, filled from `at` on
 */
export function separateRow(
  { size, inks, data }: SeparationTable,
  red: Uint16Array,
  green: Uint16Array,
  blue: Uint16Array,
  out: readonly Uint16Array[],
  at: number,
): void {
  const scale = (size - 1) / SOLID;
  const last = size - 2;
  const [nr, ng, nb] = [size * size * inks, size * inks, inks];
  for (let i = 0; i < red.length; i++) {
    const fr = red[i] * scale;
    const fg = green[i] * scale;
    const fb = blue[i] * scale;
    const r = fr > last ? last : fr | 0;
    const g = fg > last ? last : fg | 0;
    const b = fb > last ? last : fb | 0;
    const x = fr - r;
    const y = fg - g;
    const z = fb - b;
    const low = r * nr + g * ng + b * nb;
    const high = low + nr + ng + nb;
    let first: number;
    let second: number;
    let most: number;
    let middle: number;
    let least: number;
    if (x >= y) {
      if (y >= z) {
        first = nr;
        second = nr + ng;
        most = x;
        middle = y;
        least = z;
      } else if (x >= z) {
        first = nr;
        second = nr + nb;
        most = x;
        middle = z;
        least = y;
      } else {
        first = nb;
        second = nr + nb;
        most = z;
        middle = x;
        least = y;
      }
    } else if (x >= z) {
      first = ng;
      second = nr + ng;
      most = y;
      middle = x;
      least = z;
    } else if (y >= z) {
      first = ng;
      second = ng + nb;
      most = y;
      middle = z;
      least = x;
    } else {
      first = nb;
      second = ng + nb;
      most = z;
      middle = y;
      least = x;
    }
    const wl = 1 - most;
    const wf = most - middle;
    const ws = middle - least;
    for (let k = 0; k < inks; k++) {
      // Rounded down, so that no sum of inks grows.
      out[k][at + i] =
        data[low + k] * wl +
        data[low + first + k] * wf +
        data[low + second + k] * ws +
        data[high + k] * least;
    }
  }
}

/** A grid of amounts (0–1) as a table; rounded down, so that no sum of inks grows. */
export const tableOf = ({ size, each, data }: Grid): SeparationTable => ({
  size,
  inks: each,
  data: Uint16Array.from(data, (one) => Math.floor(Math.min(1, Math.max(0, one)) * SOLID)),
});
