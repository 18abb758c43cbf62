import { bands, group4Stream, stripRows, type Bits, type Region } from '@brachytone/core';
import type { PdfFile, PdfRef } from './pdf-file.ts';

/**
 * Bits as an image mask (ISO 32000-1, section 8.9.6.2) that paints where they are inked, packed as one Group 4 picture.
 *
 * @param region of the film, made a strip at a time
 */
export function* bitsMask(
  file: PdfFile,
  region: Region,
  bits: (strip: Region) => Bits,
): Generator<number, PdfRef> {
  const { width, height } = region;
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
  for (const strip of bands(region, 1, stripRows({ width, height, resolution: 0, description: '' }))) {
    mask.write(Buffer.from(packed.rows(bits(strip))));
    yield (strip.y - region.y + strip.height) / height;
  }
  mask.end(Buffer.from(packed.end()));
  return mask;
}
