import { gradientSize, gradientSource } from '../../gradient/gradient-source.ts';
import { isColoured, type Gradient } from '../../gradient/gradient.ts';
import { after, scaled } from '../../raster/affine.ts';
import { mmToPixels } from '../../raster/frame.ts';
import type { ToneSource } from '../../tone/tone-rows.ts';
import { defineContent, halvingsFor } from '../content-kind.ts';
import { gridToBox, regionOf } from '../placed.ts';

/** Most halvings of a gradient that is read on a coarse grid. */
const MOST_HALVINGS = 6;

/** A gradient over a box `width` mm wide, on a grid of at most so many pixels. */
export function smallGradient(gradient: Gradient, width: number, pixels: number): ToneSource {
  const size = gradientSize(gradient, width);
  const scale = 2 ** halvingsFor(Math.sqrt((size.width * size.height) / pixels));
  return gradientSource(gradient, width, scale);
}

/** Tones made in place. */
export const gradientContent = defineContent<Gradient>({
  kind: 'gradient',
  file: () => undefined,
  height: ({ ratio }, width) => width * ratio,
  hasTones: () => true,
  hasLine: () => false,
  isAllLine: () => false,
  hasColours: isColoured,
  gradient: (content) => content,
  place(content, { original, frame }) {
    const { width } = original.placement;
    const height = width * content.ratio;
    const toBox = gridToBox(original, height, frame);
    const size = gradientSize(content, width);
    const scale = 2 ** Math.min(MOST_HALVINGS, halvingsFor(size.width / mmToPixels(width, frame)));
    const source = gradientSource(content, width, scale);
    const toSource = after(toBox, scaled(size.width / scale, size.height / scale));
    return { height, toBox, region: regionOf(toBox), tones: { toSource, source } };
  },
  smallSource: (content, { placement }, _materials, pixels) =>
    smallGradient(content, placement.width, pixels),
});
