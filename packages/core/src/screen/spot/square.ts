import { clipped } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** A square standing on its corner against the screen's direction: joins at all four corners at 50 %, a checkerboard. */
export const square: Spot = {
  id: 'square',
  name: 'Square',
  value: (u, v) => Math.abs(u) + Math.abs(v),
  size: (coverage) => Math.sqrt(coverage),
  outline: {
    most: 1,
    pieces: (size) =>
      clipped([
        [size, 0],
        [0, size],
        [-size, 0],
        [0, -size],
      ]),
  },
};
