import { around } from '../../path/piece.ts';
import { HALF } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** A line along the screen's direction; lines join only when solid. */
export const line: Spot = {
  id: 'line',
  name: 'Line',
  value: (_u, v) => Math.abs(v),
  size: (coverage) => coverage,
  outline: {
    most: HALF,
    pieces: (size) =>
      around([
        [-HALF, -size],
        [HALF, -size],
        [HALF, size],
        [-HALF, size],
      ]),
  },
};
