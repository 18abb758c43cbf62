import type { MessagePort } from 'node:worker_threads';
import { emptyPixelCaches } from '@brachytone/core';
import { collectGarbage } from '../collect-garbage.ts';
import { gangFilm } from './gang-film.ts';
import { labelFont } from './label-font.ts';
import { filmFile, packPieces, sceneOf, sideBySide, wholeFile, type MadeFilm } from '@brachytone/files/write';
import type { FilmNews, Tasks } from './tasks.ts';

/** See `Tasks`. */
export function films({
  document,
  day,
  approval,
  films: wanted,
  packed,
  materials,
  intent,
  leavesNothing,
  port,
}: Tasks['films']['given']): Tasks['films']['made'] {
  const scene = sceneOf(document.recipe, materials);
  if (leavesNothing)
    setImmediate(() => {
      emptyPixelCaches();
      collectGarbage();
    });
  const atHand = { document, day, approval, scene, materials, intent, labelFont, packed };
  return allOf(
    wanted.map(({ plates, path }) => filmFile(atHand, plates, path)),
    port,
  );
}

/** See `Tasks`. */
export function filmPieces({
  wanted,
  port,
  document,
  materials,
  ...rest
}: Tasks['filmPieces']['given']): Tasks['filmPieces']['made'] {
  const scene = sceneOf(document.recipe, materials);
  try {
    const packing = packPieces({ ...rest, document, materials, scene, labelFont }, wanted);
    for (;;) {
      const next = packing.next();
      if (next.done) return next.value;
      port.postMessage(next.value);
    }
  } finally {
    port.close();
  }
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
  allOf(
    wanted.map(({ ink, path }) =>
      wholeFile(path, (sink) => gangFilm(gang, ink, day, approvals, materials, sink)),
    ),
    port,
  );

/** Makes files side by side, and tells how far each is. */
function allOf(making: readonly Generator<number, MadeFilm>[], port: MessagePort): MadeFilm[] {
  try {
    const all = sideBySide(making, (at, news) => port.postMessage([at, news] satisfies FilmNews));
    for (;;) {
      const next = all.next();
      if (next.done) return next.value;
    }
  } finally {
    port.close();
  }
}
