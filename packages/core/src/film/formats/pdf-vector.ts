import { defineFormat } from './film-format.ts';

export const pdfVector = defineFormat({
  id: 'pdf-vector',
  name: 'PDF, vector',
  says: 'Dots as geometry, each plate in a separation named after its ink',
  ending: 'pdf',
  mediaType: 'application/pdf',
  holds: ['job'],
  made: 'geometry',
  strips: null,
  geometry: null,
  write: null,
});
