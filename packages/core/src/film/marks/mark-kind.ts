import type { Fields, SettingsOf } from '../../base/field.ts';
import type { Typeface } from '../../lettering/typeface.ts';
import type { Recipe } from '../../recipe/recipe.ts';
import type { FilmWords } from '../film-words.ts';
import type { MarkArt } from './mark-art.ts';

/** A film as its marks know it. */
export interface MarkedFilm {
  readonly recipe: Recipe;
  /** Index of the plate. */
  readonly plate: number;
  readonly words: FilmWords;
  /** The typeface of labels. */
  readonly face: Typeface;
}

/** Where marks along the sheet's sides lie, mm from the trimmed edge. */
export interface Ring {
  /** The bleed's edge: nothing of a mark lies nearer. */
  readonly bleed: number;
  /** Where crop marks begin and end. */
  readonly from: number;
  readonly to: number;
}

/** A block of marks, laid in rows over or under the sheet: as large on every film. */
export interface MarkBlock {
  readonly side: 'head' | 'foot';
  /** mm; null for all the width there is. */
  readonly width: number | null;
  readonly height: number;
  /** Its art on one film, its left top corner at a place, with the width it has got. */
  draw(film: MarkedFilm, at: { readonly x: number; readonly y: number; readonly width: number }): MarkArt;
}

/**
 * A kind of mark. Adding one is a file here and a line in `index.ts`: document, docket and films read what they need from there.
 */
export interface MarkKind<F extends Fields = Fields> {
  readonly kind: string;
  readonly name: string;
  /** What it is for, in a few words. */
  readonly says: string;
  readonly fields: F;
  /** True for a mark that a new set of marks has. */
  readonly isUsual: boolean;
  /** How far from the trimmed edge it reaches, mm, where it lies along the sheet's sides. */
  readonly reach?: (settings: SettingsOf<F>, ring: Ring) => number;
  /** Marks along the sheet's sides: the same on every film. */
  readonly around?: (settings: SettingsOf<F>, sheet: Recipe['sheet'], ring: Ring) => MarkArt;
  readonly blocks?: (settings: SettingsOf<F>, recipe: Recipe) => readonly MarkBlock[];
}

/** Weight of a mark's lines. */
export const WEIGHT_FIELD = {
  type: 'number',
  label: 'Weight',
  unit: 'mm',
  least: 0.02,
  most: 1,
  usual: [0.05, 0.5],
  start: 0.1,
} as const;

/** Types a kind of mark by its fields. */
export const defineMark = <const F extends Fields>(kind: MarkKind<F>): MarkKind =>
  kind as unknown as MarkKind;
