import { pngFile } from '../png.ts';
import { writeBits } from './bits.ts';
import { defineFormat } from './film-format.ts';

export const png = defineFormat({
  id: 'png',
  name: 'PNG',
  says: 'The film’s own bits, as any program opens them',
  ending: 'png',
  mediaType: 'image/png',
  holds: ['plate'],
  made: 'bits',
  strips: null,
  geometry: null,
  write: writeBits((sink, facts) => pngFile(sink, facts)),
});
