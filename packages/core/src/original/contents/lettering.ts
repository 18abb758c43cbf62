import { letteringReach, type Lettering } from '../../lettering/lettering.ts';
import { mmToPixels } from '../../raster/frame.ts';
import { grownRegion } from '../../raster/region.ts';
import { defineContent } from '../content-kind.ts';
import { hasGlow, letteringLayers } from '../lettering-layers.ts';
import { gridToBox, regionOf } from '../placed.ts';
import { smallGradient } from './gradient.ts';

/** Live lettering: solid, bare or filled with a gradient, with edges and a glow. */
export const letteringContent = defineContent<Lettering>({
  kind: 'lettering',
  file: ({ font }) => ({ sha256: font, kind: 'font' }),
  height: ({ ratio }, width) => width * ratio,
  hasTones: () => false,
  hasLine: () => true,
  isAllLine: (content) => content.fill !== 'gradient' && !hasGlow(content),
  hasColours: () => false,
  gradient: ({ fill, gradient, ratio }) => (fill === 'gradient' ? { ...gradient, ratio } : undefined),
  place(content, placing) {
    const { original, frame } = placing;
    const { width } = original.placement;
    const height = width * content.ratio;
    const toBox = gridToBox(original, height, frame);
    // Letters may stand out of their line: a quarter of the box is room enough, even for swashes.
    const spare = mmToPixels(width * Math.max(0.05, content.ratio / 4), frame);
    const reach = Math.ceil(mmToPixels(letteringReach(content), frame) + spare);
    return {
      height,
      toBox,
      region: grownRegion(regionOf(toBox), reach),
      layers: (region) => letteringLayers(content, placing, region),
    };
  },
  smallSource({ fill, gradient, ratio }, { placement }, _materials, pixels) {
    return fill === 'gradient' ? smallGradient({ ...gradient, ratio }, placement.width, pixels) : undefined;
  },
});
