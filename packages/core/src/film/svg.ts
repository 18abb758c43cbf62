import { present } from '../base/present.ts';
import { linearToSrgb } from '../colour/srgb.ts';
import { inkOf } from '../ink/ink-of.ts';
import type { Ink } from '../ink/ink.ts';
import { escaped } from '../vector/escaped.ts';
import {
  dotElements,
  idOf,
  perMmOf,
  plateGroup,
  plateShapes,
  type DotElements,
  type VectorManner,
  type VectorOptions,
} from '../vector/plate-group.ts';
import { unitsOf } from '../vector/units.ts';
import type { Scene } from '../recipe/scene.ts';
import { filmLayout } from './film-layout.ts';
import { NO_WORDS, type FilmWords } from './film-words.ts';
import { marksSvg } from './marks/marks-svg.ts';
import type { GeometryPacking, PackedPieces } from './pieces.ts';

/** What is said of plates that are written. */
export interface PlatesWritten {
  /** Of the first plate. */
  readonly manner: VectorManner;
  /** Share of the first plate's film that its dots ink, 0–1. */
  readonly inked: number;
}

export interface PlatesSvg extends PlatesWritten {
  readonly text: string;
}

/** Parts of a plate's dots as the elements that they are in a file of some plates. */
export const svgGeometry: GeometryPacking = (scene, plates, plate, options) => {
  const shapes = plateShapes(scene, plate, unitsOf(scene.recipe, perMmOf(scene.recipe, plates)), options);
  return {
    parts: shapes.parts,
    pack: (part) => ({ ...dotElements(shapes.dots(part)), rest: 0 }),
  };
};

/** Plates as the text that `writePlates` writes. */
export function platesSvg(
  scene: Scene,
  plates: readonly number[],
  title: string,
  options: VectorOptions,
  words: FilmWords = NO_WORDS,
): PlatesSvg {
  const decoder = new TextDecoder();
  const texts: string[] = [];
  const write = (bytes: Uint8Array) => void texts.push(decoder.decode(bytes));
  const writing = writePlates(scene, plates, title, options, words, write);
  for (;;) {
    const next = writing.next();
    if (next.done) return { ...next.value, text: texts.join('') };
  }
}

/**
 * Writes plates as SVG in UTF-8, a group for each ink, the first printed lowest; what is not ink is nothing. Dots are true geometry
 * computed from the tone wherever their screen has one; those of other screens are outlined from the film's own pixels. The file is as
 * large as the film. Tells now and then what share of it is there, 0–1.
 *
 * @param packed parts of the dots that were packed apart
 */
export function* writePlates(
  scene: Scene,
  plates: readonly number[],
  title: string,
  options: VectorOptions,
  words: FilmWords,
  write: (bytes: Uint8Array) => void,
  packed?: PackedPieces,
): Generator<number, PlatesWritten> {
  const { recipe } = scene;
  const layout = filmLayout(recipe);
  const { mm, plate: place, resolution } = layout;
  const units = unitsOf(recipe, perMmOf(recipe, plates));
  const rounded = (value: number) => Number(value.toFixed(4));
  const [width, height] = [rounded(mm.width), rounded(mm.height)];
  const box = `${Math.round(width * units.perMm)} ${Math.round(height * units.perMm)}`;
  const inks = plates.map((plate) => inkOf(recipe.inks, recipe.plates[plate].ink));
  const ids = inks.map((ink, i) => {
    const alike = inks.slice(0, i).filter(({ name }) => name === ink.name).length;
    return alike === 0 ? idOf(ink) : `${idOf(ink)}-${alike + 1}`;
  });
  const encoder = new TextEncoder();
  const put = (text: string) => write(encoder.encode(text));
  const isAlone = plates.length === 1;
  const moved = [place.x, place.y].map((pixels) => (pixels * units.frame.resolution) / resolution);
  const around: Around[] = [
    ...(place.x === 0 && place.y === 0
      ? []
      : [[`<g transform="translate(${moved.join(' ')})">`, '</g>'] as const]),
    ...(isAlone ? [] : [['<g style="isolation:isolate">', '</g>'] as const]),
  ];
  const said = isAlone ? '' : `<desc>${escaped(printingOrder(inks))}</desc>`;
  put(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${box}">` +
      `<title>${escaped(title)}</title>${said}${around.map(([before]) => before).join('')}`,
  );
  let first: PlatesWritten | undefined;
  for (const [i, plate] of plates.entries()) {
    const shapes = plateShapes(scene, plate, units, options);
    const dots: DotElements[] = [];
    for (let part = 0; part < shapes.parts; part++) {
      dots.push(packed ? packed(plate, part) : dotElements(shapes.dots(part)));
      yield (i + (part + 1) / shapes.parts) / plates.length;
    }
    const marks = marksSvg(scene, plate, layout, units, words);
    const group = plateGroup(scene, plate, units, shapes, dots, ids[i], marks);
    first ??= { manner: group.manner, inked: group.inked };
    if (group.isEmpty && !isAlone) continue;
    const [before, after] = isAlone ? (['', ''] as const) : overOthers(ids[i], inks[i]);
    put(before + group.head);
    group.dots.forEach(write);
    put(group.foot + after);
  }
  put(`${around.map(([, after]) => after).join('')}</svg>\n`);
  return present(first, 'plate');
}

/** What is written before a group, and after it. */
type Around = readonly [before: string, after: string];

/**
 * A plate over those printed before it, as its ink lies on theirs: a transparent ink multiplies, one that covers hides them, one between does
 * both in turn. SVG blends encoded values, so its opacity is encoded too: over white and over black it is then as the ink model has it.
 */
function overOthers(id: string, { opacity }: Ink): Around {
  if (opacity >= 1) return ['', ''];
  const covers =
    opacity <= 0 ? '' : `<use href="#${id}" opacity="${Number(linearToSrgb(opacity).toFixed(3))}"/>`;
  return ['<g style="mix-blend-mode:multiply">', `</g>${covers}`];
}

/** What a file of several inks says of them. */
function printingOrder(inks: readonly Ink[]): string {
  const manner = ({ opacity }: Ink) =>
    opacity <= 0 ? 'multiplies' : opacity >= 1 ? 'covers' : `covers ${Math.round(opacity * 100)} %`;
  return `Inks in the order they are printed, each over those before it: ${inks.map((ink) => `${ink.name} (${manner(ink)})`).join(', ')}.`;
}

/** One plate as SVG. */
export const plateSvg = (
  scene: Scene,
  plate: number,
  title: string,
  options: VectorOptions,
  words: FilmWords = NO_WORDS,
): PlatesSvg => platesSvg(scene, [plate], title, options, words);
