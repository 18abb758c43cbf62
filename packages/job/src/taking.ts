import type { Intent } from '@brachytone/core';

/** How the colours of a CMYK file are taken. */
export interface Taking {
  readonly intent: Intent;
  /** Whether its black becomes that of a screen. */
  readonly compensate: boolean;
}

/** How they are when nobody says it: as designers see them elsewhere. */
export const USUAL_TAKING: Taking = { intent: 'relative', compensate: true };
