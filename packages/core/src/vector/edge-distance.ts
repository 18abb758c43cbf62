import type { Frame } from '../raster/frame.ts';
import type { Region } from '../raster/region.ts';
import { bitAt } from '../raster/bits.ts';
import type { Area } from '../path/area.ts';
import { bitsIn } from './tone-field.ts';
import type { Units } from './units.ts';

/** Distances are told up to so many pixels. */
const FAR = 2;

/**
 * How far inside an area the corners of a grid's pixels lie, in pixels: below 0 outside, and no farther off than `FAR` either way.
 *
 * @param region corners: (x, y) is the left top one of that pixel
 */
export function edgeDistance(area: Area, units: Units, grid: Frame, region: Region): Float32Array {
  const { width, height } = region;
  const scale = grid.resolution / units.frame.resolution;
  const out = new Float32Array(width * height).fill(FAR);
  const near = (ax: number, ay: number, bx: number, by: number): void => {
    const [dx, dy] = [bx - ax, by - ay];
    const length = dx * dx + dy * dy;
    const left = Math.max(0, Math.ceil(Math.min(ax, bx) - FAR) - region.x);
    const right = Math.min(width - 1, Math.floor(Math.max(ax, bx) + FAR) - region.x);
    const top = Math.max(0, Math.ceil(Math.min(ay, by) - FAR) - region.y);
    const foot = Math.min(height - 1, Math.floor(Math.max(ay, by) + FAR) - region.y);
    for (let y = top; y <= foot; y++) {
      for (let x = left; x <= right; x++) {
        const [px, py] = [x + region.x - ax, y + region.y - ay];
        const along = length > 0 ? Math.min(1, Math.max(0, (px * dx + py * dy) / length)) : 0;
        const [ox, oy] = [px - along * dx, py - along * dy];
        const distance = Math.sqrt(ox * ox + oy * oy);
        if (distance < out[y * width + x]) out[y * width + x] = distance;
      }
    }
  };
  for (const path of area) {
    for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
      const [ax, ay, bx, by] = [path[j].x * scale, path[j].y * scale, path[i].x * scale, path[i].y * scale];
      // Long edges in pieces, so that none has a large box of its own.
      const pieces = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / (2 * FAR)));
      for (let k = 0; k < pieces; k++) {
        const [from, to] = [k / pieces, (k + 1) / pieces];
        near(ax + (bx - ax) * from, ay + (by - ay) * from, ax + (bx - ax) * to, ay + (by - ay) * to);
      }
    }
  }
  // A corner is the middle of a pixel of the same grid half a pixel on.
  const half = 0.5 / scale;
  const moved = area.map((path) => path.map(({ x, y }) => ({ x: x + half, y: y + half })));
  const inside = bitsIn(moved, units, grid, region);
  for (let y = 0, i = 0; y < height; y++)
    for (let x = 0; x < width; x++, i++) if (!bitAt(inside, x, y)) out[i] = -out[i];
  return out;
}
