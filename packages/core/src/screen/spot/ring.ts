import { ellipsePieces, reversed } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** Radius of the circle that the ring grows from, in cells. */
const RADIUS = 0.3;

/** A ring that grows to both sides of its circle, and stays open until late in the darks. */
export const ring: Spot = {
  id: 'ring',
  name: 'Ring',
  value: (u, v) => Math.abs(Math.sqrt(u * u + v * v) - RADIUS),
  size: (coverage) => 2 * (RADIUS + coverage / (4 * Math.PI * RADIUS)),
  outline: {
    most: 0.5,
    pieces: (size) => [
      ...ellipsePieces(RADIUS + size, RADIUS + size),
      ...(size < RADIUS ? reversed(ellipsePieces(RADIUS - size, RADIUS - size)) : []),
    ],
  },
};
