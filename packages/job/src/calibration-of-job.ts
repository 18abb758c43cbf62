import {
  MOST_TARGET_INKS,
  sameName,
  type CalibratedInk,
  type Calibration,
  type Recipe,
} from '@brachytone/core';

/** True for a plate whose ink comes to a target. A plain threshold has no tones to measure. */
export const isOnTarget = ({
  printed,
  screen,
}: Pick<Recipe['plates'][number], 'printed' | 'screen'>): boolean => printed && screen.kind !== 'threshold';

/** Inks of a job that a target is made of: each in the screen of its first plate. */
export function targetInks(recipe: Pick<Recipe, 'plates' | 'inks'>): CalibratedInk[] {
  const inks: CalibratedInk[] = [];
  for (const { ink: id, screen } of recipe.plates.filter(isOnTarget)) {
    const ink = recipe.inks.find((one) => one.id === id);
    if (!ink) continue;
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
  recipe: Pick<Recipe, 'plates' | 'inks' | 'stock' | 'sheet'>,
  press: string,
  made: string,
): Calibration => ({
  press,
  stock: recipe.stock,
  resolution: recipe.sheet.resolution,
  inks: targetInks(recipe),
  source: null,
  simulatedGain: null,
  scan: null,
  made,
  taken: null,
});
