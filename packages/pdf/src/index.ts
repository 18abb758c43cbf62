import type { FilmFormatId, GeometryPacking } from '@brachytone/core';
import { pdfFilms } from './pdf-films.ts';
import type { WritePdf } from './pdf-job.ts';
import { pdfTones } from './pdf-tones.ts';
import { pdfGeometry, pdfVector } from './pdf-vector.ts';

export { bitsMask } from './bits-mask.ts';
export { panelPicture, type PanelPicture } from './panel-picture.ts';
export { openPdf, POINTS } from './pdf-file.ts';
export { separation } from './separation.ts';
export type { Ticket, TicketPlate } from './ticket.ts';
export { ticketPdf } from './ticket-pdf.ts';
export type { PdfJob, WritePdf } from './pdf-job.ts';

/** How each format of films that is a PDF is written. */
export const PDF_WRITERS: Readonly<Partial<Record<FilmFormatId, WritePdf>>> = {
  'pdf-films': pdfFilms,
  'pdf-vector': pdfVector,
  'pdf-tones': pdfTones,
};

/** How each format of geometry that is a PDF is packed in parts. */
export const PDF_GEOMETRY: Readonly<Partial<Record<FilmFormatId, GeometryPacking>>> = {
  'pdf-vector': pdfGeometry,
};
