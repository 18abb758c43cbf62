import { PLAIN_LOOK, type LinearRgb, type ProofLook, type Recipe } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import type { DrawRequest } from '../../engine/worker.ts';
import type { TableView } from '../../store/view-slice.ts';

const CLEAR: LinearRgb = [0.86, 0.86, 0.85];
const BLACK: LinearRgb = [0.012, 0.012, 0.012];

/** The day, as labels of films say it: year, month and day (ISO 8601). */
const today = (): string => new Date().toISOString().slice(0, 10);

/** Indexes of the plates shown: the one shown alone, or all that are printed. */
export function shownPlates(recipe: Recipe, alone: string | null): number[] {
  const at = recipe.plates.findIndex(({ id }) => id === alone);
  return at >= 0 ? [at] : recipe.plates.flatMap(({ printed }, i) => (printed ? [i] : []));
}

/** What else decides what is drawn. */
interface WhatElse {
  readonly look?: ProofLook;
  /** True to show what is solid and what is bare. */
  readonly ends?: boolean;
  /** Id of the original whose cut-out is looked at. */
  readonly cutting?: string | undefined;
  /** Id of the original whose colours beyond its inks are looked at. */
  readonly reach?: string | null;
  /** True to show the whole film, with its marks, on its own grid. */
  readonly wholeFilm?: boolean;
}

/** What the workers are to draw for a view of the table. */
export function whatToDraw(
  document: JobDocument,
  table: TableView,
  alone: string | null,
  { look = PLAIN_LOOK, ends = false, cutting, reach = null, wholeFilm = false }: WhatElse = {},
): DrawRequest['what'] {
  const { recipe, films } = document;
  const plates = shownPlates(recipe, alone);
  if (table === 'original') return { kind: 'original', ...(cutting ? { cutting } : {}) };
  if (reach) return { kind: 'reach', original: reach };
  if (ends || table === 'plate') return { kind: 'plate', plate: plates[0] ?? 0, ends };
  if (table === 'film') {
    const colours = films.negative ? [BLACK, CLEAR] : [CLEAR, BLACK];
    const words = { job: document.name, day: today(), mirrored: films.mirrored };
    return { kind: 'bits', plates: [plates[0] ?? 0], colours, ...(wholeFilm ? { film: words } : {}) };
  }
  return { kind: 'proof', plates, look };
}
