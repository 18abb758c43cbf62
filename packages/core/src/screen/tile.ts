import { layThresholds, stableSort, type Thresholds } from './thresholds.ts';

/** Values are told apart in so many bits, sorted so many at a time. */
const DIGIT = 12;
const DIGITS = 2;

/**
 * A rectangular tile of thresholds from the order in which its pixels are inked: a flat coverage c inks exactly
 * round(c ÷ 65535 · N) of its N pixels.
 *
 * @param order pixels (y · width + x), first inked first
 */
export const tileOf = (width: number, height: number, order: ArrayLike<number>): Thresholds =>
  layThresholds({ width, height, shift: 0 }, order);

/** The order of pixels by rising value, equal ones by their place. */
export function orderOf(values: Float64Array | Float32Array): Uint32Array {
  let least = Infinity;
  let greatest = -Infinity;
  for (const value of values) {
    if (value < least) least = value;
    if (value > greatest) greatest = value;
  }
  const scale = (2 ** (DIGIT * DIGITS) - 1) / Math.max(1e-12, greatest - least);
  const keys = Uint32Array.from(values, (value) => Math.round((value - least) * scale));
  let order = Uint32Array.from(keys.keys());
  for (let digit = 0; digit < DIGITS; digit++) order = stableSort(order, keys, digit * DIGIT, 1 << DIGIT);
  return order;
}
