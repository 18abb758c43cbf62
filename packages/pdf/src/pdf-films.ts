import { inkOf } from '@brachytone/core';
import { wholeFilmMask } from './film-mask.ts';
import { panelPages } from './panel-pages.ts';
import { filmPage, openFilmPdf, overprinting, type WritePdf } from './pdf-job.ts';
import { POINTS } from './pdf-file.ts';
import { separation } from './separation.ts';

/** The films' own bits: every plate an image mask packed as Group 4, painted in its separation, over those before it or on a page of its own. */
export const pdfFilms: WritePdf = function* (job) {
  const { scene, plates, options } = job;
  if (options.panels) return yield* panelPages(job);
  const { recipe } = scene;
  const file = openFilmPdf(job);
  const size = filmPage(recipe);
  const n = recipe.stock.yuleNielsen;
  for (const [i, plate] of plates.entries()) {
    if (i === 0 || options.pages === 'plates') {
      file.page(size);
      overprinting(file);
    }
    const mask = yield* wholeFilmMask(file, job, plate, (share) => (i + share) / plates.length);
    file.name('ColorSpace', `Ink${i}`, separation(file, inkOf(recipe.inks, recipe.plates[plate].ink), n));
    file.name('XObject', `Film${i}`, mask);
    const [wide, high] = [size.width * POINTS, size.height * POINTS];
    file.draw(`q /Over gs /Ink${i} cs 1 scn ${wide} 0 0 ${-high} 0 ${high} cm /Film${i} Do Q`);
    file.flush();
  }
  file.finish();
  return { inked: null };
};
