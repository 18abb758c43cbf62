import type { MixBlend } from '../colour/mix-blends.ts';
import type { Screen } from '../screen/screen.ts';

/** An original screened by itself, and laid back over its own smooth tones. */
export interface Mix {
  readonly screen: Screen;
  readonly blend: MixBlend;
  /** From dark to light across a dot's edge, mm; missing or 0 where edges are hard. */
  readonly softness?: number;
  /** Percent: 0 leaves the tones smooth, 100 gives the blend alone. */
  readonly strength: number;
}
