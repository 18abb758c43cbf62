import { startOf, stepKind, type ToneStep } from '@brachytone/core';

/** A tone step with these settings, the others as they start. */
export const step = (kind: string, settings: ToneStep['settings']): ToneStep => ({
  id: kind,
  kind,
  on: true,
  settings: { ...startOf(stepKind(kind)), ...settings },
});
