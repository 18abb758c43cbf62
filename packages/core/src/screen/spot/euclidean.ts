import type { Spot } from './spot.ts';

/**
 * Round dots in the lights, a checkerboard at 50 %, round holes in the darks: the same picture at a tone and at what it
 * leaves bare.
 */
export const euclidean: Spot = {
  id: 'euclidean',
  name: 'Euclidean',
  value: (u, v) => {
    const x = Math.abs(u);
    const y = Math.abs(v);
    return x + y <= 0.5 ? x * x + y * y : 0.5 - (0.5 - x) * (0.5 - x) - (0.5 - y) * (0.5 - y);
  },
  size: (coverage) => 2 * Math.sqrt(Math.min(0.5, coverage) / Math.PI),
};
