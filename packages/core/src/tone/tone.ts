import { BT709, type HueWeights } from './grey.ts';
import type { Field } from '../base/field.ts';

/**
 * What a grey of the picture asks for. `dots`: a 50 % grey asks for a 50 % dot, as a tone value written in the
 * file. `lightness`: it asks for the dot that reflects as much light as the grey does.
 */
export type GreyReading = 'dots' | 'lightness';

/** How colour becomes grey. */
export interface Grey {
  readonly weights: HueWeights;
  readonly reading: GreyReading;
}

/** One step from the grey an original has to the grey it should be. */
export interface ToneStep {
  readonly id: string;
  /** One of `STEP_KINDS`. */
  readonly kind: string;
  /** A step that is off is kept, and does nothing. */
  readonly on: boolean;
  readonly settings: Readonly<Record<string, Field['start']>>;
}

/** Everything that turns an original into the grey it should be: grey first, then the steps in their order. */
export interface Tone {
  readonly grey: Grey;
  readonly steps: readonly ToneStep[];
}

/** A tone that changes nothing: grey as the eye weighs it, read as dot values, no steps. */
export const NO_TONE: Tone = { grey: { weights: BT709, reading: 'dots' }, steps: [] };
