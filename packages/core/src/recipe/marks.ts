import type { Field } from '../base/field.ts';

/** A mark on films, by its kind; see `film/marks`. */
export interface MarkUse {
  readonly kind: string;
  readonly settings: Readonly<Record<string, Field['start']>>;
}

/** What films carry around the plate, outside the bleed. */
export interface Marks {
  /** SHA-256 of the file of the typeface that labels are set in. */
  readonly font: string;
  /** One of a kind at most. */
  readonly uses: readonly MarkUse[];
}

/** A recipe whose films are the plate and nothing else. */
export const withoutMarks = <R extends { readonly marks: Marks }>(recipe: R): R =>
  recipe.marks.uses.length === 0 ? recipe : { ...recipe, marks: { ...recipe.marks, uses: [] } };
