import { filmFormat, type FilmFormat } from '@brachytone/core';
import slugify from 'slugify';
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

/** A name in small Latin letters and digits, as it may stand in the name of a file anywhere. */
export const plainName = (text: string): string =>
  slugify(text.normalize('NFKC').replace(/[^\p{L}\p{M}\p{N}%&]+/gu, ' '), { lower: true, strict: true })
    .slice(0, 60)
    .replace(/-+$/, '');

/** Whether all plates of a job go into one file. */
export function isTogether({ films }: Pick<JobDocument, 'films'>): boolean {
  const { holds } = filmFormat(films.format);
  return holds.includes('job') && (films.together || !holds.includes('plate'));
}

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
    return [{ plates: printed.map(({ id }) => id), ink, file: file(plainName(name), plainName(ink)) }];
  }
  return printed.map((plate) => {
    // Its place among all plates, as its card says.
    const place = `plate-${recipe.plates.indexOf(plate) + 1}`;
    const ink = recipe.inks.find(({ id }) => id === plate.ink)?.name ?? plate.ink;
    const words = [plainName(name), plainName(ink)].filter(Boolean);
    const number = recipe.plates.length > 1 || words.length < 2 ? [place] : [];
    return { plates: [plate.id], ink, file: file(...words, ...number) };
  });
}
