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

/**
 * Adds up inked area over equal boxes of device pixels, from bands of rows given top to bottom. Boxes may begin and end
 * within a pixel; each pixel counts by its exact share.
 */
export interface AreaSum {
  /** Inked area of box (column, row) in pixels, at row · columns + column. */
  readonly area: Float64Array;
  /** Adds rows that start at row `y` of the whole. */
  add(bits: Bits, y: number): void;
}

/**
 * @param box     size of a box in pixels, at least 1 each way
 * @param start   left and top of the first box, in pixels of the bits
 * @param columns boxes across
 * @param rows    boxes down
 */
export function areaSum(
  box: { width: number; height: number },
  start: { x: number; y: number },
  columns: number,
  rows: number,
  width: number,
): AreaSum {
  const area = new Float64Array(columns * rows);
  return {
    area,
    add(bits, y) {
      setBoundaries(start.x, box.width, columns, width);
      const { stride, data } = bits;
      const row = bytesAt(SUMS.row, stride + 16);
      const sums = realsAt(SUMS.out, columns);
      const digits = Array.from({ length: DIGITS }, (_, k) => SUMS.digits + k * SUMS.apart);
      const clear = () => {
        for (const digit of digits) bytesAt(digit, stride + 16).fill(0);
      };
      const sum = (from: number, weight: number) =>
        kernels.addRow(from, SUMS.edges, SUMS.shares, columns, weight, SUMS.out);
      row.fill(0, stride);
      sums.fill(0);
      clear();
      // Rows that lie in one row of boxes are counted column by column first; sums gather until the last of them is past.
      let [open, counted] = [-1, 0];
      const addCounted = () => {
        for (let k = 0; counted >> k > 0; k++) sum(digits[k], 2 ** k);
        if (counted > 0) clear();
        counted = 0;
      };
      const finish = () => {
        addCounted();
        if (open < 0) return;
        const base = open * columns;
        for (let i = 0; i < columns; i++) area[base + i] += sums[i];
        sums.fill(0);
      };
      for (let r = 0; r < bits.height; r++) {
        const top = (y + r - start.y) / box.height;
        const bottom = (y + r + 1 - start.y) / box.height;
        const first = Math.max(0, Math.floor(top));
        const last = Math.min(rows - 1, Math.ceil(bottom) - 1);
        if (first > last) continue;
        row.set(data.subarray(r * stride, (r + 1) * stride));
        const whole = first === last && top >= first && bottom <= first + 1;
        for (let j = first; j <= last; j++) {
          if (j !== open) finish();
          open = j;
          const share = Math.min(bottom, j + 1) - Math.max(top, j);
          if (!whole) sum(SUMS.row, share * box.height);
          else {
            kernels.countRow(SUMS.row, SUMS.digits, SUMS.apart, stride);
            if (++counted === COUNTED_ROWS) addCounted();
          }
        }
      }
      finish();
    },
  };
}
