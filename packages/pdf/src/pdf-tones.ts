import {
  bands,
  filmLayout,
  filmMarks,
  frameOf,
  inkOf,
  pdfPathData,
  perMmOf,
  plateCoverage,
  plateLines,
  SOLID,
  toFilmCoverage,
  toneRows,
  tonesUnderLines,
  unitsOf,
  marksLines,
  type Frame,
  type PlatePath,
} from '@brachytone/core';
import { Deflate } from 'pako';
import { halftoneOf } from './halftone.ts';
import { filmPage, openFilmPdf, overprinting, type PdfJob, type WritePdf } from './pdf-job.ts';
import { name, POINTS, type PdfFile, type PdfRef } from './pdf-file.ts';
import { fillOf, hiddenLettering } from './pdf-vector.ts';
import { separation, severalInks } from './separation.ts';

/** Tones of all plates as one picture, line work as paths over it, and the plates' screens written beside them. */
export const pdfTones: WritePdf = function* (job) {
  const { scene, plates, options, name: title, day, approval } = job;
  const { recipe } = scene;
  const file = openFilmPdf(job);
  const layout = filmLayout(recipe);
  const inks = plates.map((plate) => inkOf(recipe.inks, recipe.plates[plate].ink));
  const n = recipe.stock.yuleNielsen;
  const units = unitsOf(recipe, perMmOf(recipe, plates));
  const lines = plates.map((plate) => plateLines(scene, plate, units, pdfPathData));
  file.page(filmPage(recipe));
  overprinting(file);
  file.name('ExtGState', 'Screens', screens(file, job));
  const separations = inks.map((ink) => separation(file, ink, n));
  separations.forEach((space, i) => file.name('ColorSpace', `Ink${i}`, space));
  const frame = frameOf(recipe.sheet, options.ppi);
  const picture = yield* tonePicture(file, job, severalInks(file, inks, n), frame, lines);
  file.name('XObject', 'Tones', picture);
  const { resolution } = frame;
  const points = (pixels: number) => (pixels * 72) / resolution;
  const edge = (layout.trim.x - recipe.sheet.bleed) * POINTS;
  const [wide, high] = [points(frame.width), points(frame.height)];
  file.draw(`/Over gs /Screens gs`);
  file.draw(`q ${wide} 0 0 ${-high} ${edge} ${edge + high} cm /Tones Do Q`);
  const point = POINTS / units.perMm;
  for (const [i, plate] of plates.entries()) {
    file.draw(`q /Ink${i} cs 1 scn ${point} 0 0 ${point} ${edge} ${edge} cm`);
    file.draw(`q 0 0 ${units.frame.width} ${units.frame.height} re W n`);
    for (const { rule, data } of lines[i] ?? []) file.draw(`${data}\n${fillOf(rule)}`);
    file.draw('Q');
    const words = { job: title, day, approval, mirrored: false };
    for (const { rule, data } of marksLines(scene, plate, units, words, pdfPathData))
      file.draw(`${data}\n${fillOf(rule)}`);
    file.draw('Q');
    // A wedge is screened as the picture is.
    const { patches } = filmMarks(scene, plate, words);
    for (const { box, tone } of patches) {
      const at = [layout.trim.x + box.x, layout.trim.y + box.y, box.width, box.height].map(
        (mm) => mm * POINTS,
      );
      file.draw(`q /Ink${i} cs ${Number(tone.toFixed(5))} scn ${at.join(' ')} re f Q`);
    }
  }
  hiddenLettering(file, job);
  file.finish();
  return { inked: null };
};

/** Graphics state with the screen of every plate (ISO 32000-1, section 10.5.6). */
function screens(file: PdfFile, { scene, plates }: PdfJob): PdfRef {
  const { recipe } = scene;
  const halftones = plates.map((plate) => {
    const halftone = file.ref(halftoneOf(recipe.plates[plate].screen));
    halftone.end('');
    return [name(inkOf(recipe.inks, recipe.plates[plate].ink).name), halftone] as const;
  });
  const all = file.ref({
    Type: 'Halftone',
    HalftoneType: 5,
    ...Object.fromEntries(halftones),
    Default: halftones[0][1],
  });
  all.end('');
  const state = file.ref({ Type: 'ExtGState', HT: all });
  state.end('');
  return state;
}

/**
 * Tones of all plates pixel by pixel, 8 bits each: what the films carry, before it is screened.
 *
 * @param space of all inks; an image names no resource of its page (ISO 32000-1, table 89)
 */
function* tonePicture(
  file: PdfFile,
  { scene, plates }: PdfJob,
  space: unknown,
  frame: Frame,
  lines: readonly (readonly PlatePath[] | undefined)[],
) {
  const { width, height } = frame;
  const picture = file.ref({
    Type: 'XObject',
    Subtype: 'Image',
    Width: width,
    Height: height,
    ColorSpace: space,
    BitsPerComponent: 8,
    Interpolate: false,
    Filter: 'FlateDecode',
  });
  const packed = new Deflate({ level: 6 });
  packed.onData = (part) => picture.write(Buffer.from(part));
  for (const band of bands({ x: 0, y: 0, width, height }, 1, toneRows(frame))) {
    const samples = new Uint8Array(width * band.height * plates.length);
    for (const [i, plate] of plates.entries()) {
      const read = lines[i] ? tonesUnderLines : plateCoverage;
      const { data } = toFilmCoverage(scene.recipe, plate, read(scene, plate, frame, band));
      for (let at = 0, to = i; at < data.length; at++, to += plates.length)
        samples[to] = (data[at] * 255 + SOLID / 2) / SOLID;
    }
    packed.push(samples, band.y + band.height === height);
    yield (band.y + band.height) / height;
  }
  picture.end('');
  return picture;
}
