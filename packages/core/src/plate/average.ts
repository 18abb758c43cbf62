import { POPCOUNT, type Bits } from '../raster/bits.ts';

/**
 * Column boundaries on a row of bits: where each begins, as a byte, the bits of that byte before it, and the share of
 * the pixel it cuts through.
 */
interface Boundaries {
  readonly byte: Int32Array;
  readonly before: Uint8Array;
  readonly cut: Uint8Array;
  readonly share: Float64Array;
}

/** Boundaries of `columns` equal columns that start at `start` pixels and are `step` pixels wide. */
function boundariesOf(start: number, step: number, columns: number, width: number): Boundaries {
  const count = columns + 1;
  const byte = new Int32Array(count);
  const before = new Uint8Array(count);
  const cut = new Uint8Array(count);
  const share = new Float64Array(count);
  for (let i = 0; i < count; i++) {
    const at = Math.min(width, Math.max(0, start + i * step));
    const pixel = Math.floor(at);
    byte[i] = pixel >> 3;
    before[i] = 0xff00 >> (pixel & 7);
    cut[i] = 0x80 >> (pixel & 7);
    share[i] = at - pixel;
  }
  return { byte, before, cut, share };
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
  const edges = boundariesOf(start.x, box.width, columns, width);
  const rowSums = new Float64Array(columns);
  return {
    area,
    add(bits, y) {
      for (let r = 0; r < bits.height; r++) {
        const top = (y + r - start.y) / box.height;
        const bottom = (y + r + 1 - start.y) / box.height;
        const first = Math.max(0, Math.floor(top));
        const last = Math.min(rows - 1, Math.ceil(bottom) - 1);
        if (first > last) continue;
        sumRow(bits, r, edges, rowSums);
        for (let row = first; row <= last; row++) {
          const share = Math.min(bottom, row + 1) - Math.max(top, row);
          const weight = share * box.height;
          const base = row * columns;
          for (let i = 0; i < columns; i++) area[base + i] += rowSums[i] * weight;
        }
      }
    },
  };
}

function sumRow(bits: Bits, row: number, edges: Boundaries, out: Float64Array): void {
  const { data, stride } = bits;
  const { byte, before, cut, share } = edges;
  const base = row * stride;
  let whole = 0;
  let at = byte[0];
  let previous = 0;
  for (let i = 0; i <= out.length; i++) {
    for (const end = byte[i]; at < end; at++) whole += POPCOUNT[data[base + at]];
    let total = whole;
    if (at < stride) {
      const value = data[base + at];
      total += POPCOUNT[value & before[i]];
      if (value & cut[i]) total += share[i];
    }
    if (i > 0) out[i - 1] = total - previous;
    previous = total;
  }
}
