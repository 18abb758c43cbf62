import { plateArt } from '../plate/plate-art.ts';
import type { Scene } from '../recipe/scene.ts';
import { fillPolygons } from '../path/fill.ts';
import { bitAt, countInk, createBits, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane, type Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { Area } from '../path/area.ts';
import type { Units } from './units.ts';

/** A plate's tones on a grid, without its line work. */
export const tonesOf = (scene: Scene, plate: number, grid: Frame, region: Region): Plane =>
  plateArt(scene, plate, grid, region).tone;

/** The pixels of a grid whose middles lie in an area. */
export function bitsIn(area: Area, units: Units, grid: Frame, region: Region): Bits {
  const scale = grid.resolution / units.frame.resolution;
  const polygons = area.map((path) => ({
    closed: true,
    points: Float64Array.from(path.flatMap(({ x, y }) => [x * scale, y * scale])),
  }));
  const bits = createBits(region.width, region.height);
  fillPolygons(polygons, 'nonzero', region, bits);
  return bits;
}

/** Pixels that tones run on beyond the edge of their part of the sheet. */
const BEYOND = 2;

/** Tones of a part of the sheet alone, running on a little beyond its edge as if it went on. */
export function tonesWithin(tones: Plane, inside: Bits): Plane {
  const { width, height } = tones;
  if (countInk(inside) === width * height) return tones;
  const out = createPlane(width, height);
  let known = new Uint8Array(width * height);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      if (!bitAt(inside, x, y)) continue;
      out.data[i] = tones.data[i];
      known[i] = 1;
    }
  }
  for (let turn = 0; turn < BEYOND; turn++) {
    const next = known.slice();
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        if (known[i]) continue;
        let [sum, count] = [0, 0];
        for (let dy = -1; dy <= 1; dy++) {
          for (let dx = -1; dx <= 1; dx++) {
            const [nx, ny] = [x + dx, y + dy];
            if (nx < 0 || ny < 0 || nx >= width || ny >= height || !known[ny * width + nx]) continue;
            sum += out.data[ny * width + nx];
            count++;
          }
        }
        if (count === 0) continue;
        out.data[i] = Math.round(sum / count);
        next[i] = 1;
      }
    }
    known = next;
  }
  return out;
}
