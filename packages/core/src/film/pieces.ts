import type { Scene } from '../recipe/scene.ts';
import type { VectorOptions } from '../vector/plate-group.ts';
import type { PackedRows } from './group4.ts';

/** A piece of a plate's film that was packed apart: a strip of its pixels, or a part of its geometry. */
export interface PackedPiece extends PackedRows {
  /** Pixels of the plate that a strip inks. Of geometry the share of the film that all of it inks, 0–1, with the first part, and 0 with the others; 0 in formats that do not tell it. */
  readonly inked: number;
}

/** Pieces that were packed apart, by the plate's index and their place in the film. */
export type PackedPieces = (plate: number, piece: number) => PackedPiece;

/** A plate's geometry in parts that are packed apart, in any order. */
export interface GeometryParts {
  readonly parts: number;
  readonly pack: (part: number) => PackedPiece;
}

/** How geometry is packed in parts, so that several threads make one file: a plate's in a file that holds some. */
export type GeometryPacking = (
  scene: Scene,
  plates: readonly number[],
  plate: number,
  options: VectorOptions,
) => GeometryParts;
