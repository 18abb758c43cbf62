import type { Place } from '../gradient/gradient.ts';
import type { Stroke } from '../base/field.ts';

/** What of a picture is cut away. Lengths and areas are in pixels of the picture. */
export interface CutOut {
  readonly by: 'colour' | 'brightness' | 'edges' | 'hand';
  /** What is cut away by colour, `#rrggbb`. */
  readonly colour: string;
  /** Where it was picked, in shares of the picture's width and height. */
  readonly place: Place;
  /** Difference up to which a colour counts as the same: ΔE*ab (CIE 15:2018). */
  readonly tolerance: number;
  /** By colour: only what is connected with the place it was picked. */
  readonly connected: boolean;
  /** By brightness: L* from … to, in percent. */
  readonly from: number;
  readonly to: number;
  /** Patches of a smaller area are not cut away, and islands of a smaller area not kept. */
  readonly specks: number;
  /** How far the edge is moved into what stays; below 0 outwards. */
  readonly choke: number;
  /** Width over which the edge fades; 0 for a hard one. */
  readonly softness: number;
  /** Painted by hand afterwards: strength above 0 keeps, below 0 cuts away. Shares of the picture's width. */
  readonly strokes: readonly Stroke[];
}
