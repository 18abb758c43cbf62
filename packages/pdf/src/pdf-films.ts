import {
  bands,
  filmBits,
  filmFacts,
  filmLayout,
  group4Stream,
  inkOf,
  stripRows,
  toFilm,
} from '@brachytone/core';
import { filmPage, openFilmPdf, overprinting, type PdfJob, type WritePdf } from './pdf-job.ts';
import { POINTS, type PdfFile } from './pdf-file.ts';
import { separation } from './separation.ts';

/** The films' own bits: every plate an image mask packed as Group 4, painted in its separation, over those before it or on a page of its own. */
export const pdfFilms: WritePdf = function* (job) {
  const { scene, plates, options } = job;
  const { recipe } = scene;
  const file = openFilmPdf(job);
  const size = filmPage(recipe);
  const n = recipe.stock.yuleNielsen;
  for (const [i, plate] of plates.entries()) {
    if (i === 0 || options.pages === 'plates') {
      file.page(size);
      overprinting(file);
    }
    const mask = yield* filmMask(file, job, plate, (share) => (i + share) / plates.length);
    file.name('ColorSpace', `Ink${i}`, separation(file, inkOf(recipe.inks, recipe.plates[plate].ink), n));
    file.name('XObject', `Film${i}`, mask);
    const [wide, high] = [size.width * POINTS, size.height * POINTS];
    file.draw(`q /Over gs /Ink${i} cs 1 scn ${wide} 0 0 ${-high} 0 ${high} cm /Film${i} Do Q`);
    file.flush();
  }
  file.finish();
  return { inked: null };
};

/** A plate's film as an image mask (ISO 32000-1, section 8.9.6.2) that paints where it is inked. */
function* filmMask(
  file: PdfFile,
  { scene, name, day, options }: PdfJob,
  plate: number,
  share: (of: number) => number,
) {
  const layout = filmLayout(scene.recipe);
  const { width, height } = layout;
  const words = { job: name, day, mirrored: options.mirrored };
  const mask = file.ref({
    Type: 'XObject',
    Subtype: 'Image',
    Width: width,
    Height: height,
    ImageMask: true,
    BitsPerComponent: 1,
    // Ink is 1, and painted.
    Decode: [1, 0],
    Filter: 'CCITTFaxDecode',
    DecodeParms: { K: -1, Columns: width, Rows: height, BlackIs1: true },
  });
  const packed = group4Stream(width);
  const rows = stripRows(filmFacts(scene, plate, name));
  for (const strip of bands({ x: 0, y: 0, width, height }, 1, rows)) {
    const bits = filmBits(scene, plate, layout, strip, words);
    mask.write(Buffer.from(packed.rows(toFilm(bits, options))));
    yield share((strip.y + strip.height) / height);
  }
  mask.end(Buffer.from(packed.end()));
  return mask;
}
