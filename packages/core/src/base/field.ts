/** What a tone step or a screen can be set by: the schema, the docket and the tests read it here. */

/** One of these words, or a number beyond this or other than that, in one of the named fields. */
interface Condition {
  readonly field: string | readonly string[];
  readonly is?: readonly string[];
  readonly above?: number;
  readonly below?: number;
  readonly not?: number;
}

/** Says under which settings of other fields a field counts at all: all conditions must hold. */
interface Conditional {
  readonly when?: Condition | readonly Condition[];
}

/** For a field that came later: settings made before it have none, which counts as its start. */
interface Later {
  readonly isLater?: true;
}

/** A number that something is set by. */
export interface NumberField extends Conditional, Later {
  readonly type: 'number';
  readonly label: string;
  /** `px`: pixels of the original. */
  readonly unit: 'percent' | 'px' | 'ppi' | 'plain' | 'lpi' | 'degrees' | 'mm';
  readonly least: number;
  readonly most: number;
  /** Range of the slider where it is narrower than what may be typed. */
  readonly usual?: readonly [number, number];
  /** True when ratios count, not differences. */
  readonly ratio?: boolean;
  readonly start: number;
}

/** One of a few words. */
export interface ChoiceField extends Conditional {
  readonly type: 'choice';
  readonly label: string;
  readonly options: readonly { readonly value: string; readonly label: string; readonly title?: string }[];
  readonly start: string;
}

/** The seed of the random numbers. */
export interface SeedField extends Conditional, Later {
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
 * A stroke painted on a picture. Places and radius are shares of the picture's width; y counts from its top. Strength in percent of full ink: above 0 darkens, below 0 lightens.
 */
export interface Stroke {
  /**
   * Its places one after another, three numbers each: x and y in 1/100 000 of the width, pressure in percent; but for the first what they differ by from the
   * one before (`tone/stroke-points.ts`).
   */
  readonly points: readonly number[];
  readonly radius: number;
  readonly strength: number;
  /** Share of the radius over which the brush fades, in percent. */
  readonly softness: number;
}

/** A dot's shape, by its id. */
export interface SpotField {
  readonly type: 'spot';
  readonly label: string;
  readonly start: string;
}

/** A motif: a closed path as `readMotif` reads it; empty for none. */
export interface MotifField extends Conditional {
  readonly type: 'motif';
  readonly label: string;
  readonly start: string;
}

export type Field =
  NumberField | ChoiceField | SeedField | CurveField | TonesField | StrokesField | SpotField | MotifField;
export type Fields = Readonly<Record<string, Field>>;

/** The settings that fields describe. */
export type SettingsOf<F extends Fields> = {
  readonly [K in keyof F]: F[K] extends NumberField | SeedField
    ? number
    : F[K] extends ChoiceField | SpotField | MotifField
      ? string
      : F[K] extends CurveField
        ? CurveField['start']
        : F[K] extends TonesField
          ? TonesField['start']
          : F[K] extends StrokesField
            ? StrokesField['start']
            : Field['start'];
};

/** The settings that fields begin with. */
export const startOfFields = (fields: Fields): Record<string, Field['start']> =>
  Object.fromEntries(
    Object.entries(fields)
      .filter(([, field]) => !('isLater' in field))
      .map(([name, field]) => [name, field.start]),
  );

/** True when a field counts under these settings. */
export function counts(field: Field, settings: Readonly<Record<string, unknown>>): boolean {
  if (!('when' in field) || !field.when) return true;
  return [field.when].flat().every(({ field: names, is, above, below, not }: Condition) =>
    [names].flat().some((name) => {
      const value = settings[name];
      return (
        is?.includes(String(value)) === true ||
        (above !== undefined && Number(value) > above) ||
        (below !== undefined && Number(value) < below) ||
        (not !== undefined && value !== undefined && Number(value) !== not)
      );
    }),
  );
}
