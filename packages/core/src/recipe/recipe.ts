import type { ColourDots } from './colour-dots.ts';
import type { PlateRegion } from './plate-region.ts';
import type { PlateMask } from './plate-mask.ts';
import type { CutOut } from './cut-out.ts';
import type { Gradient } from '../gradient/gradient.ts';
import type { Lettering } from '../lettering/lettering.ts';
import type { Container } from './container.ts';
import type { Fade } from './fade.ts';
import type { Marks } from './marks.ts';
import type { Mix } from './mix.ts';
import type { Stroke } from '../base/field.ts';
import type { Ink, Overprint, Stock } from '../ink/ink.ts';
import type { Route } from '../separation/routes/index.ts';
import type { CurvePoint } from '../tone/curve.ts';
import type { JobPress } from '../press/press.ts';
import type { Screen } from '../screen/screen.ts';
import type { Tone } from '../tone/tone.ts';

/**
 * A rectangle in shares of a picture's width and height, each 0–1, turned about its middle by so many degrees
 * anticlockwise (to straighten what was taken askew).
 */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly turn: number;
}

/**
 * Where an original lies: the left top corner and width of its box on the sheet, in mm, as if it were not turned; its
 * height follows from what is in it. It is mirrored first, then turned about the box's middle, degrees anticlockwise.
 */
export interface Placement {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly turn: number;
  readonly mirrored: boolean;
}

/** How a picture becomes line work: hard-edged, never screened. */
export interface LineWork {
  /** Tone in percent from which on it prints. */
  readonly threshold: number;
  /** Blur before the edge is drawn, in pixels of the picture: rounds off its steps. */
  readonly smooth: number;
}

/** A photograph, or any picture with tones; line art too, once it has a line. */
export interface PictureContent {
  readonly kind: 'picture';
  /** SHA-256 of the file brought in, in hexadecimal. */
  readonly picture: string;
  readonly crop: Crop;
  readonly line: LineWork | null;
  /** What of it is cut away; null for nothing. */
  readonly cut: CutOut | null;
}

/** Line art as geometry, from an SVG file. */
export interface DrawingContent {
  readonly kind: 'drawing';
  /** SHA-256 of the file brought in, in hexadecimal. */
  readonly drawing: string;
  /** Height of its box over its width. */
  readonly ratio: number;
}

/** One tone all over a box. */
export interface Tint {
  readonly kind: 'tint';
  /** Percent. */
  readonly tone: number;
  /** Height of its box over its width. */
  readonly ratio: number;
}

/** What an original is made of. */
export type Content = PictureContent | DrawingContent | Gradient | Tint | Lettering;

/** An original on the sheet, its way to the inks with it. */
export interface OriginalRecipe {
  readonly id: string;
  readonly name: string;
  readonly content: Content;
  readonly placement: Placement;
  /** One that is hidden is kept, and not printed. */
  readonly shown: boolean;
  /** One that is locked cannot be moved on the table. */
  readonly locked: boolean;
  readonly tone: Tone;
  /** The shape it is seen in; null for its own box. */
  readonly container: Container | null;
  /** Dots that it dissolves into; null for none. */
  readonly fade: Fade | null;
  /** Dots of its own that its tones are mixed with before they are screened; null for none. */
  readonly mix: Mix | null;
  /** Flat dots that stand for it where it is seen in its own colours; null for none. */
  readonly colourDots: ColourDots | null;
  /** How it comes to the inks. */
  readonly route: Route;
  /** True when it is printed over what lies under it; else it knocks that out, on every plate. */
  readonly overprint: boolean;
}

/** How far a plate is moved and turned on the sheet, on purpose: mm to the right and down, degrees anticlockwise. */
export interface Shift {
  readonly x: number;
  readonly y: number;
  readonly turn: number;
}

/** A plate: one ink's film, what is done to it by itself, and how it is screened. */
export interface PlateRecipe {
  readonly id: string;
  /** Id of the ink. */
  readonly ink: string;
  readonly screen: Screen;
  /** One that is left out is kept, and not printed. */
  readonly printed: boolean;
  /** Its own tone curve. */
  readonly curve: readonly CurvePoint[];
  /** Lighter (to −100) or heavier (to 100) in its middle tones. */
  readonly weight: number;
  /** How far its edges are spread, or choked when below 0, mm. */
  readonly edgeSpread: number;
  /** True when it knocks out the plates that are printed before it. */
  readonly knocksOut: boolean;
  /**
   * Ink under all plates that are printed after it, wherever they print; null for none. Fullness in percent: 0 as much as
   * the strongest of them, 100 solid under any. Highlights are what of its own ink nothing is printed over: they may go to a
   * plate of their own, named by its ink, to be printed last; null to stay on the base.
   */
  readonly base: { readonly fullness: number; readonly highlights: string | null } | null;
  /** Painted in (above 0) or away; places are shares of the trimmed sheet's width. */
  readonly strokes: readonly Stroke[];
  /** Missing where all of it is kept; strokes are painted over it. */
  readonly mask?: PlateMask;
  /** Parts of it that are made heavier or lighter, after all that; missing where none are. */
  readonly regions?: readonly PlateRegion[];
  readonly shift: Shift;
}

/** What is printed on: its size once it is trimmed, and how much further its art goes, in mm. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  /** Width of the edge around the trimmed sheet that is printed and cut off. */
  readonly bleed: number;
  /** Film resolution, dots per inch. */
  readonly resolution: number;
}

/** Everything the evaluator needs to know of a job. */
export interface Recipe {
  readonly sheet: Sheet;
  readonly stock: Stock;
  /** In sheet order, the lowest first. */
  readonly originals: readonly OriginalRecipe[];
  readonly inks: readonly Ink[];
  /** Colours of inks over one another, where they were measured. */
  readonly overprints: readonly Overprint[];
  /** In printing order, the first one down first. */
  readonly plates: readonly PlateRecipe[];
  /** What it is printed on; null where that is not said, and films are taken for the print. */
  readonly press: JobPress | null;
  /** What its films carry around the plate. */
  readonly marks: Marks;
  /** True where its plates are what the press prints, not its films; see `asPrinted`. No document has it. */
  readonly isPrint?: true;
  /** True where such a print shows what the mesh's threads stop. */
  readonly throughMesh?: true;
}
