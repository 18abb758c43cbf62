import type { Intent } from '@brachytone/core';

/** Rendering intents as they are called. */
export const INTENT_NAMES: Record<Intent, string> = {
  perceptual: 'Perceptual',
  relative: 'Relative',
  saturation: 'Saturation',
  absolute: 'Absolute',
};
