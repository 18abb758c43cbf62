import { ellipsePieces, type CellOutline } from './cell-outline.ts';
import type { Spot } from './spot.ts';

/** Width of the ellipse over its length, unless it says otherwise. */
export const USUAL_ASPECT = 0.72;

function outlineOf(aspect: number): CellOutline {
  const root = Math.sqrt(aspect);
  return { most: Math.SQRT1_2 / root, pieces: (size) => ellipsePieces(size / root, size * root) };
}

/** An ellipse lying along the screen's direction: joins end to end first (56.5 %), then side to side. */
const ellipseOf = (aspect: number): Spot => ({
  id: 'ellipse',
  name: 'Ellipse',
  value: (u, v) => u * u * aspect + (v * v) / aspect,
  size: (coverage) => 2 * Math.sqrt((coverage * aspect) / Math.PI),
  outline: outlineOf(aspect),
  shaped: (shape) => ellipseOf(shape.aspect),
});

export const ellipse = ellipseOf(USUAL_ASPECT);
