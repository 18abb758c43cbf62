import type { Supercell } from '../../screen/supercell.ts';
import { bitAt, createBits, setBit, type Bits } from '../../raster/bits.ts';
import type { Region } from '../../raster/region.ts';

/**
 * The pixels of a region whose screen cell has its middle inside a shape: dots at the shape's edge are there whole or not
 * at all.
 *
 * @param inside the shape's bits on any region of the same grid
 */
export function wholeDots(
  { m, n, ax, ay, pixels }: Supercell,
  inside: (region: Region) => Bits,
  region: Region,
): Bits {
  const reach = Math.ceil(Math.sqrt(pixels / (m * m + n * n))) + 1;
  const wide = {
    x: region.x - reach,
    y: region.y - reach,
    width: region.width + 2 * reach,
    height: region.height + 2 * reach,
  };
  const shape = inside(wide);
  const out = createBits(region.width, region.height);
  // Screen coordinates of a pixel are (x + iy)(p + iq) ÷ N, as in the making of thresholds: cell edges fall alike.
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const full = 2 * pixels;
  const back = pixels / (p * p + q * q);
  for (let j = 0; j < region.height; j++) {
    const y = 2 * (region.y + j) + 1;
    for (let i = 0; i < region.width; i++) {
      const x = 2 * (region.x + i) + 1;
      const u = Math.floor((x * p - y * q) / full) + 0.5;
      const v = Math.floor((x * q + y * p) / full) + 0.5;
      const cx = Math.floor((u * p + v * q) * back) - wide.x;
      const cy = Math.floor((v * p - u * q) * back) - wide.y;
      if (bitAt(shape, cx, cy)) setBit(out, i, j);
    }
  }
  return out;
}
