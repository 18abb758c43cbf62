import { cache } from './cache.ts';

/**
 * A number 0 ≤ n < 2³² that a whole-number place and a seed always give again, with nothing of their order left in it
 * (the finisher of MurmurHash3, public domain, after each is mixed in).
 */
export const randomAt = (seed: number, x: number, y: number): number =>
  randomBelow(columnOfRandom(seed, x), y);

/** What a column has to do with its numbers, for all rows alike. */
export function columnOfRandom(seed: number, x: number): number {
  const h = Math.imul(seed, 0x9e3779b1) ^ Math.imul(x, 0x85ebca6b);
  return Math.imul(h ^ (h >>> 15), 0x2c1b3c6d);
}

/** The number of a column at a row. */
export function randomBelow(column: number, y: number): number {
  let h = column ^ Math.imul(y, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}

const recentColumns = cache<Int32Array>('random columns');

/** The first columns of a seed. */
export const randomColumns = (seed: number, count: number): Int32Array =>
  recentColumns(`${seed} ${count}`, () =>
    Int32Array.from({ length: count }, (_, x) => columnOfRandom(seed, x)),
  );
