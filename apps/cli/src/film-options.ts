import { FILM_FORMATS, type FilmFormatId } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { InvalidArgumentError, Option } from 'commander';

/** What any command that makes films can be asked for. */
export interface FilmWishes {
  readonly format?: FilmFormatId;
  readonly dpi?: number;
  readonly mirrored?: boolean;
  readonly negative?: boolean;
}

const wholeNumber = (least: number, most: number) => (text: string) => {
  const number = Number(text);
  if (!Number.isInteger(number) || number < least || number > most)
    throw new InvalidArgumentError(`It must be a whole number from ${least} to ${most}.`);
  return number;
};

export const FILM_OPTIONS = (): Option[] => [
  new Option('--format <id>', 'format of the films').choices(FILM_FORMATS.map(({ id }) => id)),
  new Option('--dpi <number>', 'film resolution, dots per inch').argParser(wholeNumber(36, 4800)),
  new Option('--mirrored', 'emulsion side down'),
  new Option('--negative', 'dark where there is no ink'),
];

/** What any command can be asked for that a server may do in its place. */
export interface ServerWishes {
  readonly server?: string;
  readonly token?: string;
}

export const SERVER_OPTIONS = (): Option[] => [
  new Option('--server <url>', 'have a server make it, as a job of its own'),
  new Option('--token <token>', 'of one of the server’s makers').env('BRACHYTONE_TOKEN'),
];

/** Longer side of a proof, pixels. */
export const PIXELS_OPTION = (words: string): Option =>
  new Option('--pixels <number>', words).argParser(wholeNumber(32, 10_000)).default(1600);

/** A job whose films are made as they are wished for. */
export function withWishes(
  document: JobDocument,
  { format, dpi, mirrored, negative }: FilmWishes,
): JobDocument {
  const { films, recipe } = document;
  return {
    ...document,
    films: {
      ...films,
      ...(format === undefined ? {} : { format }),
      ...(mirrored ? { mirrored } : {}),
      ...(negative ? { negative } : {}),
    },
    recipe: dpi === undefined ? recipe : { ...recipe, sheet: { ...recipe.sheet, resolution: dpi } },
  };
}
