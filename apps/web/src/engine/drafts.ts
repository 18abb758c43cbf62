import {
  filmLayout,
  isSequential,
  frameOf,
  type Frame,
  type Recipe,
  type View,
  type ViewRows,
} from '@brachytone/core';
import type { DrawRequest } from './worker.ts';

/** What to draw, on how many screen pixels. */
export interface ViewRequest {
  readonly recipe: Recipe;
  readonly frame: Frame;
  readonly view: View;
  readonly what: DrawRequest['what'];
}

/** Film pixels that are drawn exactly at once, without a draft. */
const SMALL = 2.5e6;
/** Pixels across one screen pixel in a draft. */
const DRAFT_PIXELS = 2;

/** True when a plate that is drawn has to be made from its top down. */
export const hasSequential = ({ recipe, what }: Pick<ViewRequest, 'recipe' | 'what'>): boolean =>
  (what.kind === 'bits' || what.kind === 'proof') &&
  what.plates.some((plate) => isSequential(recipe.plates[plate].screen));

/** True when what is drawn is a film with its marks, on the film's own grid. */
export const isWholeFilm = (what: DrawRequest['what']): boolean =>
  what.kind === 'bits' && what.film !== undefined;

/** From so many plates on a first draft is drawn in blocks, for it must come at once too. */
const MANY = 3;

/**
 * Screen pixels each way of a block in the drafts of a drawing, the coarsest first. Where nothing is shown yet, as when a job
 * opens, anything that comes soon is welcome.
 */
export const draftBlocks = ({ what }: ViewRequest, bare: boolean): readonly number[] =>
  bare || (what.kind === 'proof' && what.plates.length >= MANY) ? [2, 1] : [1];

/**
 * The same view on the coarser grid of a draft, or undefined when a draft would save nothing.
 *
 * @param blocks screen pixels each way that are drawn as one
 */
export function draftOf(
  { recipe, frame, view, what }: ViewRequest,
  blocks = 1,
): Pick<ViewRequest, 'frame' | 'view'> | undefined {
  const step = view.width / view.columns;
  if (what.kind !== 'bits' && what.kind !== 'proof') return undefined;
  // A plate that is made from its top down takes a while to come to here: first a glimpse, begun just above.
  if (step <= DRAFT_PIXELS && hasSequential({ recipe, what }))
    return { frame: { ...frame, draft: true }, view };
  if (step <= DRAFT_PIXELS || view.width * view.height <= SMALL) return undefined;
  const resolution = (frame.resolution * DRAFT_PIXELS) / (step * blocks);
  const coarse = isWholeFilm(what) ? filmLayout(recipe, resolution).grid : frameOf(recipe.sheet, resolution);
  const ratio = coarse.resolution / frame.resolution;
  return {
    frame: { ...coarse, draft: true },
    view: {
      ...view,
      x: view.x * ratio,
      y: view.y * ratio,
      width: view.width * ratio,
      height: view.height * ratio,
    },
  };
}

/** The upper and the lower half of a draft's rows, in whole blocks: one for each end of the sheet. */
export function halvesOf(rows: number, blocks: number): ViewRows[] {
  const half = Math.min(rows, Math.ceil(rows / 2 / blocks) * blocks);
  return [
    { first: 0, count: half },
    { first: half, count: rows - half },
  ].filter(({ count }) => count > 0);
}
