import type { Fields, SettingsOf } from '../../base/field.ts';
import type { RowFilter } from '../../filter/row-filter.ts';
import type { Plane } from '../../raster/plane.ts';
import type { Rows } from '../../raster/rows.ts';

/** Where a plane that an area step works on stands in the whole picture at this size. */
export interface AreaPlace {
  /** Left top pixel of the plane. */
  readonly x: number;
  readonly y: number;
  /** Size of the whole. */
  readonly fullWidth: number;
  readonly fullHeight: number;
  /** Pixels of the original across one of these: 1 at full size, 2 at half, ½ on a grid twice as fine… */
  readonly scale: number;
  /** Pixels of the original per inch of the sheet. */
  readonly ppi: number;
}

/** What a point step does: settings to a map from coverage as a share (0–1) to coverage. */
export type PointStep<F extends Fields = Fields> = (settings: SettingsOf<F>) => (coverage: number) => number;

/** What an area step does. */
export interface AreaStep<F extends Fields = Fields> {
  /** Rows above and below that a row's result depends on, in pixels of the plane. */
  readonly margin: (settings: SettingsOf<F>, place: Pick<AreaPlace, 'scale' | 'ppi'>) => number;
  /** The step row by row, where it can be done so. */
  readonly rows?: (
    settings: SettingsOf<F>,
    place: Pick<AreaPlace, 'scale' | 'ppi'>,
  ) => readonly RowFilter[] | undefined;
  /** Else rows `from` to `to` of what it makes of all rows, written to a plane, where it looks so far around that they hang on many. */
  readonly wide?: (
    settings: SettingsOf<F>,
    input: Rows,
    from: number,
    to: number,
    place: Pick<AreaPlace, 'scale' | 'ppi'>,
    out: Plane,
  ) => Plane;
  /**
   * Else the step on a plane of whole rows. Beyond its edges the outermost pixels repeat; rows nearer to an edge than the
   * margin are only right where that edge is the picture's own.
   */
  readonly apply?: (settings: SettingsOf<F>, plane: Plane, place: AreaPlace) => Plane;
  /** How many times as fine the grid is afterwards; 1 when missing. */
  readonly finer?: (settings: SettingsOf<F>, place: Pick<AreaPlace, 'scale'>) => number;
}

interface StepFacts<F extends Fields> {
  readonly kind: string;
  readonly name: string;
  /** What it does, in a few words. */
  readonly says: string;
  readonly fields: F;
  /** The settings in a word or two, for a closed card; empty when the name says it all. */
  readonly words: (settings: SettingsOf<F>) => string;
}

/**
 * A kind of tone step. A *point* step maps each tone by itself; an *area* step looks at its surroundings too. Settings
 * are what the fields describe. Adding one is a file here and a line in `index.ts`.
 */
export type StepKind<F extends Fields = Fields> = StepFacts<F> &
  ({ readonly point: PointStep<F> } | { readonly area: AreaStep<F> });

/** Types a kind by its fields and lets go of the types, so that kinds of all sorts fit in one list. */
export const defineStep = <const F extends Fields>(kind: StepKind<F>): StepKind =>
  kind as unknown as StepKind;
