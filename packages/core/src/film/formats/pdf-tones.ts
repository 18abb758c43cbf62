import { defineFormat } from './film-format.ts';

export const pdfTones = defineFormat({
  id: 'pdf-tones',
  name: 'PDF, tones',
  says: 'Tones unscreened with the screens written beside them, for shops that screen themselves',
  ending: 'pdf',
  mediaType: 'application/pdf',
  holds: ['job'],
  made: 'tones',
  strips: null,
  geometry: null,
  write: null,
});
