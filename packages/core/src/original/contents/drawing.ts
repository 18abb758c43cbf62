import { MissingMaterial } from '../../base/errors.ts';
import type { Drawing } from '../../drawing/drawing.ts';
import { paintDrawing } from '../../drawing/paint-drawing.ts';
import { after, inverse, scaled } from '../../raster/affine.ts';
import type { DrawingContent } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';
import { defineContent } from '../content-kind.ts';
import { gridToBox, regionOf } from '../placed.ts';

/** @throws MissingMaterial */
export function drawingOf({ drawing }: DrawingContent, name: string, { drawings }: Materials): Drawing {
  const found = drawings.get(drawing);
  if (!found) throw new MissingMaterial('drawing', name, drawing);
  return found;
}

/** Line art as geometry: hard-edged, never screened. */
export const drawingContent = defineContent<DrawingContent>({
  kind: 'drawing',
  file: ({ drawing }) => ({ sha256: drawing, kind: 'drawing' }),
  height: ({ ratio }, width) => width * ratio,
  hasTones: () => false,
  hasLine: () => true,
  isAllLine: () => true,
  hasColours: () => false,
  place(content, { original, materials, frame }) {
    const height = original.placement.width * content.ratio;
    const toBox = gridToBox(original, height, frame);
    return {
      height,
      toBox,
      region: regionOf(toBox),
      line(region) {
        const drawing = drawingOf(content, original.name, materials);
        const toGrid = after(scaled(1 / drawing.width, 1 / drawing.height), inverse(toBox));
        return paintDrawing(drawing, toGrid, region);
      },
    };
  },
  smallSource: () => undefined,
});
