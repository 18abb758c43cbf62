import type { Stroke } from '../base/field.ts';
import type { CurvePoint } from '../tone/curve.ts';
import type { MaskPart } from './plate-mask.ts';

/** A part of a plate that is made heavier or lighter than the rest. */
export interface PlateRegion {
  /** Percent: above 0 heavier, below 0 lighter. */
  readonly weight: number;
  readonly curve: readonly CurvePoint[];
  /** Where it is: areas, colours and tones, one after another as in a mask. */
  readonly parts: readonly MaskPart[];
  /** What is painted to it (strength above 0) or away from it after that. Places and radii are shares of the sheet's width. */
  readonly strokes: readonly Stroke[];
}
