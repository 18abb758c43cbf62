import { layThresholds, type Thresholds } from './thresholds.ts';

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
  const scale = (2 ** 24 - 1) / Math.max(1e-12, greatest - least);
  const keys = Uint32Array.from(values, (value) => Math.round((value - least) * scale));
  let order = new Uint32Array(values.length);
  for (let i = 0; i < order.length; i++) order[i] = i;
  for (const shift of [0, 12]) {
    const starts = new Uint32Array(4097);
    for (const key of keys) starts[((key >>> shift) & 4095) + 1]++;
    for (let b = 0; b < 4096; b++) starts[b + 1] += starts[b];
    const out = new Uint32Array(order.length);
    for (const pixel of order) out[starts[(keys[pixel] >>> shift) & 4095]++] = pixel;
    order = out;
  }
  return order;
}
