/**
 * A number 0 ≤ n < 2³² that a whole-number place and a seed always give again, with nothing of their order left in it
 * (the finisher of MurmurHash3, public domain, after each is mixed in).
 */
export function randomAt(seed: number, x: number, y: number): number {
  let h = Math.imul(seed, 0x9e3779b1) ^ Math.imul(x, 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 15), 0x2c1b3c6d) ^ Math.imul(y, 0xc2b2ae35);
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b);
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35);
  return (h ^ (h >>> 16)) >>> 0;
}
