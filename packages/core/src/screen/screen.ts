import { startOfFields } from '../base/field.ts';
import type { Frame } from '../raster/frame.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import { cache } from '../base/cache.ts';
import { screenKind } from './kinds/index.ts';
import type { Lattice, Screener } from './kinds/kind.ts';
import { limitsTransfer, NO_LIMITS, type DotLimits, type Transfer } from './transfer.ts';

/** How a plate becomes dots. */
export interface Screen extends DotLimits {
  /** Id of the kind of screen. */
  readonly kind: string;
  /** What the kind's fields describe. */
  readonly settings: Readonly<Record<string, number | string>>;
  /** Pixels per inch of the coarse grid that it is drawn on, to be enlarged with hard edges; 0 for the film's own. */
  readonly coarse: number;
  /** True where line work and lettering are drawn on the coarse grid too; missing where they keep the film's own pixels. */
  readonly coarseLines?: boolean;
}

/** A screen of a kind with these settings, the others as they start. */
export const newScreen = (
  kind: string,
  settings: Screen['settings'] = {},
  rest: Partial<Omit<Screen, 'kind' | 'settings'>> = {},
): Screen => ({
  kind,
  // Its fields are numbers and words alone.
  settings: { ...(startOfFields(screenKind(kind).fields) as Screen['settings']), ...settings },
  smallest: 0,
  largest: 100,
  coarse: 0,
  ...rest,
});

/** The grid a screen is drawn on, and how many device pixels each of its pixels is wide. */
export interface ScreenGrid {
  readonly frame: Frame;
  readonly times: number;
}

/** The grid of a screen's own spots on a grid of device pixels: whole device pixels each, from the same corner. */
export function screenGridOf(screen: Screen, frame: Frame): ScreenGrid {
  if (screen.coarse > 0) return gridOf(frame, frame.resolution / screen.coarse);
  const spot = screenKind(screen.kind).spotSize?.(screen.settings) ?? 0;
  return gridOf(frame, (spot / MM_PER_INCH) * frame.resolution);
}

/** The grid of line work on a grid of device pixels: that one unless the coarse grid is wished for it. */
export const lineGridOf = ({ coarse, coarseLines }: Screen, frame: Frame): ScreenGrid =>
  coarse > 0 && coarseLines ? gridOf(frame, frame.resolution / coarse) : { frame, times: 1 };

/** @param wide device pixels across one of its own, about */
function gridOf(frame: Frame, wide: number): ScreenGrid {
  const times = Math.max(1, Math.round(wide));
  if (times === 1) return { frame, times };
  return {
    times,
    frame: {
      ...frame,
      width: Math.ceil(frame.width / times),
      height: Math.ceil(frame.height / times),
      resolution: frame.resolution / times,
    },
  };
}

/** A job's plates on all the grids they are drawn on: of drafts, of small pictures, of the film. */
const recentScreeners = cache<Screener>('screeners');

/** The dot limits that a screen keeps, its gap between dots with them. */
export function limitsOf({ kind, settings, smallest, largest }: Screen): DotLimits {
  const limits = { smallest, largest };
  const { hasDots = true, limits: own } = screenKind(kind);
  return hasDots ? (own?.(settings, limits) ?? limits) : NO_LIMITS;
}

/** What a screen by itself makes of the coverage that is asked of it. */
export const screenTransfer = (screen: Screen): Transfer => limitsTransfer(limitsOf(screen));

/** What makes a screen's bits on a grid of its own spots, by its own transfer or one that has more in it. */
export const screenerFor = (screen: Screen, frame: Frame, transfer = screenTransfer(screen)): Screener =>
  recentScreeners(JSON.stringify([screen, frame, transfer.key]), () =>
    screenKind(screen.kind).make(screen.settings, transfer, frame),
  );

/** A screen's lattice, or undefined where it has none. */
export const latticeOf = (screen: Screen): Lattice | undefined =>
  screenKind(screen.kind).lattice?.(screen.settings);

/** Grey levels one cell can show: (resolution ÷ ruling)² + 1, both per inch; common practice, no source. */
export const greyLevels = (resolution: number, ruling: number): number =>
  Math.floor((resolution / ruling) ** 2) + 1;
