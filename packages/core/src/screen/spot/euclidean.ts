import { straight, type Piece } from '../../path/piece.ts';
import { CELL, ellipsePieces, HALF, quarters } from './cell-outline.ts';
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
  outline: { most: 1, pieces: euclideanPieces },
};

/** Where a circle of a radius beyond ½√½ leaves the square that stands on its corner: at u + v = ½. */
function leaving(radius: number): { far: number; near: number } {
  const reach = Math.sqrt(2 * radius * radius - 0.25);
  return { far: (HALF + reach) / 2, near: (HALF - reach) / 2 };
}

/** Circles within the square whose corners are the middles of the cell's sides; past one half, holes at the cell's corners. */
function euclideanPieces(size: number): Piece[] {
  const arc = (x0: number, y0: number, x1: number, y1: number, radius: number, forward: boolean): Piece => ({
    x0,
    y0,
    x1,
    y1,
    rx: radius,
    ry: radius,
    forward,
  });
  if (size <= HALF * Math.SQRT1_2) return ellipsePieces(size, size);
  if (size <= HALF) {
    const { far, near } = leaving(size);
    return quarters([arc(far, -near, far, near, size, true), straight(far, near, near, far)]);
  }
  const hole = 1 - size;
  if (hole <= 0) return CELL;
  const side = HALF - hole;
  const along = straight(-side, -HALF, side, -HALF);
  if (hole <= HALF * Math.SQRT1_2) {
    return quarters([along, arc(side, -HALF, HALF, -side, hole, false)]);
  }
  // What a dot of this radius is to its square, the hole is to the corner's.
  const { far, near } = leaving(hole);
  return quarters([
    ...(side > 0 ? [along] : []),
    arc(side, -HALF, HALF - far, -HALF + near, hole, false),
    straight(HALF - far, -HALF + near, HALF - near, -HALF + far),
    arc(HALF - near, -HALF + far, HALF, -side, hole, false),
  ]);
}
