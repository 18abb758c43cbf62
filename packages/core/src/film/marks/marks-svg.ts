import type { Scene } from '../../recipe/scene.ts';
import { pathElement } from '../../vector/plate-group.ts';
import type { Units } from '../../vector/units.ts';
import type { FilmLayout } from '../film-layout.ts';
import type { FilmWords } from '../film-words.ts';
import { marksPaths } from './marks-paths.ts';

/** Marks of a film as a group of SVG in the plate's own units; nothing where there are none. */
export function marksSvg(
  scene: Scene,
  plate: number,
  layout: FilmLayout,
  units: Units,
  words: FilmWords,
): string {
  const paths = marksPaths(scene, plate, layout, units, words).map(({ rule, data, x, y }) => {
    const element = pathElement(rule, data);
    return x === 0 && y === 0 ? element : `<g transform="translate(${x} ${y})">${element}</g>`;
  });
  return paths.length === 0 ? '' : `<g class="marks">${paths.join('')}</g>`;
}
