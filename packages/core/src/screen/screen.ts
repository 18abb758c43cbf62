import { recentOnly } from '../recent.ts';
import { limitThresholds, type DotLimits } from './dot-limits.ts';
import { spotOf } from './spot/index.ts';
import { findSupercell, type Supercell } from './supercell.ts';
import { buildThresholds, type Thresholds } from './thresholds.ts';

/** How a plate becomes dots. */
export interface Screen extends DotLimits {
  /** Id of the dot shape. */
  readonly spot: string;
  /** Lines per inch. */
  readonly ruling: number;
  /** Degrees anticlockwise from the sheet's horizontal. */
  readonly angle: number;
}

const recentSupercells = recentOnly<Supercell>(32);
const recentThresholds = recentOnly<Thresholds>(8);
const recentLimited = recentOnly<Thresholds>(8);

/** The screen as it can be made at a resolution (dots per inch), with its achieved ruling and angle. */
export const supercellFor = (screen: Screen, resolution: number, draft = false): Supercell =>
  recentSupercells(`${screen.ruling}/${screen.angle}/${resolution}/${draft}`, () =>
    findSupercell(screen.ruling, screen.angle, resolution, draft),
  );

/** The thresholds of a screen at a resolution (dots per inch), its dot limits worked in; quick ones for a draft. */
export function thresholdsFor(screen: Screen, resolution: number, draft = false): Thresholds {
  const { spot, ruling, angle, smallest, largest } = screen;
  const key = `${spot}/${ruling}/${angle}/${resolution}/${draft}`;
  return recentLimited(`${key}/${smallest}/${largest}`, () => {
    const whole = recentThresholds(key, () =>
      buildThresholds(supercellFor(screen, resolution, draft), spotOf(spot)),
    );
    return limitThresholds(whole, screen);
  });
}

/** Grey levels one cell can show: (resolution ÷ ruling)² + 1, both per inch; common practice, no source. */
export const greyLevels = (resolution: number, ruling: number): number =>
  Math.floor((resolution / ruling) ** 2) + 1;
