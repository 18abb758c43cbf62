import { HALF, createPlane, type Plane } from '../../raster/plane.ts';
import { grownRegion, type Region } from '../../raster/region.ts';
import type { Supercell } from '../../screen/supercell.ts';

/**
 * Tones of a region as dots need them that stay whole at a shape's edge: over each cell that the edge runs through, the tone at its middle, so
 * that the dot is the screen's own shape, in film, proof and geometry alike.
 *
 * @param tonesIn tones of any region, running on beyond the shape
 * @param shapeIn where the shape is: 65535 = there, 0 = not
 */
export function wholeTones(
  { m, n, ax, ay, pixels }: Supercell,
  region: Region,
  tonesIn: (region: Region) => Plane,
  shapeIn: (region: Region) => Plane,
): Plane {
  const wide = grownRegion(region, wholeReach(pixels / (m * m + n * n)));
  const [tones, shape] = [tonesIn(wide), shapeIn(wide)];
  // Screen coordinates of a pixel are (x + iy)(p + iq) ÷ N, as in the making of thresholds: cell edges fall alike.
  const p = m * ax + n * ay;
  const q = n * ax - m * ay;
  const full = 2 * pixels;
  const back = pixels / (p * p + q * q);
  const cellAt = (x: number, y: number): [column: number, row: number] => [
    Math.floor(((2 * x + 1) * p - (2 * y + 1) * q) / full),
    Math.floor(((2 * x + 1) * q + (2 * y + 1) * p) / full),
  ];
  const keyOf = ([column, row]: readonly [number, number]): number => row * 2 ** 20 + column;
  const edges = new Set<number>();
  for (let y = 0, i = 0; y < wide.height; y++) {
    for (let x = 0; x < wide.width; x++, i++)
      if (shape.data[i] < HALF) edges.add(keyOf(cellAt(wide.x + x, wide.y + y)));
  }
  const out = createPlane(region.width, region.height);
  for (let y = 0, i = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++, i++) {
      const cell = cellAt(region.x + x, region.y + y);
      let at = (region.y - wide.y + y) * wide.width + (region.x - wide.x + x);
      if (edges.has(keyOf(cell))) {
        const [u, v] = [cell[0] + 0.5, cell[1] + 0.5];
        const cx = Math.floor((u * p + v * q) * back) - wide.x;
        const cy = Math.floor((v * p - u * q) * back) - wide.y;
        at = cy * wide.width + cx;
      }
      out.data[i] = tones.data[at];
    }
  }
  return out;
}

/** Pixels about a region in which all of its cells lie; `area` of a cell in pixels. */
export const wholeReach = (area: number): number => Math.ceil(Math.SQRT2 * Math.sqrt(area)) + 1;
