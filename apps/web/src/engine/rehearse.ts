import type { Recipe } from '@brachytone/core';
import { draftBlocks, draftOf, halvesOf, type ViewRequest } from './drafts.ts';
import { draw } from './engine.ts';
import { LAST } from './ranks.ts';

/** Movements that are rehearsed. */
const TURNS = 4;
/** Share that the rulings differ by from one to the next. */
const STEP = 1e-3;

/** Numbers of plates that have been rehearsed with. */
const rehearsed = new Set<number>();

const moved = (plate: Recipe['plates'][number], turn: number): Recipe['plates'][number] => {
  const { settings } = plate.screen;
  if (typeof settings.ruling !== 'number') return plate;
  const ruling = settings.ruling * (1 + turn * STEP);
  return { ...plate, screen: { ...plate.screen, settings: { ...settings, ruling } } };
};

/**
 * Draws a few drafts that nobody sees, each with other screens: code that has run a while is several times as quick, and a
 * slider's first movements should find it so. Only once for each number of plates, when nothing else is waiting, and not beyond a change.
 *
 * @param current false once there is something newer to draw
 */
export async function rehearse(request: ViewRequest, current: () => boolean): Promise<void> {
  const { recipe, what } = request;
  if (what.kind !== 'proof') return;
  const [blocks] = draftBlocks(request, false);
  const draft = draftOf(request, blocks);
  if (!draft || rehearsed.has(what.plates.length)) return;
  rehearsed.add(what.plates.length);
  const parts = halvesOf(draft.view.rows, blocks);
  for (let turn = 1; turn <= TURNS && current(); turn++) {
    const other: Recipe = { ...recipe, plates: recipe.plates.map((plate) => moved(plate, turn)) };
    const drawn = parts.map((rows, i) =>
      draw({ ...request, ...draft, recipe: other, rows, blocks }, { rank: LAST, end: i === 0 ? 0 : 1 }),
    );
    await Promise.allSettled(drawn);
  }
}
