import { filmBits, filmLayout, toFilm, told, type Region } from '@brachytone/core';
import { bitsMask } from './bits-mask.ts';
import type { PdfFile, PdfRef } from './pdf-file.ts';
import type { PdfJob } from './pdf-job.ts';

/** A region of a plate's film as an image mask. A mirrored film has its regions counted from its other end. */
export function* filmMask(
  file: PdfFile,
  { scene, name, day, approval, options }: PdfJob,
  plate: number,
  region: Region,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const layout = filmLayout(scene.recipe);
  const words = { job: name, day, approval, mirrored: options.mirrored };
  const x = options.mirrored ? layout.width - region.x - region.width : region.x;
  const making = bitsMask(file, { ...region, x }, (strip) =>
    toFilm(filmBits(scene, plate, layout, strip, words), options),
  );
  return yield* told(making, share);
}
