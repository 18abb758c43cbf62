import type { Frame } from '../../raster/frame.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import type { Materials } from '../../recipe/scene.ts';
import { SOLID } from '../../raster/plane.ts';
import type { Region } from '../../raster/region.ts';
import { spotKey } from '../../screen/kinds/dot-fields.ts';
import { spotOf } from '../../screen/spot/index.ts';
import { STRAIGHT_TRANSFER } from '../../screen/transfer.ts';
import { cellTable } from '../../screen/warp.ts';
import { cellColours } from './cell-colours.ts';
import type { ColourDots } from '../../recipe/colour-dots.ts';
import { dotLattice } from './dot-lattice.ts';

/**
 * An original's colour dots in a region of a grid: 8-bit sRGB with alpha. Each pixel is looked at in `fine` × `fine` places;
 * colours weigh by how much of it they cover.
 */
export function colourDotPixels(
  original: OriginalRecipe,
  dots: ColourDots,
  materials: Materials,
  frame: Frame,
  region: Region,
  fine: number,
): Uint8ClampedArray<ArrayBuffer> {
  const rgba = new Uint8ClampedArray(region.width * region.height * 4);
  const table = cellTable(spotKey(dots), spotOf(dots.spot, dots), STRAIGHT_TRANSFER);
  const colourOf = cellColours(original, dots, materials, frame);
  const { toCells } = dotLattice(dots, frame);
  const places = fine * fine;
  for (let y = 0, to = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, to += 4) {
      let [red, green, blue, inside] = [0, 0, 0, 0];
      for (let k = 0; k < places; k++) {
        const px = region.x + x + ((k % fine) + 0.5) / fine;
        const py = region.y + y + (Math.floor(k / fine) + 0.5) / fine;
        const [u, v] = toCells(px, py);
        const [i, j] = [Math.floor(u), Math.floor(v)];
        const colour = colourOf(i, j);
        const threshold = table[(Math.floor((v - j) * 256) << 8) | Math.floor((u - i) * 256)];
        if (colour.covers * SOLID <= threshold) continue;
        red += colour.red;
        green += colour.green;
        blue += colour.blue;
        inside++;
      }
      if (inside === 0) continue;
      rgba[to] = red / inside;
      rgba[to + 1] = green / inside;
      rgba[to + 2] = blue / inside;
      rgba[to + 3] = (255 * inside) / places;
    }
  }
  return rgba;
}
