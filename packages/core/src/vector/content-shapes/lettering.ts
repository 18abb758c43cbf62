import type { Lettering } from '../../lettering/lettering.ts';
import { outlineOf } from '../../original/lettering-layers.ts';
import type { PlacedOriginal } from '../../original/place-original.ts';
import { mapContour, type Contour } from '../../path/contour.ts';
import { after, inverse, scaled } from '../../raster/affine.ts';
import { mmToPixels } from '../../raster/frame.ts';
import { areaOfContours, shared, without, type Area } from '../../path/area.ts';
import { curved, flat, strokeArea, type LineShape } from '../line-shape.ts';
import { boxMap } from '../original-areas.ts';
import type { Units } from '../units.ts';
import type { ContentShapes } from './content-shapes.ts';

/** The outlines of letters. */
function lettersOf(content: Lettering, placed: PlacedOriginal, units: Units): readonly Contour[] {
  const { original, materials } = placed;
  const { width, height, contours } = outlineOf(content, original.name, materials);
  const toUnits = after(scaled(1 / width, 1 / height), inverse(boxMap(placed, units)));
  return contours.map((contour) => mapContour({ ...contour, closed: true }, toUnits));
}

/** The parts of lettering that are solid or bare, the lowest first. */
function line(content: Lettering, placed: PlacedOriginal, units: Units): LineShape[] {
  const contours = lettersOf(content, placed, units);
  const letters = curved(contours, 'nonzero', content.fill !== 'bare', units);
  const edge = (mm: number): Area => {
    if (mm <= 0) return [];
    const style = {
      width: 2 * mmToPixels(mm, units.frame),
      cap: 'butt',
      join: 'miter',
      miterLimit: 3,
      dashes: [],
      dashOffset: 0,
    } as const;
    return strokeArea(contours, style, units);
  };
  const outline = without(edge(content.outline.width), letters.area);
  const inner = shared(edge(content.inner.width), letters.area);
  const filled = content.fill === 'solid' || content.fill === 'bare';
  return [
    flat(outline, content.outline.paint === 'solid'),
    ...(filled ? [inner.length === 0 ? letters : flat(without(letters.area, inner), letters.ink)] : []),
    flat(inner, content.inner.paint === 'solid'),
  ].filter(({ area }) => area.length > 0);
}

export const letteringShapes: ContentShapes<Lettering> = {
  line,
  screened: (content, placed, units) =>
    content.fill === 'gradient'
      ? areaOfContours(lettersOf(content, placed, units), 'nonzero', units.tolerance)
      : undefined,
};
