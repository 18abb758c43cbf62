import { randomAt } from '../../base/random.ts';

/** A number of a normal distribution of standard deviation 1 that a place and a seed always give again (G. E. P. Box and M. E. Muller, 1958). */
export function normalOf(seed: number, x: number, y: number): number {
  const a = (randomAt(seed, x, y) + 1) / (2 ** 32 + 1);
  const b = randomAt(seed ^ 0x5bd1e995, x, y) / 2 ** 32;
  return Math.sqrt(-2 * Math.log(a)) * Math.cos(2 * Math.PI * b);
}
