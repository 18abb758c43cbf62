import { bands, group4Stream, stripRows, type Bits, type Region } from '@brachytone/core';
import type { PdfFile, PdfRef } from './pdf-file.ts';

/** An image mask (ISO 32000-1, section 8.9.6.2) that paints where bits are inked; it is whole once they are written into it, packed as one Group 4 picture. */
export const maskObject = (file: PdfFile, { width, height }: Pick<Region, 'width' | 'height'>): PdfRef =>
  file.ref({
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

/** A region of bits as an image mask, packed a strip at a time. */
export function* bitsMask(
  file: PdfFile,
  region: Region,
  bits: (strip: Region) => Bits,
): Generator<number, PdfRef> {
  const mask = maskObject(file, region);
  const stream = group4Stream();
  for (const strip of bands(region, 1, stripRows(region))) {
    mask.write(Buffer.from(stream.rows(bits(strip))));
    yield (strip.y - region.y + strip.height) / region.height;
  }
  mask.end(Buffer.from(stream.end()));
  return mask;
}
