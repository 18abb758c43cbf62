import type { Shape } from '../../drawing/drawing.ts';
import { mapContour } from '../../path/contour.ts';
import { after, moved, scaled } from '../../raster/affine.ts';
import { SOLID } from '../../raster/plane.ts';
import type { Scene } from '../../recipe/scene.ts';
import { flatPatch } from '../../screen/flat-patch.ts';
import { curved, flat, strokeArea, type LineShape } from '../../vector/line-shape.ts';
import { pathData, type PathData } from '../../vector/path-data.ts';
import { pixelPaths } from '../../vector/pixel-path.ts';
import { linePaths, type PlatePath } from '../../vector/plate-group.ts';
import type { Units } from '../../vector/units.ts';
import { patchRegion } from '../film-bits.ts';
import type { FilmLayout } from '../film-layout.ts';
import type { FilmWords } from '../film-words.ts';
import { filmMarks } from './film-marks.ts';

/** A path in units of the file, from the left top corner of the plate's bleed. */
export interface MarkPath extends PlatePath {
  /** Where its own corner lies. */
  readonly x: number;
  readonly y: number;
}

/** The line art of a film's marks as paths, in units of the file from the left top corner of the plate's bleed. */
export function marksLines(
  scene: Scene,
  plate: number,
  units: Units,
  words: FilmWords,
  make: () => PathData = pathData,
): PlatePath[] {
  const { recipe } = scene;
  if (recipe.marks.uses.length === 0) return [];
  const edge = recipe.sheet.bleed * units.perMm;
  const map = after(scaled(units.perMm), moved(edge, edge));
  const onUnits = ({ contours, rule, stroke, ink }: Shape): LineShape => {
    const lines = contours.map((contour) => mapContour(contour, map));
    return stroke
      ? flat(strokeArea(lines, { ...stroke, width: stroke.width * units.perMm }, units), ink)
      : curved(lines, rule, ink, units);
  };
  return linePaths(filmMarks(scene, plate, words).shapes.map(onUnits), make);
}

/** Marks of a film as geometry: line art with its curves, patches outlined from the film's own pixels. */
export function marksPaths(
  scene: Scene,
  plate: number,
  layout: FilmLayout,
  units: Units,
  words: FilmWords,
  make: () => PathData = pathData,
): MarkPath[] {
  const { recipe } = scene;
  if (recipe.marks.uses.length === 0) return [];
  const { patches } = filmMarks(scene, plate, words);
  const pixel = units.frame.resolution / layout.resolution;
  const { screen } = recipe.plates[plate];
  return [
    ...marksLines(scene, plate, units, words, make).map((path) => ({ ...path, x: 0, y: 0 })),
    ...patches.flatMap(({ box, tone }) => {
      const region = patchRegion(layout, box);
      const dots = flatPatch(screen, layout.grid, Math.round(tone * SOLID), region);
      const found: MarkPath[] = [];
      pixelPaths(dots, 0, pixel, (draw) => {
        const path = make();
        draw(path);
        const at = (pixels: number) => Math.round(pixels * pixel);
        const data = path.text();
        if (data !== '')
          found.push({
            rule: 'evenodd',
            data,
            x: at(region.x - layout.plate.x),
            y: at(region.y - layout.plate.y),
          });
      });
      return found;
    }),
  ];
}
