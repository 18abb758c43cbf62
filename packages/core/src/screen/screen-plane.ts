import { addressOf, bytesAt, canUpload, kernels, pixelsAt, ROWS, uploadOnce } from '../kernel/memory.ts';
import { createBits, strideOf, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import { brickColumn, brickRow } from './brick.ts';
import type { Thresholds } from './thresholds.ts';

/** Thresholds of a film row as the kernel reads them. */
interface Bars {
  /** In the kernels' memory, of the first of a run. */
  readonly address: number;
  /** Length of the run, and of what it repeats. */
  readonly run: number;
  readonly repeat: number;
  /** Column of the run at which the row begins. */
  readonly column: number;
}

/**
 * Screens coverage into bits. The plane's top left pixel stands at (x, y) of the film, which fixes where in the
 * thresholds it falls: any part of a film equals that part of the whole.
 */
export function screenPlane(coverage: Plane, x: number, y: number, thresholds: Thresholds): Bits {
  const { width, height, data } = coverage;
  const bits = createBits(width, height);
  const barsOf = (canUpload(thresholds.data) ? uploadedBars : copiedBars)(thresholds, x, width);
  const plane = addressOf(data);
  const row = pixelsAt(ROWS.upper, width);
  const made = bytesAt(ROWS.out, strideOf(width));
  for (let i = 0; i < height; i++) {
    if (plane === undefined) row.set(data.subarray(i * width, (i + 1) * width));
    const { address, run, repeat, column } = barsOf(y + i);
    const pixels = plane === undefined ? ROWS.upper : plane + 2 * i * width;
    kernels.compareRow(pixels, address, run, repeat, column, width, ROWS.out);
    bits.data.set(made, i * bits.stride);
  }
  return bits;
}

/** From all thresholds in the kernels' memory. */
function uploadedBars({ brick, run, stride, data }: Thresholds, x: number): (y: number) => Bars {
  const uploaded = uploadOnce(data);
  return (y) => ({
    address: uploaded + 2 * brickRow(brick, y) * stride,
    run,
    repeat: brick.width,
    column: brickColumn(brick, x, y),
  });
}

/** Of thresholds too many for that, just those over a row are copied there. */
function copiedBars({ brick, stride, data }: Thresholds, x: number, width: number): (y: number) => Bars {
  // Kernels read eight at a time.
  const count = (width + 15) & ~7;
  const bars = pixelsAt(ROWS.lower, count);
  return (y) => {
    const start = brickRow(brick, y) * stride;
    for (let to = 0, column = brickColumn(brick, x, y); to < count; column = 0) {
      const taken = Math.min(count - to, brick.width - column);
      bars.set(data.subarray(start + column, start + column + taken), to);
      to += taken;
    }
    return { address: ROWS.lower, run: count, repeat: count, column: 0 };
  };
}
