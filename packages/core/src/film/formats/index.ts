import { present } from '../../base/present.ts';
import type { FilmFormat } from './film-format.ts';
import { pdfFilms } from './pdf-films.ts';
import { pdfTones } from './pdf-tones.ts';
import { pdfVector } from './pdf-vector.ts';
import { png } from './png.ts';
import { svg } from './svg.ts';
import { tiffDeflate } from './tiff-deflate.ts';
import { tiffGroup4 } from './tiff-group4.ts';
import { tiffTones } from './tiff-tones.ts';

const FORMATS = [tiffGroup4, tiffDeflate, png, svg, pdfFilms, pdfVector, pdfTones, tiffTones] as const;

/** Ids of the formats. */
export type FilmFormatId = (typeof FORMATS)[number]['id'];

/** Every format of film files, in the order they are offered. */
export const FILM_FORMATS: readonly (FilmFormat & { readonly id: FilmFormatId })[] = FORMATS;

/** The film format of an id. */
export const filmFormat = (id: FilmFormatId): FilmFormat =>
  present(
    FORMATS.find((one) => one.id === id),
    `film format “${id}”`,
  );
