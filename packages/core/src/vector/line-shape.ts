import { flatten, type Contour } from '../path/contour.ts';
import type { FillRule } from '../path/fill.ts';
import { strokePolygons, type StrokeStyle } from '../path/stroke.ts';
import { areaOfContours, areaOfPolygons, type Area } from '../path/area.ts';
import type { Units } from './units.ts';

/** A part of line work: what contours enclose, their curves with them, or an area where that had to be cut. */
export interface LineShape {
  readonly ink: boolean;
  /** Missing once the shape was cut. */
  readonly contours?: readonly Contour[];
  readonly rule: FillRule;
  readonly area: Area;
}

/** What contours enclose. */
export const curved = (
  contours: readonly Contour[],
  rule: FillRule,
  ink: boolean,
  units: Units,
): LineShape => ({
  ink,
  contours,
  rule,
  area: areaOfContours(contours, rule, units.tolerance),
});

/** An area without curves. */
export const flat = (area: Area, ink: boolean): LineShape => ({ ink, rule: 'nonzero', area });

/** A stroke along lines, as the area it covers. */
export function strokeArea(contours: readonly Contour[], style: StrokeStyle, { tolerance }: Units): Area {
  const pieces = contours.flatMap((contour) => strokePolygons(flatten(contour, tolerance), style, tolerance));
  return areaOfPolygons(pieces, 'nonzero');
}
