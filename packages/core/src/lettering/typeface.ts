import type { Contour } from '../path/contour.ts';

/** Outlines of one line of text in em, y downwards, beginning at (0, 0) on the baseline. */
export interface TypeLine {
  /** How far the line runs on, without space after its last letter. */
  readonly width: number;
  readonly contours: readonly Contour[];
}

/** A typeface made ready, whatever kind of file it came from. Heights are in em, both counted upwards from 0. */
export interface Typeface {
  readonly name: string;
  readonly ascent: number;
  readonly descent: number;
  /** @param tracking space added between letters, in em */
  line(text: string, tracking: number): TypeLine;
  /** The letters of a text it does not have, each once. */
  missing(text: string): string;
}
