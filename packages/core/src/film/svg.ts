import { escaped } from '../vector/escaped.ts';
import { perMmOf, plateGroup, type VectorManner } from '../vector/plate-group.ts';
import { unitsOf } from '../vector/units.ts';
import type { Scene } from '../recipe/scene.ts';
import { filmLayout, type FilmLayout } from './film-layout.ts';

export interface PlatesSvg {
  readonly text: string;
  /** Of the first plate. */
  readonly manner: VectorManner;
  /** Share of the first plate's film that its dots ink, 0–1. */
  readonly inked: number;
}

/**
 * Plates as SVG, a group for each ink, the first printed lowest; what is not ink is nothing. Dots are true geometry computed from the
 * tone wherever their screen has one; those of other screens are outlined from the film's own pixels. The file is as large as the film.
 *
 * @param smooth how far outlines of pixels may stray from them, in film pixels; 0 for their very sides
 */
export function platesSvg(
  scene: Scene,
  plates: readonly number[],
  title: string,
  smooth: number,
  { mm, plate: place, resolution }: FilmLayout = filmLayout(scene.recipe),
): PlatesSvg {
  const { recipe } = scene;
  const units = unitsOf(recipe, perMmOf(recipe, plates));
  const rounded = (value: number) => Number(value.toFixed(4));
  const [width, height] = [rounded(mm.width), rounded(mm.height)];
  const box = `${Math.round(width * units.perMm)} ${Math.round(height * units.perMm)}`;
  const groups = plates.map((plate) => plateGroup(scene, plate, units, smooth));
  const drawn = groups.map((group) => group.text).join('');
  const moved = [place.x, place.y].map((pixels) => (pixels * units.frame.resolution) / resolution);
  const body =
    place.x === 0 && place.y === 0 ? drawn : `<g transform="translate(${moved.join(' ')})">${drawn}</g>`;
  const text =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${box}">` +
    `<title>${escaped(title)}</title>${body}</svg>\n`;
  return { text, manner: groups[0].manner, inked: groups[0].inked };
}

/** One plate as SVG. */
export const plateSvg = (scene: Scene, plate: number, title: string, smooth: number): PlatesSvg =>
  platesSvg(scene, [plate], title, smooth);
