/** A rectangle of the film, mm from the trimmed sheet's left top corner. */
export interface KeptWhole {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How films are cut for a printer that is too small for them. Lengths are mm. */
export interface Panels {
  /** The printer's paper. */
  readonly paper: { readonly width: number; readonly height: number };
  /** Edge of the paper that it cannot print on. */
  readonly margin: number;
  /** How much neighbours have in common. */
  readonly overlap: number;
  /** What the printed ruler of 100 mm measured. */
  readonly ruler: number;
  /** Middles of the overlaps across and down, from the film's left top corner; rising. */
  readonly across: readonly number[];
  readonly down: readonly number[];
  /** Parts, such as faces, that no seam is to cross. */
  readonly whole: readonly KeptWhole[];
}
