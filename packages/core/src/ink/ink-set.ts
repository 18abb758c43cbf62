import type { Ink, Overprint, Stock } from './ink.ts';

/** The inks of a job on its stock, in printing order, and how their overprints look. */
export interface InkSet {
  readonly stock: Stock;
  /** The first one down first. */
  readonly inks: readonly Ink[];
  /** Colours that were measured; the others are predicted. */
  readonly overprints: readonly Overprint[];
}
