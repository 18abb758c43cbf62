import { newScreen, type Screen } from '@brachytone/core';

/** A screen of straight dots with these settings, the others as they start. */
export const dotted = (
  settings: Screen['settings'],
  limits: Partial<Pick<Screen, 'smallest' | 'largest'>> = {},
): Screen => newScreen('dots', settings, { smallest: 3, largest: 97, ...limits });
