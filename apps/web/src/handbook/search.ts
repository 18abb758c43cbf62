import MiniSearch from 'minisearch';
import { PLACES, type HandbookPlace } from './pages.ts';

const index = new MiniSearch<HandbookPlace>({
  fields: ['title', 'pageTitle', 'text'],
  storeFields: [],
  searchOptions: { boost: { title: 4, pageTitle: 2 }, prefix: true, fuzzy: 0.15 },
});
index.addAll(PLACES);

const byId = new Map(PLACES.map((one) => [one.id, one]));

/** Places of the handbook that words are found at, the best first. */
export const searchHandbook = (words: string): HandbookPlace[] =>
  index
    .search(words, { combineWith: 'AND' })
    .slice(0, 24)
    .flatMap(({ id }) => byId.get(id as string) ?? []);
