import type { FilmFacts, FilmFile } from '../film-file.ts';
import { filmLayout } from '../film-layout.ts';
import { filmFacts, makeFilm } from '../make-film.ts';
import type { Sink } from '../sink.ts';
import type { FilmFormat } from './film-format.ts';

/** Writes one plate's bits into a file that takes them strip by strip. */
export const writeBits = (open: (sink: Sink, facts: FilmFacts) => FilmFile): FilmFormat['write'] =>
  function* ({ scene, plates: [plate], name, day, options, sink }) {
    const facts = filmFacts(scene, plate, name);
    const { width, height } = filmLayout(scene.recipe).frame;
    let inked = 0;
    for (const progress of makeFilm(scene, plate, options, open(sink, facts), { job: name, day })) {
      inked = progress.inked;
      yield progress.rows / progress.of;
    }
    return { inked: (inked / (width * height)) * 100 };
  };
