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
  type PlateGroup,
  type VectorManner,
  type VectorOptions,
} from '../vector/plate-group.ts';
import { unitsOf } from '../vector/units.ts';
import type { Scene } from '../recipe/scene.ts';
import { filmLayout } from './film-layout.ts';
import { NO_WORDS, type FilmWords } from './film-words.ts';
import { marksSvg } from './marks/marks-svg.ts';
import type { GeometryPacking, PackedPiece, PackedPieces } from './pieces.ts';

export interface PlatesSvg {
  readonly text: string;
  /** Of the first plate. */
  readonly manner: VectorManner;
  /** Share of the first plate's film that its dots ink, 0–1. */
  readonly inked: number;
}

/** Parts of a plate's dots as the elements that they are in a file of some plates. */
export const svgGeometry: GeometryPacking = (scene, plates, plate, options) => {
  const shapes = plateShapes(scene, plate, unitsOf(scene.recipe, perMmOf(scene.recipe, plates)), options);
  return {
    parts: shapes.parts,
    pack(part) {
      const { text, inked } = dotElements(shapes.dots(part));
      return { bytes: new TextEncoder().encode(text), rest: 0, inked };
    },
  };
};

/** The same as `writePlates` gives in the end. */
export function platesSvg(...given: Parameters<typeof writePlates>): PlatesSvg {
  const writing = writePlates(...given);
  for (;;) {
    const next = writing.next();
    if (next.done) return next.value;
  }
}

/**
 * Plates as SVG, a group for each ink, the first printed lowest; what is not ink is nothing. Dots are true geometry computed from the
 * tone wherever their screen has one; those of other screens are outlined from the film's own pixels. The file is as large as the film.
 * Tells now and then what share of it is there, 0–1.
 *
 * @param packed parts of the dots that were packed apart
 */
export function* writePlates(
  scene: Scene,
  plates: readonly number[],
  title: string,
  options: VectorOptions,
  words: FilmWords = NO_WORDS,
  packed?: PackedPieces,
): Generator<number, PlatesSvg> {
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
  const groups: PlateGroup[] = [];
  for (const [i, plate] of plates.entries()) {
    const shapes = plateShapes(scene, plate, units, options);
    const dots: DotElements[] = [];
    for (let part = 0; part < shapes.parts; part++) {
      dots.push(packed ? textOf(packed(plate, part)) : dotElements(shapes.dots(part)));
      yield (i + (part + 1) / shapes.parts) / plates.length;
    }
    const marks = marksSvg(scene, plate, layout, units, words);
    groups.push(plateGroup(scene, plate, units, shapes, dots, ids[i], marks));
  }
  const over = groups.map(({ text, isEmpty }, i) => (isEmpty ? '' : overOthers(text, ids[i], inks[i])));
  const drawn = plates.length === 1 ? groups[0].text : `<g style="isolation:isolate">${over.join('')}</g>`;
  const said = plates.length === 1 ? '' : `<desc>${escaped(printingOrder(inks))}</desc>`;
  const moved = [place.x, place.y].map((pixels) => (pixels * units.frame.resolution) / resolution);
  const body =
    place.x === 0 && place.y === 0 ? drawn : `<g transform="translate(${moved.join(' ')})">${drawn}</g>`;
  const text =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${box}">` +
    `<title>${escaped(title)}</title>${said}${body}</svg>\n`;
  return { text, manner: groups[0].manner, inked: groups[0].inked };
}

const textOf = ({ bytes, inked }: PackedPiece): DotElements => ({
  text: new TextDecoder().decode(bytes),
  inked,
});

/**
 * A plate over those printed before it, as its ink lies on theirs: a transparent ink multiplies, one that covers hides them, one between does
 * both in turn. SVG blends encoded values, so its opacity is encoded too: over white and over black it is then as the ink model has it.
 */
function overOthers(group: string, id: string, { opacity }: Ink): string {
  if (opacity >= 1) return group;
  const multiplied = `<g style="mix-blend-mode:multiply">${group}</g>`;
  return opacity <= 0
    ? multiplied
    : `${multiplied}<use href="#${id}" opacity="${Number(linearToSrgb(opacity).toFixed(3))}"/>`;
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
