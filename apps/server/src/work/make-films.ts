import type { MessagePort } from 'node:worker_threads';
import { filmFormat, present, type Scene } from '@brachytone/core';
import { isTogether } from '@brachytone/job';
import { PDF_WRITERS } from '@brachytone/pdf';
import { gangFilm } from './gang-film.ts';
import { labelFont } from './label-font.ts';
import { sceneOf } from './scene-of.ts';
import type { FilmNews, MadeFilm, Tasks } from './tasks.ts';
import { wholeFile } from './whole-file.ts';

/** See `Tasks`. */
export function films({
  document,
  day,
  approval,
  films: wanted,
  materials,
  intent,
  port,
}: Tasks['films']['given']): Tasks['films']['made'] {
  const scene = sceneOf(document.recipe, materials);
  return sideBySide(
    wanted.map(({ plates, path }) =>
      makeFile({ document, day, approval, scene, materials, intent }, plates, path),
    ),
    port,
  );
}

/** See `Tasks`. */
export const gangFilms = ({
  gang,
  day,
  approvals,
  films: wanted,
  materials,
  port,
}: Tasks['gangFilms']['given']): Tasks['gangFilms']['made'] =>
  sideBySide(
    wanted.map(({ ink, path }) =>
      wholeFile(path, (sink) => gangFilm(gang, ink, day, approvals, materials, sink)),
    ),
    port,
  );

/** Makes a strip of each file in turn, for they need the same part of the picture at the same time; tells how far each is. */
function sideBySide(making: readonly Generator<number, MadeFilm>[], port: MessagePort): MadeFilm[] {
  const made: MadeFilm[] = [];
  try {
    for (let open = making.map((_, at) => at); open.length > 0;) {
      open = open.filter((at) => {
        const next = making[at].next();
        if (next.done) made[at] = next.value;
        port.postMessage([at, next.value] satisfies FilmNews);
        return !next.done;
      });
    }
    return made;
  } finally {
    port.close();
  }
}

/** What all files of a run are made from. */
interface FilmsAtHand extends Pick<
  Tasks['films']['given'],
  'document' | 'day' | 'approval' | 'materials' | 'intent'
> {
  readonly scene: Scene;
}

/** Writes one file of films, telling what share of it is there. */
const makeFile = (
  { document, day, approval, scene, materials, intent }: FilmsAtHand,
  ids: readonly string[],
  path: string,
): Generator<number, MadeFilm> =>
  wholeFile(path, (sink) => {
    const { recipe, films: options, name } = document;
    const holds = isTogether(document) ? 'job' : 'plate';
    const plates = ids.map((id) => recipe.plates.findIndex((plate) => plate.id === id));
    const job = { scene, holds, plates, name, day, approval, options, sink } as const;
    const { write } = filmFormat(options.format);
    if (write) return write(job);
    return present(
      PDF_WRITERS[options.format],
      'writer of this format',
    )({
      ...job,
      intent,
      fonts: new Map(Object.entries(materials.fonts)),
      labelFont: labelFont(),
    });
  });
