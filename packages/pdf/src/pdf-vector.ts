import {
  filmLayout,
  inkOf,
  latticeOf,
  marksPaths,
  NO_WORDS,
  pdfPathData,
  perMmOf,
  plateShapes,
  unitsOf,
  type Recipe,
} from '@brachytone/core';
import { filmPage, openFilmPdf, overprinting, type PdfJob, type WritePdf } from './pdf-job.ts';
import { POINTS, type PdfFile } from './pdf-file.ts';
import { separation } from './separation.ts';

/** Operators that fill a path by its rule (ISO 32000-1, table 60). */
export const fillOf = (rule: string): string => (rule === 'evenodd' ? 'f*' : 'f');

/**
 * Units of a millimetre in a PDF. Its paths have no relative operators: every digit is written for every point, so there are fewer than elsewhere.
 * Rounding changes a dot by less than a part in a hundred, and means over some dots by nothing that counts.
 */
const pdfPerMm = (recipe: Recipe, plates: readonly number[]): number =>
  Math.min(
    perMmOf(recipe, plates),
    Math.max(
      LEAST_PER_MM,
      ...plates.map((plate) => (PER_PITCH / 25.4) * (latticeOf(recipe.plates[plate].screen)?.ruling ?? 0)),
    ),
  );
/** Units across a cell, and least of a millimetre: line work strays by half a micrometre. */
const PER_PITCH = 240;
const LEAST_PER_MM = 1000;

/** Dots and line work as paths, a group of them for each ink, over those before it. */
export const pdfVector: WritePdf = function* (job) {
  const { scene, plates, options, name, day, approval } = job;
  const { recipe } = scene;
  const file = openFilmPdf(job);
  const layout = filmLayout(recipe);
  file.page(filmPage(recipe));
  overprinting(file);
  const units = unitsOf(recipe, pdfPerMm(recipe, plates));
  const point = POINTS / units.perMm;
  const edge = (layout.trim.x - recipe.sheet.bleed) * POINTS;
  for (const [i, plate] of plates.entries()) {
    const ink = inkOf(recipe.inks, recipe.plates[plate].ink);
    file.name('ColorSpace', `Ink${i}`, separation(file, ink, recipe.stock.yuleNielsen));
    const { dots, scale, lines } = plateShapes(scene, plate, units, options, pdfPathData);
    const marks = marksPaths(
      scene,
      plate,
      layout,
      units,
      { ...NO_WORDS, job: name, day, approval },
      pdfPathData,
    );
    const parts = [
      // Nothing of the plate may reach beyond its bleed.
      `q 0 0 ${units.frame.width} ${units.frame.height} re W n`,
      ...(dots.length > 0
        ? [`q ${scale} 0 0 ${scale} 0 0 cm`, ...dots.map((data) => `${data}\nf*`), 'Q']
        : []),
      ...lines.map(({ rule, data }) => `${data}\n${fillOf(rule)}`),
      'Q',
      ...marks.map(({ rule, data, x, y }) => `q 1 0 0 1 ${x} ${y} cm\n${data}\n${fillOf(rule)} Q`),
    ];
    file.draw(`q /Over gs /Ink${i} cs 1 scn ${point} 0 0 ${point} ${edge} ${edge} cm`);
    for (const part of parts) file.draw(part);
    file.draw('Q');
    yield (i + 1) / plates.length;
  }
  hiddenLettering(file, job);
  file.finish();
  return { inked: null };
};

/** Lettering as text that can be found, over its outlines. */
export function hiddenLettering(file: PdfFile, { scene, fonts, labelFont }: PdfJob): void {
  const { recipe } = scene;
  const { trim } = filmLayout(recipe);
  for (const { content, placement, shown } of recipe.originals) {
    if (content.kind !== 'lettering' || !shown || content.text.trim() === '') continue;
    // Turned or mirrored text is found as well: where it lies is near enough.
    file.document.font(fonts.get(content.font) ?? labelFont);
    file.hiddenText(content.text, {
      x: trim.x + placement.x,
      y: trim.y + placement.y,
      width: placement.width,
    });
  }
}
