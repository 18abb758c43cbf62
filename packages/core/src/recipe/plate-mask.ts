/** Whether a part of a mask keeps more of a plate, or less. */
export type MaskMode = 'add' | 'subtract';

/** An area of the sheet: drawn by hand, as a polygon, or as a box. */
export interface MaskArea {
  readonly by: 'area';
  readonly mode: MaskMode;
  /** Its corners one after another, x and y in mm from the trimmed sheet's corner. */
  readonly outline: readonly number[];
  /** Width over which its edge fades, mm; 0 for a hard one. */
  readonly feather: number;
}

/** Where an original has one of some colours, before its tone steps. */
export interface MaskColour {
  readonly by: 'colour';
  readonly mode: MaskMode;
  /** Id of the original. */
  readonly original: string;
  /** sRGB, #rrggbb. */
  readonly colours: readonly string[];
  /** How far from one of them a colour still counts wholly, CIE 1976; over as much as the softness beyond it counts less and less. */
  readonly tolerance: number;
  readonly softness: number;
}

/** Where an original's grey lies between two tones, in percent, before its tone steps. */
export interface MaskTone {
  readonly by: 'tone';
  readonly mode: MaskMode;
  readonly original: string;
  readonly from: number;
  readonly to: number;
  /** Percent over which it counts less and less beyond them. */
  readonly softness: number;
}

export type MaskPart = MaskArea | MaskColour | MaskTone;

/**
 * What is kept of a plate. Its parts count one after another: the first begins with nothing kept if it adds, with all of it if it takes away.
 */
export interface PlateMask {
  readonly inverted: boolean;
  /** True when dots at its edge stay whole, or are not there at all. */
  readonly wholeDots: boolean;
  readonly parts: readonly MaskPart[];
}
