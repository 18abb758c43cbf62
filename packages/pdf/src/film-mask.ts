import { filmBits, filmLayout, filmStrips, group4Stream, toFilm, told, type Region } from '@brachytone/core';
import { bitsMask, maskObject } from './bits-mask.ts';
import type { PdfFile, PdfRef } from './pdf-file.ts';
import type { PdfJob } from './pdf-job.ts';

/** A region of a plate's film as an image mask. A mirrored film has its regions counted from its other end. */
export function* filmMask(
  file: PdfFile,
  { scene, name, day, approval, options }: PdfJob,
  plate: number,
  part: Region,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const layout = filmLayout(scene.recipe);
  const words = { job: name, day, approval, mirrored: options.mirrored };
  const x = options.mirrored ? layout.width - part.x - part.width : part.x;
  const bits = (strip: Region) => toFilm(filmBits(scene, plate, layout, strip, words), options);
  return yield* told(bitsMask(file, { ...part, x }, bits), share);
}

/** A plate's whole film as an image mask, of strips that were packed before where there are some. */
export function* wholeFilmMask(
  file: PdfFile,
  job: PdfJob,
  plate: number,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const { width, height } = filmLayout(job.scene.recipe);
  const { packed } = job;
  if (!packed) return yield* filmMask(file, job, plate, { x: 0, y: 0, width, height }, share);
  const mask = maskObject(file, { width, height });
  const stream = group4Stream();
  const strips = filmStrips({ width, height });
  for (const i of strips.keys()) {
    mask.write(Buffer.from(stream.packed(packed(plate, i))));
    yield share((i + 1) / strips.length);
  }
  mask.end(Buffer.from(stream.end()));
  return mask;
}
