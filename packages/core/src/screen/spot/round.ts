import { ellipsePieces } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** A circle. Circles touch at π ÷ 4 = 78.5 %; past that, four-cornered holes close between them. */
export const round: Spot = {
  id: 'round',
  name: 'Round',
  value: (u, v) => u * u + v * v,
  size: (coverage) => 2 * Math.sqrt(coverage / Math.PI),
  outline: { most: Math.SQRT1_2, pieces: (size) => ellipsePieces(size, size) },
};
