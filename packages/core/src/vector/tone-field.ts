import { plateArt } from '../plate/plate-art.ts';
import type { Scene } from '../recipe/scene.ts';
import { fillPolygons } from '../path/fill.ts';
import { bitAt, countInk, createBits, setBit, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import type { Plane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { Area } from '../path/area.ts';

/** A plate's tones on a grid, without its line work. */
export const tonesOf = (scene: Scene, plate: number, grid: Frame, region: Region): Plane =>
  plateArt(scene, plate, grid, region).tone;

/** The pixels of a region whose middles lie in an area, which is in pixels too. */
export function bitsIn(area: Area, region: Region): Bits {
  const polygons = area.map((path) => ({
    closed: true,
    points: Float64Array.from(path.flatMap(({ x, y }) => [x, y])),
  }));
  const bits = createBits(region.width, region.height);
  fillPolygons(polygons, 'nonzero', region, bits);
  return bits;
}

/** Pixels that tones run on beyond the edge of their part of the sheet. */
const BEYOND = 2;

/** Lets tones of a part of the sheet run on a little beyond its edge as if it went on; those farther off stay what they are. */
export function goOnBeyond(tones: Plane, inside: Bits): void {
  const { width, height } = tones;
  if (countInk(inside) === width * height) return;
  const known: Bits = { ...inside, data: inside.data.slice() };
  const beside: number[] = [];
  for (let y = 0; y < height; y++) {
    for (let byte = 0, at = y * inside.stride; byte < inside.stride; byte++, at++) {
      const held = inside.data[at];
      if (held === WHOLE || (held === 0 && !hasInsideNear(inside, byte, y))) continue;
      for (let x = 8 * byte, mask = 0x80; x < Math.min(8 * byte + 8, width); x++, mask >>= 1)
        if ((held & mask) === 0) beside.push(y * width + x);
    }
  }
  for (let turn = 0; turn < BEYOND; turn++) {
    const found = beside.filter(
      (i) => bitAt(known, i % width, Math.floor(i / width)) === 0 && goOn(tones, known, i),
    );
    for (const i of found) setBit(known, i % width, Math.floor(i / width));
  }
}

/** Eight pixels that are all inside. */
const WHOLE = 0xff;

/** Whether anything inside is so near to eight pixels that tones run on to them. */
function hasInsideNear({ data, stride, height }: Bits, byte: number, y: number): boolean {
  const [left, right] = [Math.max(0, byte - 1), Math.min(stride - 1, byte + 1)];
  for (let row = Math.max(0, y - BEYOND); row <= Math.min(height - 1, y + BEYOND); row++)
    for (let at = left; at <= right; at++) if (data[row * stride + at] !== 0) return true;
  return false;
}

/** Gives a pixel the mean of those around it that are known; false where none is. */
function goOn({ data, width, height }: Plane, known: Bits, i: number): boolean {
  const [x, y] = [i % width, Math.floor(i / width)];
  let [sum, count] = [0, 0];
  for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) {
    for (let column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) {
      if (bitAt(known, column, row) === 0) continue;
      sum += data[row * width + column];
      count++;
    }
  }
  if (count > 0) data[i] = Math.round(sum / count);
  return count > 0;
}
