import { bands, filmBits, filmLayout, group4Stream, stripRows, toFilm, type Region } from '@brachytone/core';
import type { PdfFile, PdfRef } from './pdf-file.ts';
import type { PdfJob } from './pdf-job.ts';

/**
 * A region of a plate's film as an image mask (ISO 32000-1, section 8.9.6.2) that paints where it is inked. A mirrored film has its regions counted
 * from its other end.
 */
export function* filmMask(
  file: PdfFile,
  { scene, name, day, options }: PdfJob,
  plate: number,
  region: Region,
  share: (of: number) => number,
): Generator<number, PdfRef> {
  const layout = filmLayout(scene.recipe);
  const { width, height } = region;
  const words = { job: name, day, mirrored: options.mirrored };
  const mask = file.ref({
    Type: 'XObject',
    Subtype: 'Image',
    Width: width,
    Height: height,
    ImageMask: true,
    BitsPerComponent: 1,
    // Ink is 1, and painted.
    Decode: [1, 0],
    Filter: 'CCITTFaxDecode',
    DecodeParms: { K: -1, Columns: width, Rows: height, BlackIs1: true },
  });
  const packed = group4Stream(width);
  const rows = stripRows({ width, height, resolution: layout.resolution, description: '' });
  const x = options.mirrored ? layout.width - region.x - width : region.x;
  for (const strip of bands({ ...region, x }, 1, rows)) {
    const bits = filmBits(scene, plate, layout, strip, words);
    mask.write(Buffer.from(packed.rows(toFilm(bits, options))));
    yield share((strip.y - region.y + strip.height) / height);
  }
  mask.end(Buffer.from(packed.end()));
  return mask;
}
