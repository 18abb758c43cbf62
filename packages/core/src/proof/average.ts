import { boundaryMasks } from '../kernel/boundaries.ts';
import {
  addressOf,
  bytesAt,
  COUNTED_ROWS,
  DIGITS,
  kernels,
  realsAt,
  SUMS,
  wholesAt,
} from '../kernel/memory.ts';
import type { Bits } from '../raster/bits.ts';
import { addPairs, isPairs } from './pairs.ts';

/** Puts the boundaries of `columns` equal columns, from `start` pixels on and `step` pixels wide, before the kernel. */
function setBoundaries(start: number, step: number, columns: number, width: number): void {
  const edges = wholesAt(SUMS.edges, columns + 1);
  const shares = realsAt(SUMS.shares, columns + 1);
  for (let i = 0; i <= columns; i++) {
    const at = Math.min(width, Math.max(0, start + i * step));
    edges[i] = Math.floor(at);
    shares[i] = at - edges[i];
  }
  boundaryMasks(edges, bytesAt(SUMS.masks, 16 * (columns + 1)));
}

/** Equal boxes of device pixels. */
export interface Boxes {
  /** Size of a box in pixels, at least 1 each way. */
  readonly box: { readonly width: number; readonly height: number };
  /** Left and top of the first box, in pixels of the bits. */
  readonly start: { readonly x: number; readonly y: number };
  readonly columns: number;
  readonly rows: number;
  /** Width of the bits. */
  readonly width: number;
}

export const boxesOf = (
  box: Boxes['box'],
  start: Boxes['start'],
  columns: number,
  rows: number,
  width: number,
): Boxes => ({ box, start, columns, rows, width });

/**
 * Adds up, for every set of plates, the area of equal boxes in which all of the set have ink, from bands of rows given top to bottom. Boxes
 * may begin and end within a pixel; each pixel counts by its exact share.
 */
export interface AreaSums {
  /** By set, a bit for each plate: at row · columns + column the area in pixels. Empty for no plates. */
  readonly areas: readonly Float64Array[];
  /** Adds rows of each plate that start at row `y` of the whole. */
  add(bits: readonly Bits[], y: number): void;
}

/** Binary digits of a count. */
const digitsOf = (count: number): number => 32 - Math.clz32(count);

/** Where the same rows of plates lie in the kernels' memory, and how far apart; rows from elsewhere are copied there. */
function linesOf(bits: readonly Bits[], apart: number): { apart: number; at: (row: number) => number } {
  const { stride } = bits[0];
  const [first, second = 0] = bits.map(({ data }) => addressOf(data) ?? NaN);
  if (bits.every(({ data }, k) => addressOf(data) === first + k * (second - first))) {
    return { apart: second - first, at: (row) => first + row * stride };
  }
  const lines = bits.map((_, k) => bytesAt(SUMS.row + k * apart, stride));
  return {
    apart,
    at(row) {
      bits.forEach(({ data }, k) => lines[k].set(data.subarray(row * stride, (row + 1) * stride)));
      return SUMS.row;
    },
  };
}

/** An area for each box and each set of plates, all nothing yet. */
export const blankAreas = (plates: number, boxes: number): Float64Array[] =>
  Array.from({ length: 1 << plates }, (_, set) => new Float64Array(set === 0 ? 0 : boxes));

/**
 * @param plates at most `COUNTED_PLATES`
 * @param areas  what is added to
 */
export function areaSums(
  boxes: Boxes,
  plates: number,
  areas: readonly Float64Array[] = blankAreas(plates, boxes.columns * boxes.rows),
): AreaSums {
  const { box, start, columns, rows, width } = boxes;
  if (plates === 1 && isPairs(boxes)) {
    return { areas, add: ([bits], y) => addPairs(areas[1], boxes, bits, y - start.y) };
  }
  const sets = (1 << plates) - 1;
  return {
    areas,
    add(bits, y) {
      setBoundaries(start.x, box.width, columns, width);
      const { stride, height } = bits[0];
      // Rows and digits lie close, so that they stay near the processor.
      const apart = (stride + 31) & ~15;
      const lines = linesOf(bits, apart);
      // Sums of the row of boxes that is open, and of the one below.
      let here = realsAt(SUMS.out, columns * sets).fill(0);
      let below = realsAt(SUMS.below, columns * sets).fill(0);
      bytesAt(SUMS.digits, sets * DIGITS * apart).fill(0);
      // Rows that lie in one row of boxes are counted column by column first.
      let [open, counted] = [-1, 0];
      const count = (r: number) => {
        counted++;
        kernels.countSets(lines.at(r), lines.apart, plates, SUMS.digits, apart, digitsOf(counted), stride);
      };
      /** Adds what was counted to the sums by its weight, and counts from nothing again. */
      const empty = (weight: number, rest: number) => {
        const many = digitsOf(counted);
        if (many === 0) return;
        for (let set = 1; set <= sets; set++) {
          const digits = SUMS.digits + DIGITS * (set - 1) * apart;
          const [out, next] = [here, below].map((sums) => sums.byteOffset + 8 * columns * (set - 1));
          const { edges, masks, shares } = SUMS;
          kernels.addCounts(digits, apart, many, edges, masks, shares, columns, weight, out, rest, next);
          bytesAt(digits, many * apart).fill(0);
        }
        counted = 0;
      };
      const close = () => {
        empty(1, 0);
        for (let set = 1, at = 0; set <= sets && open >= 0; set++) {
          const area = areas[set];
          for (let i = open * columns; i < (open + 1) * columns; i++) area[i] += here[at++];
        }
        [here, below] = [below, here.fill(0)];
      };
      for (let r = 0; r < height; r++) {
        const top = (y + r - start.y) / box.height;
        const bottom = (y + r + 1 - start.y) / box.height;
        const first = Math.max(0, Math.floor(top));
        const last = Math.min(rows - 1, Math.ceil(bottom) - 1);
        if (first > last) continue;
        if (first !== open) close();
        open = first;
        if (top >= first && bottom <= first + 1) {
          count(r);
          if (counted === COUNTED_ROWS) empty(1, 0);
          continue;
        }
        // A row that two rows of boxes share, or that lies across an edge, counts by its share in each.
        empty(1, 0);
        count(r);
        const share = (Math.min(bottom, first + 1) - Math.max(top, first)) * box.height;
        empty(share, last > first ? (bottom - last) * box.height : 0);
      }
      close();
      if (open >= 0 && ++open < rows) close();
    },
  };
}
