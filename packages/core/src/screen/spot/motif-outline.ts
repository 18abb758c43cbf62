import { allUnited, areaOfPolygons, rectangle, shared, type Area } from '../../path/area.ts';
import type { Polyline } from '../../path/contour.ts';
import { areaOf, around, type Piece } from '../../path/piece.ts';
import { HALF, reversed } from './cell-outline.ts';

/** A motif, its box just fitting a cell at size 1, and its neighbours, joined and cut to the cell. */
export function motifPieces(lines: readonly Polyline[], size: number): Piece[] {
  const reach = Math.ceil(size / 2 - HALF);
  if (reach <= 0 && lines.length === 1) {
    const { points } = lines[0];
    const ring = Array.from({ length: points.length / 2 }, (_, i): [number, number] => [
      points[2 * i] * size,
      points[2 * i + 1] * size,
    ]);
    const pieces = around(ring);
    return areaOf(pieces) < 0 ? reversed(pieces) : pieces;
  }
  const one = areaOfPolygons(
    lines.map(({ points }) => ({ closed: true, points: points.map((value) => value * size * UNITS) })),
    'evenodd',
  );
  const copies: Area = [];
  for (let dy = -reach; dy <= reach; dy++) {
    for (let dx = -reach; dx <= reach; dx++)
      for (const path of one) copies.push(path.map(({ x, y }) => ({ x: x + dx * UNITS, y: y + dy * UNITS })));
  }
  const whole = allUnited(copies);
  const half = UNITS / 2;
  const cell = rectangle({ left: -half, top: -half, right: half, foot: half });
  // Outer rings come one way, holes the other.
  return shared(whole, cell).flatMap((path) =>
    around(path.map(({ x, y }): [number, number] => [x / UNITS, y / UNITS])),
  );
}

/** Units of a cell in which motifs are joined; a power of 2, so that half of them is just half a cell. */
const UNITS = 2 ** 22;
