import type { PlacedOriginal } from '../../original/place-original.ts';
import type { Area } from '../../path/area.ts';
import type { LineShape } from '../line-shape.ts';
import type { Units } from '../units.ts';

/** A kind of content as geometry, in units of the file. */
export interface ContentShapes<C extends { readonly kind: string }> {
  /** Its line work, the lowest first. */
  readonly line: (content: C, placed: PlacedOriginal, units: Units) => LineShape[];
  /** Where its screened parts are seen, besides its box; undefined where there are none. */
  readonly screened?: (content: C, placed: PlacedOriginal, units: Units) => Area | undefined;
}
