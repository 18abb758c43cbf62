import { MM_PER_INCH, placedHeight, type OriginalRecipe } from '@brachytone/core';
import { LIMITS } from './limits.ts';
import { WHOLE_CROP } from './placing.ts';

/** Pixels for each inch of the sheet that a drawing is painted with: its edges stay sharp under any ruling. */
const RESOLUTION = 600;
/** Steps in which the longer side is asked for, so that a small change of size takes no other picture. */
const STEP = 256;

/**
 * Longer side, in pixels, of the picture that a drawing on the sheet is painted as.
 *
 * @param picture size of the picture it is already
 */
export function paintedLongest(
  original: OriginalRecipe,
  picture?: { readonly width: number; readonly height: number },
): number {
  const inches = Math.max(original.placement.width, placedHeight(original, picture)) / MM_PER_INCH;
  const steps = Math.ceil((inches * RESOLUTION) / STEP);
  return Math.min(LIMITS.painted.most, Math.max(LIMITS.painted.least, steps * STEP));
}

/** A drawing as the picture painted from it, in the same place. */
export const asPainted = (original: OriginalRecipe, picture: string): OriginalRecipe => ({
  ...original,
  content: { kind: 'picture', picture, crop: WHOLE_CROP, line: null, cut: null },
});
