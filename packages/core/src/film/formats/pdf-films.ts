import { STRIPS_OF_ONE } from '../strips.ts';
import { defineFormat } from './film-format.ts';

export const pdfFilms = defineFormat({
  id: 'pdf-films',
  name: 'PDF, films',
  says: 'The film’s own bits, each plate in a separation named after its ink',
  ending: 'pdf',
  mediaType: 'application/pdf',
  holds: ['job'],
  made: 'bits',
  strips: STRIPS_OF_ONE,
  geometry: null,
  write: null,
});
