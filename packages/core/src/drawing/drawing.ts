import type { Contour } from '../path/contour.ts';
import type { FillRule } from '../path/fill.ts';
import type { StrokeStyle } from '../path/stroke.ts';

/** A shape of a drawing, painted over those before it. */
export interface Shape {
  readonly contours: readonly Contour[];
  readonly rule: FillRule;
  /** A line along the contours instead of what they enclose. */
  readonly stroke?: StrokeStyle;
  /** True for a dark shape, which prints; a light one leaves bare what lies under it. */
  readonly ink: boolean;
  /** Places among the drawing's clips: only what lies inside all of them is painted. */
  readonly clips: readonly number[];
}

/** Contours that shapes are cut to. */
export interface Clip {
  readonly contours: readonly Contour[];
  readonly rule: FillRule;
}

/** Line art as geometry, in units of which its longer side has 10 000. */
export interface Drawing {
  readonly width: number;
  readonly height: number;
  readonly shapes: readonly Shape[];
  readonly clips: readonly Clip[];
}

/** Units on the longer side of a drawing. */
export const DRAWING_UNITS = 10_000;
