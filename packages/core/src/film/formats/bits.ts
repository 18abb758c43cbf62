import type { FilmFacts, FilmFile } from '../film-file.ts';
import { filmLayout } from '../film-layout.ts';
import { filmFacts, makeFilm } from '../make-film.ts';
import type { Sink } from '../sink.ts';
import type { FilmFormat, FilmJob } from './film-format.ts';

/**
 * Writes a plate's bits into a file that takes them strip by strip, telling what share of it is there.
 *
 * @returns percent of the plate that is inked
 */
export function* writePlateBits(
  { scene, name, day, approval, options, packed }: FilmJob,
  plate: number,
  file: FilmFile,
): Generator<number, number> {
  const { width, height } = filmLayout(scene.recipe).frame;
  let inked = 0;
  const strips = packed && ((strip: number) => packed(plate, strip));
  for (const progress of makeFilm(scene, plate, options, file, { job: name, day, approval }, strips)) {
    inked = progress.inked;
    yield progress.rows / progress.of;
  }
  return (inked / (width * height)) * 100;
}

/** Writes a file of one plate's bits. */
export const writeBits = (
  open: (sink: Sink, facts: FilmFacts) => FilmFile,
): NonNullable<FilmFormat['write']> =>
  function* (job) {
    const {
      scene,
      plates: [plate],
      name,
      sink,
    } = job;
    const inked = yield* writePlateBits(job, plate, open(sink, filmFacts(scene, plate, name)));
    return { inked };
  };
