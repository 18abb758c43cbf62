import { tiffFile, tiffStrips } from '../tiff.ts';
import { writeBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const tiffDeflate = defineFormat({
  id: 'tiff-deflate',
  name: 'TIFF, deflate',
  says: 'The film’s own bits, packed with deflate',
  ending: 'tif',
  mediaType: 'image/tiff',
  holds: ['plate'],
  made: 'bits',
  strips: tiffStrips('deflate'),
  geometry: null,
  write: writeBits((sink, facts) => tiffFile(sink, facts, 'deflate')),
});
