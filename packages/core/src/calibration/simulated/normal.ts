import { randomAt } from '../../base/random.ts';

/** Numbers that are drawn from: enough of them that nobody sees them come again. */
const COUNT = 1 << 16;
let numbers: Float32Array | undefined;

/** Numbers of a normal distribution of standard deviation 1 (G. E. P. Box and M. E. Muller, 1958). */
const made = (): Float32Array =>
  Float32Array.from({ length: COUNT }, (_, i) => {
    const a = (randomAt(1, i, 0) + 1) / (2 ** 32 + 1);
    return Math.sqrt(-2 * Math.log(a)) * Math.cos((2 * Math.PI * randomAt(2, i, 0)) / 2 ** 32);
  });

/** One of them that a place and a seed always give again. */
export function normalOf(seed: number, x: number, y: number): number {
  numbers ??= made();
  return numbers[randomAt(seed, x, y) & (COUNT - 1)];
}
