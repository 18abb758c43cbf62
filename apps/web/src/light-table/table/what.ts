import { overprints, type LinearRgb, type Recipe } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import type { DrawRequest } from '../../engine/worker.ts';
import type { TableView } from '../../store/view-slice.ts';

const CLEAR: LinearRgb = [0.86, 0.86, 0.85];
const BLACK: LinearRgb = [0.012, 0.012, 0.012];

/** Indexes of the plates shown: the one shown alone, or all. */
export function shownPlates(recipe: Recipe, alone: string | null): number[] {
  const at = recipe.plates.findIndex(({ id }) => id === alone);
  return at >= 0 ? [at] : recipe.plates.map((_, i) => i);
}

/** What the workers are to draw for a view of the table. */
export function whatToDraw(
  document: JobDocument,
  table: TableView,
  alone: string | null,
  ends = false,
  cutting?: string,
): DrawRequest['what'] {
  const { recipe, films } = document;
  const plates = shownPlates(recipe, alone);
  if (table === 'original') return { kind: 'original', ...(cutting ? { cutting } : {}) };
  if (ends || table === 'plate') return { kind: 'plate', plate: plates[0], ends };
  if (table === 'film') {
    const colours = films.negative ? [BLACK, CLEAR] : [CLEAR, BLACK];
    return { kind: 'bits', plates: [plates[0]], colours };
  }
  const inks = plates.map((plate) => recipe.inks.find(({ id }) => id === recipe.plates[plate].ink)!);
  return { kind: 'bits', plates, colours: overprints(recipe.stock.colour, inks) };
}
