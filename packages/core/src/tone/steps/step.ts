import type { Plane } from '../../raster/plane.ts';

/** A number a step is set by. */
export interface NumberField {
  readonly type: 'number';
  readonly label: string;
  /** `px`: pixels of the original. */
  readonly unit: 'percent' | 'px' | 'ppi' | 'plain';
  readonly least: number;
  readonly most: number;
  /** Range of the slider where it is narrower than what may be typed. */
  readonly usual?: readonly [number, number];
  /** True when ratios count, not differences. */
  readonly ratio?: boolean;
  readonly start: number;
}

/** One of a few words. */
export interface ChoiceField {
  readonly type: 'choice';
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string; readonly title?: string }[];
  readonly start: string;
}

/** The seed of the random numbers. */
export interface SeedField {
  readonly type: 'seed';
  readonly label: string;
  readonly start: number;
}

/** Points of a tone curve, percent to percent, in order. */
export interface CurveField {
  readonly type: 'curve';
  readonly label: string;
  readonly start: readonly { readonly in: number; readonly out: number }[];
}

/** Tones in percent, rising. */
export interface TonesField {
  readonly type: 'tones';
  readonly label: string;
  readonly least: number;
  readonly most: number;
  readonly start: readonly number[];
}

/** Strokes of a brush on the picture. */
export interface StrokesField {
  readonly type: 'strokes';
  readonly label: string;
  readonly start: readonly Stroke[];
}

/**
 * A stroke painted on a picture. Places and radius are shares of the picture's width; y counts from its top. Pressure is
 * 0–1. Strength in percent of full ink: above 0 darkens, below 0 lightens.
 */
export interface Stroke {
  readonly points: readonly (readonly [x: number, y: number, pressure: number])[];
  readonly radius: number;
  readonly strength: number;
  /** Share of the radius over which the brush fades, in percent. */
  readonly softness: number;
}

export type Field = NumberField | ChoiceField | SeedField | CurveField | TonesField | StrokesField;
export type Fields = Readonly<Record<string, Field>>;

/** The settings that fields describe. */
export type SettingsOf<F extends Fields> = {
  readonly [K in keyof F]: F[K] extends NumberField | SeedField
    ? number
    : F[K] extends ChoiceField
      ? string
      : F[K] extends CurveField
        ? CurveField['start']
        : F[K] extends TonesField
          ? TonesField['start']
          : F[K] extends StrokesField
            ? StrokesField['start']
            : Field['start'];
};

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

/**
 * A kind of tone step. A *point* step maps each tone by itself; an *area* step looks at its surroundings too. Settings
 * are what the fields describe. Adding one is a file here and a line in `index.ts`.
 */
export interface StepKind<F extends Fields = Fields> {
  readonly kind: string;
  readonly name: string;
  /** What it does, in a few words. */
  readonly says: string;
  readonly fields: F;
  /** The settings in a word or two, for a closed card; empty when the name says it all. */
  readonly words: (settings: SettingsOf<F>) => string;
  /** Coverage as a share (0–1) to coverage. */
  readonly point?: (settings: SettingsOf<F>) => (coverage: number) => number;
  readonly area?: {
    /** Rows above and below that a row's result depends on, in pixels of the plane. */
    readonly margin: (settings: SettingsOf<F>, place: Pick<AreaPlace, 'scale' | 'ppi'>) => number;
    /**
     * The step on a plane of whole rows. Beyond its edges the outermost pixels repeat; rows nearer to an edge than the
     * margin are only right where that edge is the picture's own.
     */
    readonly apply: (settings: SettingsOf<F>, plane: Plane, place: AreaPlace) => Plane;
    /** How many times as fine the grid is afterwards; 1 when missing. */
    readonly finer?: (settings: SettingsOf<F>, place: Pick<AreaPlace, 'scale'>) => number;
  };
}

/** Types a kind by its fields and lets go of the types, so that kinds of all sorts fit in one list. */
export const defineStep = <const F extends Fields>(kind: StepKind<F>): StepKind =>
  kind as unknown as StepKind;
