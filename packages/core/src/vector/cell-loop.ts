import type { Piece } from '../path/piece.ts';

/** Numbers of a piece in an outline with arcs: x and y it begins at, those it ends at, half-axes (0 for a straight one), and 1 for forward (see `Piece`). */
export const PIECE = 7;

/**
 * A closed outline in a cell, from its middle: the points between straight pieces, x and y by turns, or pieces one after another, some of them arcs. Pieces
 * are bare numbers side by side, as the outlines of all sizes of a dot are gone through again and again: with objects pure Euclidean dots took 1.4 times as long.
 */
export type CellLoop = readonly number[] | Float64Array;

/** True for an outline that is told by its points. */
export const isPoints = (loop: CellLoop): loop is readonly number[] => !(loop instanceof Float64Array);

/** An outline of pieces. */
export const loopOf = (pieces: readonly Piece[]): CellLoop =>
  pieces.every(({ rx }) => rx === 0)
    ? pieces.flatMap(({ x0, y0 }) => [x0, y0])
    : Float64Array.from(
        pieces.flatMap(({ x0, y0, x1, y1, rx, ry, forward }) => [x0, y0, x1, y1, rx, ry, forward ? 1 : 0]),
      );
