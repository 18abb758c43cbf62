import { clipped } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** Width of the rhombus over its length. */
const ASPECT = 0.8;

/** A rhombus lying along the screen's direction: joins end to end at 40 %, side to side at 60 %. */
export const diamond: Spot = {
  id: 'diamond',
  name: 'Diamond',
  value: (u, v) => Math.abs(u) * ASPECT + Math.abs(v),
  size: (coverage) => Math.sqrt(2 * coverage * ASPECT),
  outline: {
    most: 0.9,
    pieces: (size) =>
      clipped([
        [size / ASPECT, 0],
        [0, size],
        [-size / ASPECT, 0],
        [0, -size],
      ]),
  },
};
