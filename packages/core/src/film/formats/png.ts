import { pngFile } from '../png.ts';
import { writeBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const png = defineFormat({
  id: 'png',
  name: 'PNG',
  says: 'One-bit PNG',
  ending: 'png',
  mediaType: 'image/png',
  holds: ['plate'],
  isGeometry: false,
  write: writeBits((sink, facts) => pngFile(sink, facts)),
});
