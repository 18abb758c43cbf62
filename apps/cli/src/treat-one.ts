import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { proofPng, sceneOf } from '@brachytone/files/write';
import { plainName } from '@brachytone/job';
import { withWishes, type FilmWishes } from './film-options.ts';
import { treatmentNamed } from './input.ts';
import { makeFilms, type CliFilm } from './make-films.ts';
import { Originals } from './originals.ts';
import { treatPicture } from './treat-picture.ts';

/** What is to be made of a picture. */
export interface TreatWishes extends FilmWishes {
  /** Id of a treatment, or its file. */
  readonly treatment: string;
  readonly sheet?: string;
  /** True for a proof beside the films, of so many pixels. */
  readonly proof?: boolean;
  readonly pixels: number;
}

/** A picture and where what is made of it goes. */
export interface OnePicture {
  readonly bytes: Uint8Array;
  readonly name: string;
  /** Put after the name of what is made, so that two pictures of one name do not meet. */
  readonly after: string;
  readonly folder: string;
}

/** What became of a picture. */
export interface TreatedOne {
  readonly films: readonly CliFilm[];
  readonly proof?: string;
  /** What could not be done as the treatment says. */
  readonly notes: readonly string[];
}

const originals = new Originals();

/** Makes the films of a picture in a treatment; nothing of it is kept in memory. */
export async function treatOne(
  { bytes, name, after, folder }: OnePicture,
  wishes: TreatWishes,
  tell: (share: number) => void,
): Promise<TreatedOne> {
  try {
    const laid = await treatPicture(bytes, name, treatmentNamed(wishes.treatment), wishes.sheet, originals);
    const asked = withWishes(laid.document, wishes);
    const document = { ...asked, name: asked.name + after };
    const films = await makeFilms(document, originals, folder, tell);
    if (!wishes.proof) return { films, notes: laid.says };
    const proof = `${plainName(document.name) || 'picture'}-proof.png`;
    const scene = sceneOf(document.recipe, await originals.materials(document.recipe));
    writeFileSync(join(folder, proof), await proofPng(scene, wishes.pixels));
    return { films, proof, notes: laid.says };
  } finally {
    originals.forget();
  }
}
