import { mmToPixels } from '../raster/frame.ts';
import type { SceneView } from './plates-view.ts';

/** Where a place in pixels of the grid lies on the sheet, mm. */
export function placeOnSheet({ frame }: Pick<SceneView, 'frame'>) {
  const perPixel = 1 / mmToPixels(1, frame);
  return (x: number, y: number): { x: number; y: number } => ({
    x: x * perPixel - frame.bleed,
    y: y * perPixel - frame.bleed,
  });
}
