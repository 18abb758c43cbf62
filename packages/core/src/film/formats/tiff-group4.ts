import { tiffFile } from '../tiff.ts';
import { writeBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const tiffGroup4 = defineFormat({
  id: 'tiff-group4',
  name: 'TIFF',
  says: 'One-bit TIFF, packed as Group 4 fax: what most film setters take',
  ending: 'tif',
  mediaType: 'image/tiff',
  holds: ['plate'],
  isGeometry: false,
  write: writeBits((sink, facts) => tiffFile(sink, facts, 'group4')),
});
