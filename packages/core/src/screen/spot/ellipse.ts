import type { Spot } from './spot.ts';

/** Width of the ellipse over its length. */
const ASPECT = 0.72;

/** An ellipse lying along the screen's direction: joins end to end first (56.5 %), then side to side. */
export const ellipse: Spot = {
  id: 'ellipse',
  name: 'Ellipse',
  value: (u, v) => u * u * ASPECT + (v * v) / ASPECT,
  size: (coverage) => 2 * Math.sqrt((coverage * ASPECT) / Math.PI),
};
