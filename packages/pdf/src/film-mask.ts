import { filmBits, filmLayout, toFilm, told, type Region } from '@brachytone/core';
import { bitsMask, maskObject, packedBits } from './bits-mask.ts';
import type { PdfFile, PdfRef } from './pdf-file.ts';
import type { PdfJob } from './pdf-job.ts';

type FilmOf = Pick<PdfJob, 'scene' | 'name' | 'day' | 'approval' | 'options'>;

/** A region of a plate's film, and what makes its bits. A mirrored film has its regions counted from its other end. */
function filmRegion({ scene, name, day, approval, options }: FilmOf, plate: number, region: Region) {
  const layout = filmLayout(scene.recipe);
  const words = { job: name, day, approval, mirrored: options.mirrored };
  const x = options.mirrored ? layout.width - region.x - region.width : region.x;
  return {
    region: { ...region, x },
    bits: (strip: Region) => toFilm(filmBits(scene, plate, layout, strip, words), options),
  };
}

/** A region of a plate's film as an image mask. */
export function* filmMask(
  file: PdfFile,
  job: PdfJob,
  plate: number,
  part: Region,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const { region, bits } = filmRegion(job, plate, part);
  return yield* told(bitsMask(file, region, bits), share);
}

const wholeFilm = ({ scene }: Pick<PdfJob, 'scene'>): Region => {
  const { width, height } = filmLayout(scene.recipe);
  return { x: 0, y: 0, width, height };
};

/** A plate's whole film as an image mask, of what was packed before where it was. */
export function* wholeFilmMask(
  file: PdfFile,
  job: PdfJob,
  plate: number,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const packed = job.packed?.(plate);
  if (!packed) return yield* filmMask(file, job, plate, wholeFilm(job), share);
  const mask = maskObject(file, wholeFilm(job));
  for (const part of packed) mask.write(Buffer.from(part));
  mask.end('');
  yield share(1);
  return mask;
}

/** Packs a plate's whole film by itself, for a PDF to be made of several that were packed side by side. */
export function* packedFilm(job: FilmOf & Pick<PdfJob, 'sink'>, plate: number): Generator<number> {
  const { region, bits } = filmRegion(job, plate, wholeFilm(job));
  yield* packedBits(region, bits, (part) => job.sink.write(part));
}
