import type { Spot } from './spot.ts';

/** A line along the screen's direction; lines join only when solid. */
export const line: Spot = {
  id: 'line',
  name: 'Line',
  value: (_u, v) => Math.abs(v),
  size: (coverage) => coverage,
};
