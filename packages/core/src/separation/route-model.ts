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

/** A table of ink amounts by a model, to be made. */
export interface ModelTable {
  /** Cache key: equal iff the amounts are. */
  readonly name: string;
  readonly make: () => SeparationTable;
}

/**
 * @param rules what the amounts hang on besides the model
 * @param make  amounts on a grid of `size` colours each way; `modelKey` is equal iff the model is
 * @param draft a coarser one will do
 */
export function modelTable(
  model: InkModel,
  rules: readonly (string | number)[],
  make: (size: number, modelKey: string) => Grid,
  draft: boolean,
): ModelTable {
  const size = draft ? QUICK : FINE;
  const modelKey = `${model.n} ${model.primaries.join(' ')}`;
  return {
    name: JSON.stringify([modelKey, rules, size]),
    make: () => tableOf(make(size, modelKey)),
  };
}

/**
 * The amounts, made once.
 *
 * @param made tables that were made elsewhere, by their names
 */
export const madeTable = (
  { name, make }: ModelTable,
  made: ReadonlyMap<string, SeparationTable> | undefined,
): SeparationTable => made?.get(name) ?? recentTables(name, make);
