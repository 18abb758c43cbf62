import type { Supercell } from '../../screen/supercell.ts';
import { bitAt, createBits, setBit, type Bits } from '../../raster/bits.ts';
import type { Region } from '../../raster/region.ts';

/**
 * The pixels of a region whose screen cell has its middle inside a shape: dots at the shape's edge are there whole or not
 * at all.
 *
 * @param inside the shape's bits on any region of the same grid
 */
export function wholeDots(cell: Supercell, inside: (region: Region) => Bits, region: Region): Bits {
  const { m, n, pixels } = cell;
  const reach = Math.ceil(Math.sqrt(pixels / (m * m + n * n))) + 1;
  const wide = {
    x: region.x - reach,
    y: region.y - reach,
    width: region.width + 2 * reach,
    height: region.height + 2 * reach,
  };
  const shape = inside(wide);
  return wholeDotsAt(cell, (x, y) => bitAt(shape, x - wide.x, y - wide.y) === 1, region);
}

/**
 * The same where it is told of any pixel whether it is inside.
 *
 * @param isInside asked for the pixels that the cells' middles fall in
 */
export function wholeDotsAt(
  { m, n, ax, ay, pixels }: Supercell,
  isInside: (x: number, y: number) => boolean,
  region: Region,
): Bits {
  const out = createBits(region.width, region.height);
  // Screen coordinates of a pixel are (x + iy)(p + iq) ÷ N, as in the making of thresholds: cell edges fall alike.
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const full = 2 * pixels;
  const back = pixels / (p * p + q * q);
  // Along a row pixels of one cell follow one another.
  let [lastU, lastV, here] = [NaN, NaN, false];
  for (let j = 0; j < region.height; j++) {
    const y = 2 * (region.y + j) + 1;
    for (let i = 0; i < region.width; i++) {
      const x = 2 * (region.x + i) + 1;
      const u = Math.floor((x * p - y * q) / full) + 0.5;
      const v = Math.floor((x * q + y * p) / full) + 0.5;
      if (u !== lastU || v !== lastV) {
        here = isInside(Math.floor((u * p + v * q) * back), Math.floor((v * p - u * q) * back));
        lastU = u;
        lastV = v;
      }
      if (here) setBit(out, i, j);
    }
  }
  return out;
}
