import { mkdirSync, readFileSync } from 'node:fs';
import { setImmediate as nextTurn } from 'node:timers/promises';
import { join } from 'node:path';
import { present } from '@brachytone/core';
import { filmFile, sceneOf, sideBySide, type MadeFilm } from '@brachytone/files/write';
import { filmsOf, LABEL_TYPEFACE, Problem, SHIPPED_TYPEFACES, type JobDocument } from '@brachytone/job';
import type { Originals } from './originals.ts';
import { typefacesFolder } from './paths.ts';

/** A film that was made. */
export interface CliFilm extends MadeFilm {
  readonly file: string;
  readonly ink: string;
}

const labelFont = (): Uint8Array =>
  readFileSync(
    join(
      typefacesFolder(),
      present(
        SHIPPED_TYPEFACES.find(({ sha256 }) => sha256 === LABEL_TYPEFACE),
        'typeface of labels',
      ).file,
    ),
  );

/**
 * Makes the films of a job into a folder: the very bits that the server makes. Plates that carry nothing leave no file.
 *
 * @param tell   what share of 1 of all of them is there
 * @param signal ends it between two strips; what was being written is left under another name
 */
export async function makeFilms(
  document: JobDocument,
  originals: Originals,
  folder: string,
  tell: (share: number) => void,
  signal?: AbortSignal,
): Promise<CliFilm[]> {
  const wanted = filmsOf(document);
  if (wanted.length === 0)
    throw new Problem(
      422,
      'No films',
      'The job has no plate that is printed, so there are no films to make.',
    );
  const materials = await originals.materials(document.recipe);
  const scene = sceneOf(document.recipe, materials);
  const intent = await originals.pressProfile(document.recipe);
  mkdirSync(folder, { recursive: true });
  const day = new Date().toISOString().slice(0, 10);
  const hand = { document, day, approval: undefined, scene, materials, intent, labelFont };
  const shares = wanted.map(() => 0);
  const all = sideBySide(
    wanted.map(({ plates, file }) => filmFile(hand, plates, join(folder, file))),
    (at, news) => {
      shares[at] = typeof news === 'number' ? news : 1;
      tell(shares.reduce((sum, share) => sum + share, 0) / shares.length);
    },
  );
  for (;;) {
    const next = all.next();
    if (!next.done) {
      // Signals are heard, and whoever waits is told, between two strips.
      await nextTurn();
      signal?.throwIfAborted();
      continue;
    }
    return next.value.map((made, i) => ({ file: wanted[i].file, ink: wanted[i].ink, ...made }));
  }
}
