import { closeSync, openSync, readSync } from 'node:fs';
import { filmFormat, present, type Scene } from '@brachytone/core';
import { isTogether, type JobDocument } from '@brachytone/job';
import { packedFilm, PDF_WRITERS } from '@brachytone/pdf';
import type { SharedMaterials } from './shared-materials.ts';
import { wholeFile, type MadeFilm } from './whole-file.ts';

/** What all films of a job are made from. */
export interface FilmsAtHand {
  readonly document: JobDocument;
  /** The day that labels say (ISO 8601). */
  readonly day: string;
  /** What labels say of the approval of the proof, where there was one. */
  readonly approval: string | undefined;
  readonly scene: Scene;
  readonly materials: SharedMaterials;
  /** The press's colour profile, where the job has one. */
  readonly intent: { readonly profile: Uint8Array; readonly name: string } | undefined;
  /** The typeface of text in files that has none of its own. */
  readonly labelFont: () => Uint8Array;
  /** Files in which plates' whole films are packed already, by the plates' ids. */
  readonly packed?: Readonly<Record<string, string>>;
}

/** True where a job's films leave in one file, of which each plate's part can be packed by itself. */
export const isPackedApart = (document: JobDocument): boolean =>
  isTogether(document) && document.films.format === 'pdf-films' && document.films.panels === null;

/** Bytes that are read of a file at once. */
const READ_BYTES = 1 << 20;

/** A file's bytes, part by part. */
function* partsOf(path: string): Generator<Uint8Array> {
  const file = openSync(path, 'r');
  try {
    for (;;) {
      const part = new Uint8Array(READ_BYTES);
      const count = readSync(file, part);
      if (count === 0) return;
      yield part.subarray(0, count);
    }
  } finally {
    closeSync(file);
  }
}

/** Packs one plate's whole film by itself, into a file that `FilmsAtHand` may name. */
export const packedFilmFile = (
  { document, day, approval, scene }: FilmsAtHand,
  id: string,
  path: string,
): Generator<number, MadeFilm> =>
  wholeFile(path, function* (sink) {
    const { recipe, films: options, name } = document;
    const plate = recipe.plates.findIndex((one) => one.id === id);
    yield* packedFilm({ scene, name, day, approval, options, sink }, plate);
    return { inked: null };
  });

/** Writes one file of films, telling what share of it is there. */
export const filmFile = (
  { document, day, approval, scene, materials, intent, labelFont, packed = {} }: FilmsAtHand,
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
      packed: (plate) => {
        const file = packed[recipe.plates[plate].id] as string | undefined;
        return file === undefined ? undefined : partsOf(file);
      },
    });
  });
