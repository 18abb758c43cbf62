import { around, type Piece } from '../../path/piece.ts';
import { CELL, HALF } from './cell-outline.ts';
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
  outline: { most: 1.5, pieces: crossPieces },
};

function crossPieces(size: number): Piece[] {
  const long = Math.min(HALF, size);
  const thin = Math.min(HALF, size / SLENDER);
  if (thin >= HALF) return CELL;
  return around([
    [long, -thin],
    [long, thin],
    [thin, thin],
    [thin, long],
    [-thin, long],
    [-thin, thin],
    [-long, thin],
    [-long, -thin],
    [-thin, -thin],
    [-thin, -long],
    [thin, -long],
    [thin, -thin],
  ]);
}
