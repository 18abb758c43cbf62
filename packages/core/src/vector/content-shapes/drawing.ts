import type { PlacedOriginal } from '../../original/place-original.ts';
import { drawingOf } from '../../original/contents/drawing.ts';
import { mapContour, type Contour } from '../../path/contour.ts';
import { after, inverse, scaled } from '../../raster/affine.ts';
import type { DrawingContent } from '../../recipe/recipe.ts';
import { areaOfContours, shared } from '../../path/area.ts';
import { curved, flat, strokeArea, type LineShape } from '../line-shape.ts';
import { boxMap } from '../original-areas.ts';
import type { Units } from '../units.ts';
import type { ContentShapes } from './content-shapes.ts';

function line(content: DrawingContent, placed: PlacedOriginal, units: Units): LineShape[] {
  const { original, materials } = placed;
  const drawing = drawingOf(content, original.name, materials);
  const map = after(scaled(1 / drawing.width, 1 / drawing.height), inverse(boxMap(placed, units)));
  const scale = Math.sqrt(Math.abs(map.xx * map.yy - map.xy * map.yx));
  const onUnits = (contours: readonly Contour[]) => contours.map((one) => mapContour(one, map));
  return drawing.shapes.map(({ contours, rule, stroke, ink, clips }) => {
    const lines = onUnits(contours);
    const onScale = stroke && {
      ...stroke,
      width: stroke.width * scale,
      dashes: stroke.dashes.map((length) => length * scale),
      dashOffset: stroke.dashOffset * scale,
    };
    const shape = onScale ? flat(strokeArea(lines, onScale, units), ink) : curved(lines, rule, ink, units);
    return clips.reduce((one, at) => {
      const clip = drawing.clips[at];
      return flat(shared(one.area, areaOfContours(onUnits(clip.contours), clip.rule, units.tolerance)), ink);
    }, shape);
  });
}

export const drawingShapes: ContentShapes<DrawingContent> = { line };
