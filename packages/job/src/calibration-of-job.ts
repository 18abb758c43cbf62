import { MOST_TARGET_INKS, sameName, type CalibratedInk, type Calibration } from '@brachytone/core';
import type { JobDocument } from './document.ts';

/** Inks of a job that a target is made of: each in the screen of its first plate. A plain threshold has no tones to measure. */
export function targetInks({ recipe }: Pick<JobDocument, 'recipe'>): CalibratedInk[] {
  const inks: CalibratedInk[] = [];
  for (const { ink: id, screen, printed } of recipe.plates) {
    const ink = recipe.inks.find((one) => one.id === id);
    if (!ink || !printed || screen.kind === 'threshold') continue;
    if (inks.some((one) => sameName(one.ink.name, ink.name))) continue;
    inks.push({ ink, screen, readings: [], without: [], ladders: null });
  }
  return inks.slice(0, MOST_TARGET_INKS);
}

/**
 * A calibration, not read yet, of a press on a job's stock, for its inks in their screens.
 *
 * @param press id of the press in the press room
 * @param made  when, ISO 8601
 */
export const calibrationOfJob = (
  document: Pick<JobDocument, 'recipe'>,
  press: string,
  made: string,
): Calibration => ({
  press,
  stock: document.recipe.stock,
  resolution: document.recipe.sheet.resolution,
  inks: targetInks(document),
  source: null,
  simulatedGain: null,
  scan: null,
  made,
  taken: null,
});
