import type { Bits } from '../raster/bits.ts';
import type { Boxes } from './average.ts';

/** Pixels that the last box may be off by. */
const NEAR = 1e-6;

/** True for boxes of two by two whole pixels from the very first on, as drafts at fit have. */
export const isPairs = ({ box, start, columns, rows, width }: Boxes): boolean =>
  start.x === 0 &&
  Number.isInteger(start.y) &&
  Math.abs(box.width - 2) * columns < NEAR &&
  Math.abs(box.height - 2) * rows < NEAR &&
  2 * columns <= width + 1;

/** Adds the inked pixels of rows, from `y` below the first box on, to the areas of such boxes. */
export function addPairs(area: Float64Array, { columns, rows }: Boxes, bits: Bits, y: number): void {
  const { stride, height, data } = bits;
  for (let r = Math.max(0, -y); r < height && (y + r) >> 1 < rows; r++) {
    const row = ((y + r) >> 1) * columns;
    for (let column = 0, at = r * stride; column < columns; column += 4, at++) {
      // Four counts of two bits each.
      const pairs = (data[at] & 0x55) + ((data[at] >> 1) & 0x55);
      const last = Math.min(4, columns - column);
      for (let k = 0; k < last; k++) area[row + column + k] += (pairs >> (6 - 2 * k)) & 3;
    }
  }
}
