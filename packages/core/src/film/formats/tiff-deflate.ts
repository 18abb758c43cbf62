import { tiffFile } from '../tiff.ts';
import { writeBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const tiffDeflate = defineFormat({
  id: 'tiff-deflate',
  name: 'Deflate',
  says: 'One-bit TIFF, packed with deflate',
  ending: 'tif',
  mediaType: 'image/tiff',
  holds: ['plate'],
  isGeometry: false,
  write: writeBits((sink, facts) => tiffFile(sink, facts, 'deflate')),
});
