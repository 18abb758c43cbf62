import { diamond } from './diamond.ts';
import { ellipse } from './ellipse.ts';
import { line } from './line.ts';
import { round } from './round.ts';
import type { Spot } from './spot.ts';
import { square } from './square.ts';

/** Every dot shape there is, in the order shown. A new one is a file and a line here. */
export const SPOTS: readonly Spot[] = [round, ellipse, diamond, square, line];

/** The shape of the given id. */
export function spotOf(id: string): Spot {
  const spot = SPOTS.find((candidate) => candidate.id === id);
  if (!spot) throw new RangeError(`There is no dot shape “${id}”.`);
  return spot;
}
