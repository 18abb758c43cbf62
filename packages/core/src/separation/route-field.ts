import type { CurveField, NumberField, StrokesField, TonesField } from '../base/field.ts';

/** What a route is described by: the schema reads it here. */

/** The id of an ink of the job; null for bare stock, where that may be. */
export interface InkField {
  readonly type: 'ink';
  readonly label: string;
  readonly orBare?: boolean;
}

/** A number that goes up to what all inks of a job make together, percent. */
export interface InkLimitField {
  readonly type: 'ink limit';
  readonly label: string;
}

/** Yes or no. */
export interface SwitchField {
  readonly type: 'switch';
  readonly label: string;
}

/** One of a few words. */
export interface WordField {
  readonly type: 'word';
  readonly label: string;
  readonly words: readonly string[];
}

/** A file brought in, by its SHA-256. */
export interface FileField {
  readonly type: 'file';
  readonly label: string;
}

/** A list of things, each described by one field or by several. */
export interface ListField {
  readonly type: 'list';
  readonly label: string;
  readonly least: number;
  readonly most: number;
  readonly of: RouteField | RouteFields;
}

export type RouteField =
  | Pick<NumberField, 'type' | 'label' | 'least' | 'most'>
  | Omit<CurveField, 'start'>
  | Omit<TonesField, 'start'>
  | Omit<StrokesField, 'start'>
  | InkField
  | InkLimitField
  | SwitchField
  | WordField
  | FileField
  | ListField;

export type RouteFields = Readonly<Record<string, RouteField>>;

/** Percent from 0 to 100. */
export const percent = (label: string) => ({ type: 'number', label, least: 0, most: 100 }) as const;

export const ink = (label: string): InkField => ({ type: 'ink', label });
