import type { Ink } from '../ink/overprint.ts';
import type { Screen } from '../screen/screen.ts';
import type { Tone } from '../tone/tone-table.ts';

/** A rectangle in shares of a picture's width and height, each 0–1. */
export interface Crop {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Where the cropped picture lies: its left top corner and width on the sheet, in mm. Its height follows. */
export interface Placement {
  readonly x: number;
  readonly y: number;
  readonly width: number;
}

/** An original on the sheet, its way to the inks with it. */
export interface OriginalRecipe {
  readonly id: string;
  /** SHA-256 of the file brought in, in hexadecimal. */
  readonly picture: string;
  readonly name: string;
  readonly crop: Crop;
  readonly placement: Placement;
  readonly tone: Tone;
  /** Id of the ink its tone is printed in; on every other plate it knocks out what lies under it. */
  readonly ink: string;
}

/** A plate: one ink's film and how it is screened. */
export interface PlateRecipe {
  readonly id: string;
  /** Id of the ink. */
  readonly ink: string;
  readonly screen: Screen;
}

/** Everything the evaluator needs to know of a job. */
export interface Recipe {
  /** Sheet size in mm and film resolution in dots per inch. */
  readonly sheet: { readonly width: number; readonly height: number; readonly resolution: number };
  readonly stock: { readonly name: string; readonly colour: string };
  /** In sheet order, the lowest first. */
  readonly originals: readonly OriginalRecipe[];
  readonly inks: readonly Ink[];
  /** In printing order, the first one down first. */
  readonly plates: readonly PlateRecipe[];
}
