import { moved } from '../raster/affine.ts';
import type { Region } from '../raster/region.ts';
import type { Bits } from '../raster/bits.ts';
import { mapArea, type Area } from '../path/area.ts';
import { bitsIn } from './tone-field.ts';

/** Distances are told up to so many pixels: tones there are as steep as dots at most. */
export const FAR = 2;

/**
 * How far inside an area the corners of a grid's pixels lie, in pixels: below 0 outside, and no farther off than `FAR` either way.
 *
 * @param area   in pixels of the grid
 * @param region corners: (x, y) is the left top one of that pixel
 */
export function edgeDistance(area: Area, region: Region): Float32Array {
  const { width, height } = region;
  // A corner is the middle of a pixel of the same grid half a pixel on.
  const out = signs(bitsIn(mapArea(area, moved(0.5, 0.5)), region));
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
        const i = y * width + x;
        if (distance < Math.abs(out[i])) out[i] = out[i] < 0 ? -distance : distance;
      }
    }
  };
  for (const path of area) {
    for (let i = 0, j = path.length - 1; i < path.length; j = i++) {
      const [ax, ay, bx, by] = [path[j].x, path[j].y, path[i].x, path[i].y];
      // Long edges in pieces, so that none has a large box of its own.
      const pieces = Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) / (2 * FAR)));
      for (let k = 0; k < pieces; k++) {
        const [from, to] = [k / pieces, (k + 1) / pieces];
        near(ax + (bx - ax) * from, ay + (by - ay) * from, ax + (bx - ax) * to, ay + (by - ay) * to);
      }
    }
  }
  return out;
}

/** `FAR` inside, and as much below 0 outside. */
function signs({ data, width, height, stride }: Bits): Float32Array {
  const out = new Float32Array(width * height).fill(-FAR);
  for (let y = 0; y < height; y++) {
    for (let byte = 0; byte < stride; byte++) {
      const held = data[y * stride + byte];
      if (held === 0) continue;
      const from = y * width + 8 * byte;
      const to = Math.min(from + 8, (y + 1) * width);
      for (let i = from, mask = 0x80; i < to; i++, mask >>= 1) if (held & mask) out[i] = FAR;
    }
  }
  return out;
}
