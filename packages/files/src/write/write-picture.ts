import { closeSync, openSync, rmSync, writeSync } from 'node:fs';
import { colourPng, MM_PER_INCH, picture, pictureSize, type Scene } from '@brachytone/core';
import type { PictureRequest } from '@brachytone/job';
import sharp, { type Sharp } from 'sharp';

/**
 * Writes a picture of a print. It is made in bands into a file that is soon thrown away, and packed from there row by row, so that the largest takes no
 * more memory than a small one.
 */
export async function writePicture(
  scene: Scene,
  request: PictureRequest,
  title: string,
  path: string,
): Promise<void> {
  const { recipe } = scene;
  const { columns, rows, ppi, times } = pictureSize(recipe.sheet, request);
  const plates = recipe.plates.flatMap(({ id, printed }, i) =>
    (request.plate === undefined ? printed : id === request.plate) ? [i] : [],
  );
  const made = `${path}.bands`;
  try {
    const file = openSync(made, 'w');
    try {
      const sink = { write: (bytes: Uint8Array) => void writeSync(file, bytes), patch: () => undefined };
      const facts = { width: columns, height: rows, resolution: ppi, description: title };
      const png = colourPng(sink, facts, 1);
      for (const { rgba } of picture(scene, plates, request)) png.rows(rgba);
      png.finish();
    } finally {
      closeSync(file);
    }
    const read = sharp(made, { limitInputPixels: false, sequentialRead: true });
    const shown = request.transparent ? read : read.removeAlpha();
    await PACKED[request.format](shown.withMetadata({ density: ppi }).withIccProfile('srgb'), {
      ppi,
      isHard: times !== undefined,
    }).toFile(path);
  } finally {
    rmSync(made, { force: true });
  }
}

/** How each format packs a picture; hard edges are never blurred where there is a way not to. */
const PACKED: Readonly<
  Record<PictureRequest['format'], (from: Sharp, how: { ppi: number; isHard: boolean }) => Sharp>
> = {
  png: (from) => from.png({ compressionLevel: 6 }),
  webp: (from, { isHard }) => from.webp(isHard ? { lossless: true } : { quality: 92, alphaQuality: 100 }),
  // Codes made for the picture itself would be found with all of it in memory: 3 GB for the largest.
  jpeg: (from) => from.jpeg({ quality: 94, chromaSubsampling: '4:4:4', optimiseCoding: false }),
  tiff: (from, { ppi }) =>
    from.tiff({
      compression: 'deflate',
      predictor: 'horizontal',
      xres: ppi / MM_PER_INCH,
      yres: ppi / MM_PER_INCH,
    }),
};
