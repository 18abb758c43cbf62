import type { Spot } from './spot.ts';

/** Length of an arm over its width. */
const SLENDER = 3;

/** An upright cross with arms along the screen's two directions. */
export const cross: Spot = {
  id: 'cross',
  name: 'Cross',
  value: (u, v) => {
    const x = Math.abs(u);
    const y = Math.abs(v);
    return Math.min(Math.max(x, SLENDER * y), Math.max(y, SLENDER * x));
  },
  // Two bars 2L long and 2L ÷ 3 wide cover 20L² ÷ 9.
  size: (coverage) => 2 * Math.sqrt((9 * coverage) / 20),
};
