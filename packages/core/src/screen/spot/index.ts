import { UnknownKind } from '../../base/errors.ts';
import { cross } from './cross.ts';
import { diamond } from './diamond.ts';
import { ellipse } from './ellipse.ts';
import { euclidean } from './euclidean.ts';
import { line } from './line.ts';
import { motif } from './motif.ts';
import { ring } from './ring.ts';
import { round } from './round.ts';
import type { Spot, SpotShape } from './spot.ts';
import { square } from './square.ts';

/** Every dot shape there is, in the order shown. A new one is a file and a line here. */
export const SPOTS: readonly Spot[] = [round, euclidean, ellipse, diamond, square, line, cross, ring, motif];

/**
 * The shape of the given id, bent if it is told how.
 *
 * @throws UnknownKind
 */
export function spotOf(id: string, shape?: SpotShape): Spot {
  const spot = SPOTS.find((candidate) => candidate.id === id);
  if (!spot) throw new UnknownKind('dot shape', id);
  return (shape && spot.shaped?.(shape)) ?? spot;
}
