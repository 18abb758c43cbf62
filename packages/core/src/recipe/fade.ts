import type { Stroke } from '../base/field.ts';
import type { Gradient } from '../gradient/gradient.ts';
import type { Screen } from '../screen/screen.ts';

/** An original dissolving: a gradient, or its own tones, screened; it is there where the dots are, or as far as the tone goes. */
export interface Fade {
  readonly by: 'gradient' | 'tone';
  /** 100 % keeps the original whole; used when `by` says so. */
  readonly gradient: Gradient;
  readonly screen: Screen;
  /** True for tones that fade softly, without dots of the fade's own; missing where dots it is. */
  readonly soft?: boolean;
  /** Dots painted in (strength above 0) or out. Places and radii are shares of the width of the original's box. */
  readonly strokes: readonly Stroke[];
}
