import type { FilmFormat, JobDocument } from '@brachytone/job';

const plain = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);

const ENDINGS: Record<FilmFormat, string> = {
  'tiff-group4': 'tif',
  'tiff-deflate': 'tif',
  png: 'png',
  svg: 'svg',
  'svg-together': 'svg',
};

/** File name of a film: job and ink in plain letters, then the plate, so that no two are the same. */
export function filmFileName(document: JobDocument, ink: string, plate: string): string {
  const words = [plain(document.name), plain(ink)].filter(Boolean);
  if (document.films.format === 'svg-together') return `${words.join('-')}.svg`;
  if (document.recipe.plates.length > 1 || words.length < 2) words.push(plate);
  return `${words.join('-')}.${ENDINGS[document.films.format]}`;
}
