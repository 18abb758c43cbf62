import { filmFormat, type FilmFormat } from '@brachytone/core';
import type { JobDocument } from './document.ts';

/** A film file that a job asks for. */
export interface WantedFilm {
  /** Ids of the plates it holds. */
  readonly plates: readonly string[];
  /** Name of its ink, or of all of them. */
  readonly ink: string;
  /** File name; no two of a job are the same. */
  readonly file: string;
}

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);

/** Whether all plates of a job go into one file. */
export const isTogether = ({ films }: Pick<JobDocument, 'films'>): boolean =>
  films.together && filmFormat(films.format).holds.includes('job');

const formatOf = ({ films }: Pick<JobDocument, 'films'>): FilmFormat => filmFormat(films.format);

/** The film files of a job: one for each plate that is printed, or one for all of them. */
export function filmsOf(document: JobDocument): WantedFilm[] {
  const { recipe, name } = document;
  const printed = recipe.plates.filter((plate) => plate.printed);
  if (printed.length === 0) return [];
  const { ending } = formatOf(document);
  const file = (...words: string[]) => `${words.filter(Boolean).join('-')}.${ending}`;
  if (isTogether(document)) {
    const ink = 'all inks';
    return [{ plates: printed.map(({ id }) => id), ink, file: file(plain(name), plain(ink)) }];
  }
  return printed.map((plate) => {
    const ink = recipe.inks.find(({ id }) => id === plate.ink)?.name ?? plate.ink;
    const words = [plain(name), plain(ink)].filter(Boolean);
    const number = recipe.plates.length > 1 || words.length < 2 ? [plate.id] : [];
    return { plates: [plate.id], ink, file: file(...words, ...number) };
  });
}
