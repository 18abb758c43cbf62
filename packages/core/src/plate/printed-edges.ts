import type { LineBits } from '../drawing/paint-drawing.ts';
import { createBits, cropBits, placeBits, type Bits } from '../raster/bits.ts';
import { mmToPixels, type Frame } from '../raster/frame.ts';
import { grownBits } from '../raster/grown-bits.ts';
import { grownRegion, intersect, type Region } from '../raster/region.ts';
import type { Recipe } from '../recipe/recipe.ts';

/** How far hard edges of a print have grown on a grid, in pixels; 0 of a film. */
export const edgeGrowth = ({ isPrint, press }: Recipe, frame: Frame): number =>
  isPrint && press ? mmToPixels(press.press.edgeGain, frame) : 0;

/**
 * The bits of a region with their edges moved.
 *
 * @param film gives the bits of any region of the sheet as they are on the film
 */
export function withGrownEdges(
  film: (region: Region) => Bits,
  growth: number,
  frame: Frame,
  region: Region,
): Bits {
  const reach = Math.floor(Math.abs(growth));
  const around = intersect(grownRegion(region, reach), {
    x: 0,
    y: 0,
    width: frame.width,
    height: frame.height,
  });
  const grown = grownBits(film(around), growth);
  const part = intersect(region, around);
  const within = cropBits(grown, { ...part, x: part.x - around.x, y: part.y - around.y });
  if (part.width === region.width && part.height === region.height) return within;
  const out = createBits(region.width, region.height);
  placeBits(within, out, part.x - region.x, part.y - region.y);
  return out;
}

/** Line work with the edges of its ink moved; made with `reach` pixels around what is wanted. */
export function grownLine({ ink, bare }: LineBits, growth: number, reach: number): LineBits {
  if (reach === 0) return { ink, bare };
  const inner = { x: reach, y: reach, width: ink.width - 2 * reach, height: ink.height - 2 * reach };
  return { ink: cropBits(grownBits(ink, growth), inner), bare: cropBits(bare, inner) };
}
