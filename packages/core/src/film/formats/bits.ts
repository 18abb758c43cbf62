import type { FilmFacts, FilmFile } from '../film-file.ts';
import { filmFacts, makeFilm } from '../make-film.ts';
import type { Sink } from '../sink.ts';
import type { FilmFormat } from './film-format.ts';

/** Writes one plate's bits into a file that takes them strip by strip. */
export const writeBits = (open: (sink: Sink, facts: FilmFacts) => FilmFile): FilmFormat['write'] =>
  function* ({ scene, plates: [plate], name, options, sink }) {
    const facts = filmFacts(scene, plate, name);
    let inked = 0;
    for (const progress of makeFilm(scene, plate, options, open(sink, facts))) {
      inked = progress.inked;
      yield progress.rows / progress.of;
    }
    return { inked: (inked / (facts.width * facts.height)) * 100 };
  };
