import type { Press } from '../press/press.ts';
import type { Recipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import type { Evidence } from './evidence.ts';

/** How bad it is, the worst first. */
export const SEVERITIES = ['fail', 'risky', 'note'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** A part of the trimmed sheet, mm. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  /** A point of it that shows what was found; its middle when missing. */
  readonly at?: { readonly x: number; readonly y: number };
}

/** A way to mend something: what it is called, and what it makes of a job's recipe. */
export interface Mend {
  readonly label: string;
  readonly change: (recipe: Recipe) => Recipe;
}

/** What a check found, in a sentence with its numbers. */
export interface Found {
  readonly severity: Severity;
  readonly says: string;
  /** Where on the sheet, the worst first; none for what concerns all of it. */
  readonly places: readonly Place[];
  readonly mends: readonly Mend[];
  /** Id of the plate whose angles are worth looking at. */
  readonly dial?: string;
}

/** A mend as the interface has it: the job's recipe after it. */
export interface OfferedMend {
  readonly label: string;
  readonly recipe: Recipe;
}

/** What was found, with the check that found it. */
export interface Finding extends Omit<Found, 'mends'> {
  readonly check: string;
  /** Why it matters, in a line. */
  readonly why: string;
  readonly mends: readonly OfferedMend[];
}

/** What checks look at. */
export interface Checked {
  readonly scene: Scene;
  readonly recipe: Recipe;
  readonly press: Press;
  readonly evidence: Evidence;
}

/**
 * One thing that may go wrong. Adding one is a file in `checks/` and a line in its `index.ts`. What it needs to know of the plates it asks of the
 * evidence, so that nothing is looked at twice.
 */
export interface Check {
  readonly id: string;
  readonly why: string;
  /** What of the press it goes by, besides its gain: it is not done again when other numbers change. */
  readonly uses: readonly (keyof Press)[];
  readonly find: (checked: Checked) => Found[];
}
