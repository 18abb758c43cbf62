import type { Blend } from '../colour/blend.ts';
import type { Screen } from '../screen/screen.ts';

/** An original screened by itself, and laid back over its own smooth tones. */
export interface Mix {
  readonly screen: Screen;
  readonly blend: Blend;
  /** Percent: 0 leaves the tones smooth, 100 gives the blend alone. */
  readonly strength: number;
}
