import {
  filmLayout,
  inkOf,
  latticeOf,
  marksPaths,
  NO_WORDS,
  pdfDotsData,
  pdfPathData,
  perMmOf,
  plateShapes,
  unitsOf,
  vectorManner,
  type GeometryPacking,
  type GeometryParts,
  type PlateShapes,
  type Recipe,
  type Scene,
  type Units,
  type VectorOptions,
} from '@brachytone/core';
import { filmPage, openFilmPdf, overprinting, type PdfJob, type WritePdf } from './pdf-job.ts';
import { packOperators, POINTS, type PdfFile } from './pdf-file.ts';
import { separation } from './separation.ts';

/** Operators that fill a path by its rule (ISO 32000-1, table 60). */
export const fillOf = (rule: string): string => (rule === 'evenodd' ? 'f*' : 'f');

/** Units across a cell, and least of a millimetre: line work strays by half a micrometre. */
const PER_PITCH = 240;
const LEAST_PER_MM = 1000;

/** Pure shapes of a size are all the same, and rounded alike: they are written so many times as finely. */
const PURE_FINER = 8;

/** Units of a millimetre that a plate's dots want; 0 for a screen without a lattice. */
const dotsPerMm = ({ plates }: Recipe, plate: number): number =>
  (PER_PITCH / 25.4) * (latticeOf(plates[plate].screen)?.ruling ?? 0);

/**
 * Units of a millimetre in a PDF. Its paths have no relative operators: every digit is written for every point, so there are fewer than elsewhere.
 * Rounding changes a dot by less than a part in a hundred, and means over some dots by nothing that counts.
 */
const pdfPerMm = (recipe: Recipe, plates: readonly number[]): number =>
  Math.min(
    perMmOf(recipe, plates),
    Math.max(LEAST_PER_MM, ...plates.map((plate) => dotsPerMm(recipe, plate))),
  );

/** Units that one of a plate's dots stands for: coarse dots need fewer than line work does. */
function dotUnit(scene: Scene, plate: number, { perMm }: Units): number {
  const wanted = vectorManner(scene, plate) === 'dots' ? dotsPerMm(scene.recipe, plate) : 0;
  return wanted === 0 ? 1 : Math.max(1, Math.floor(perMm / wanted));
}

/** A plate's geometry in units of its file. */
function geometryOf(
  scene: Scene,
  plate: number,
  units: Units,
  options: VectorOptions,
): GeometryParts & Pick<PlateShapes, 'lines'> {
  const by = dotUnit(scene, plate, units);
  const { parts, dots, lines } = plateShapes(scene, plate, units, options, pdfPathData, () =>
    pdfDotsData(by, options.outlines === 'pure' ? PURE_FINER : 1),
  );
  return {
    parts,
    lines,
    pack(part) {
      const { paths, scale } = dots(part);
      const size = scale * by;
      const drawn = [`q ${size} 0 0 ${size} 0 0 cm`, ...paths, 'Q\n'].join('\n');
      const bytes = paths.length > 0 ? packOperators(Buffer.from(drawn, 'latin1')) : new Uint8Array();
      return { bytes, rest: 0, inked: 0 };
    },
  };
}

/** Parts of a plate's dots as operators of a page that some plates are on. */
export const pdfGeometry: GeometryPacking = (scene, plates, plate, options) =>
  geometryOf(scene, plate, unitsOf(scene.recipe, pdfPerMm(scene.recipe, plates)), options);

/** Dots and line work as paths, a group of them for each ink, over those before it. */
export const pdfVector: WritePdf = function* (job) {
  const { scene, plates, options, name, day, approval, packed } = job;
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
    const { parts, pack, lines } = geometryOf(scene, plate, units, options);
    const marks = marksPaths(
      scene,
      plate,
      layout,
      units,
      { ...NO_WORDS, job: name, day, approval },
      pdfPathData,
    );
    file.draw(`q /Over gs /Ink${i} cs 1 scn ${point} 0 0 ${point} ${edge} ${edge} cm`);
    // Nothing of the plate may reach beyond its bleed.
    file.draw(`q 0 0 ${units.frame.width} ${units.frame.height} re W n`);
    for (let part = 0; part < parts; part++) {
      const { bytes } = packed ? packed(plate, part) : pack(part);
      if (bytes.length > 0) file.drawPacked(bytes);
      yield (i + (part + 1) / parts) / plates.length;
    }
    for (const { rule, data } of lines()) file.draw(`${data}\n${fillOf(rule)}`);
    file.draw('Q');
    for (const { rule, data, x, y } of marks) file.draw(`q 1 0 0 1 ${x} ${y} cm\n${data}\n${fillOf(rule)} Q`);
    file.draw('Q');
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
