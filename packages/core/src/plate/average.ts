import { bytesAt, COUNTED_ROWS, DIGITS, kernels, realsAt, SUMS, wholesAt } from '../kernel/memory.ts';
import type { Bits } from '../raster/bits.ts';

/** Puts the boundaries of `columns` equal columns, from `start` pixels on and `step` pixels wide, before the kernel. */
function setBoundaries(start: number, step: number, columns: number, width: number): void {
  const edges = wholesAt(SUMS.edges, columns + 1);
  const shares = realsAt(SUMS.shares, columns + 1);
  for (let i = 0; i <= columns; i++) {
    const at = Math.min(width, Math.max(0, start + i * step));
    edges[i] = Math.floor(at);
    shares[i] = at - edges[i];
  }
}

/** Adds up inked area over equal boxes of device pixels, from bands of rows given top to bottom; see `areaSums`. */
export interface AreaSum {
  /** Inked area of box (column, row) in pixels, at row · columns + column. */
  readonly area: Float64Array;
  /** Adds rows that start at row `y` of the whole. */
  add(bits: Bits, y: number): void;
}

/** The same for one plate. */
export function areaSum(...given: [...Parameters<typeof boxesOf>]): AreaSum {
  const sums = areaSums(boxesOf(...given), 1);
  return { area: sums.areas[1]!, add: (bits, y) => sums.add([bits], y) };
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
  /** By set, a bit for each plate: at row · columns + column the area in pixels. Nothing for the empty set. */
  readonly areas: readonly (Float64Array | undefined)[];
  /** Adds rows of each plate that start at row `y` of the whole. */
  add(bits: readonly Bits[], y: number): void;
}

/** @param plates at most `COUNTED_PLATES` */
export function areaSums({ box, start, columns, rows, width }: Boxes, plates: number): AreaSums {
  const sets = (1 << plates) - 1;
  const areas = Array.from({ length: sets + 1 }, (_, set) =>
    set === 0 ? undefined : new Float64Array(columns * rows),
  );
  return {
    areas,
    add(bits, y) {
      setBoundaries(start.x, box.width, columns, width);
      const { stride, height } = bits[0];
      // Rows and digits lie close, so that they stay near the processor.
      const apart = (stride + 31) & ~15;
      const lines = bits.map((_, k) => bytesAt(SUMS.row + k * apart, apart));
      const digitAt = (set: number, k: number) => SUMS.digits + (DIGITS * (set - 1) + k) * apart;
      const sums = realsAt(SUMS.out, columns * sets);
      const digits = bytesAt(SUMS.digits, sets * DIGITS * apart);
      const clear = () => digits.fill(0);
      for (const line of lines) line.fill(0, stride);
      sums.fill(0);
      clear();
      // Rows that lie in one row of boxes are counted column by column first; sums gather until the last of them is past.
      let [open, counted] = [-1, 0];
      const addCounted = (weight: number) => {
        for (let set = 1; set <= sets; set++) {
          const out = SUMS.out + 8 * columns * (set - 1);
          for (let k = 0; counted >> k > 0; k++) {
            kernels.addRow(digitAt(set, k), SUMS.edges, SUMS.shares, columns, weight * 2 ** k, out);
          }
        }
      };
      const empty = () => {
        if (counted === 0) return;
        addCounted(1);
        clear();
        counted = 0;
      };
      const finish = () => {
        empty();
        if (open < 0) return;
        const base = open * columns;
        for (let set = 1, at = 0; set <= sets; set++) {
          const area = areas[set]!;
          for (let i = 0; i < columns; i++) area[base + i] += sums[at++];
        }
        sums.fill(0);
      };
      const count = () => {
        kernels.countSets(SUMS.row, apart, plates, SUMS.digits, apart, stride);
        counted++;
      };
      for (let r = 0; r < height; r++) {
        const top = (y + r - start.y) / box.height;
        const bottom = (y + r + 1 - start.y) / box.height;
        const first = Math.max(0, Math.floor(top));
        const last = Math.min(rows - 1, Math.ceil(bottom) - 1);
        if (first > last) continue;
        bits.forEach(({ data }, k) => lines[k].set(data.subarray(r * stride, (r + 1) * stride)));
        if (first === last && top >= first && bottom <= first + 1) {
          if (first !== open) finish();
          open = first;
          count();
          if (counted === COUNTED_ROWS) empty();
          continue;
        }
        // A row that boxes share, or that lies across an edge, counts by its share in each.
        for (let j = first; j <= last; j++) {
          if (j !== open) finish();
          else empty();
          open = j;
          count();
          addCounted((Math.min(bottom, j + 1) - Math.max(top, j)) * box.height);
          clear();
          counted = 0;
        }
      }
      finish();
    },
  };
}
