import { filmFormat, present, type Scene } from '@brachytone/core';
import { isTogether, type JobDocument } from '@brachytone/job';
import { PDF_WRITERS } from '@brachytone/pdf';
import type { SharedMaterials } from './shared-materials.ts';
import { packedPieces, type PiecePlace } from './piece-files.ts';
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
  /** Pieces of all films that were packed apart; none where they are still to be made. */
  readonly packed?: readonly PiecePlace[];
}

/** Writes one file of films, telling what share of it is there. */
export const filmFile = (
  { document, day, approval, scene, materials, intent, labelFont, packed = [] }: FilmsAtHand,
  ids: readonly string[],
  path: string,
): Generator<number, MadeFilm> =>
  wholeFile(path, (sink) => {
    const { recipe, films: options, name } = document;
    const holds = isTogether(document) ? 'job' : 'plate';
    const plates = ids.map((id) => recipe.plates.findIndex((plate) => plate.id === id));
    const pieces = packed.length === 0 ? undefined : packedPieces(document, packed);
    const job = { scene, holds, plates, name, day, approval, options, sink, packed: pieces } as const;
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
