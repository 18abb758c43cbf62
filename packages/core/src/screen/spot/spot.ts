import type { CellOutline } from './cell-outline.ts';

/** What a shape may be bent by; each takes of it what it knows. */
export interface SpotShape {
  /** Width of an ellipse over its length, 0.2–1. */
  readonly aspect: number;
  /** Path data of a motif; empty for none. */
  readonly motif: string;
}

/**
 * A dot's shape as a function over one cell: u along the screen's direction, v across it, both in [−½, ½) with the
 * dot's centre at 0. Pixels are inked in order of rising value; only the order counts. Uses only +, −, ×, ÷, √ and
 * comparisons, so that every machine gets the same bits.
 */
export interface Spot {
  readonly id: string;
  /** What the trade calls it. */
  readonly name: string;
  readonly value: (u: number, v: number) => number;
  /** Extent across the dot in cells at a coverage of 0–1: diameter, width of a line or length of a side. */
  readonly size: (coverage: number) => number;
  /** Its outline as geometry. */
  readonly outline: CellOutline;
  /** The same shape bent; missing where there is nothing to bend. */
  readonly shaped?: (shape: SpotShape) => Spot;
}
