import { cache } from '../base/cache.ts';
import type { InkSet } from '../ink/ink-set.ts';
import { inkModel, type InkModel } from '../ink/model.ts';
import type { Grid } from './grid.ts';
import { tableOf, type SeparationTable } from './table.ts';

/** Colours each way of the table that films are made with, and of the one for a first picture. */
const FINE = 17;
const QUICK = 9;

/** The model of some inks of a set, in the order of their ids, which may be another than that of printing. */
export function modelOf(ids: readonly string[], inkSet: InkSet): InkModel {
  const printed = inkSet.inks.filter(({ id }) => ids.includes(id));
  const model = inkModel(inkSet.stock, printed, inkSet.overprints);
  const place = ids.map((id) => printed.findIndex((ink) => ink.id === id));
  const primaries = new Float64Array(model.primaries.length);
  for (let set = 0; set < 1 << ids.length; set++) {
    const from = place.reduce((mask, at, i) => (set & (1 << i) ? mask | (1 << at) : mask), 0);
    primaries.set(model.primaries.subarray(3 * from, 3 * from + 3), 3 * set);
  }
  return { ...model, primaries };
}

const recentTables = cache<SeparationTable>('separation tables');

/**
 * A table of ink amounts by a model, made once.
 *
 * @param rules what else the amounts hang on
 * @param make  amounts on a grid of `size` colours each way; `modelKey` is equal iff the model is
 * @param draft a coarser one will do
 */
export function modelledTable(
  model: InkModel,
  rules: readonly (string | number)[],
  make: (size: number, modelKey: string) => Grid,
  draft: boolean,
): SeparationTable {
  const size = draft ? QUICK : FINE;
  const modelKey = `${model.n} ${model.primaries.join(' ')}`;
  return recentTables(JSON.stringify([modelKey, rules, size]), () => tableOf(make(size, modelKey)));
}
