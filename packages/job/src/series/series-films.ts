import type { JobDocument } from '../document.ts';
import { filmsOf, plainName, type WantedFilm } from '../films.ts';
import { filledIn, memberNumber, nameOf } from './member-document.ts';
import type { Series } from './series.ts';

/** A film file of a member of a series. */
export interface SeriesFilm extends WantedFilm {
  /** Place of the member, from 0. */
  readonly member: number;
}

/** The film files of a series, member by member, named by its pattern; no two are of one name. */
export function seriesFilms(document: JobDocument, series: Series): SeriesFilm[] {
  const taken = new Set<string>();
  const each = filmsOf(document);
  return series.members.flatMap((member, at) =>
    each.map((film) => {
      const ending = film.file.slice(film.file.lastIndexOf('.'));
      const plate = document.recipe.plates.findIndex(({ id }) => id === film.plates[0]) + 1;
      const wanted = plainName(
        filledIn(series.pattern, {
          no: memberNumber(series, at),
          name: nameOf(member),
          series: document.name,
          ink: film.ink,
          plate: String(plate),
          ...member.fields,
        }),
      );
      const stem = wanted || `${memberNumber(series, at)}-${plainName(film.ink)}`;
      let free = stem;
      for (let number = 2; taken.has(free); number++) free = `${stem}-${number}`;
      taken.add(free);
      return { ...film, file: `${free}${ending}`, member: at };
    }),
  );
}
