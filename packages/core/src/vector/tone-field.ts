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
  for (let turn = 0; turn < BEYOND; turn++) {
    const found: number[] = [];
    for (let y = 0; y < height; y++) {
      for (let byte = 0; byte < known.stride; byte++) {
        const beside = besideKnown(known, byte, y);
        if (beside === 0) continue;
        for (let x = 8 * byte, mask = 0x80; mask > 0 && x < width; mask >>= 1, x++) {
          if ((beside & mask) === 0) continue;
          goOn(tones, known, x, y);
          found.push(x, y);
        }
      }
    }
    for (let k = 0; k < found.length; k += 2) setBit(known, found[k], found[k + 1]);
  }
}

/** Which of eight pixels are not known, but one of those around them is. */
function besideKnown({ data, stride, height }: Bits, byte: number, y: number): number {
  const here = data[y * stride + byte];
  if (here === WHOLE) return 0;
  let around = 0;
  let before = 0;
  let after = 0;
  for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) {
    const at = row * stride + byte;
    around |= data[at];
    if (byte > 0) before |= data[at - 1];
    if (byte + 1 < stride) after |= data[at + 1];
  }
  return (around | (around << 1) | (around >> 1) | (before << 7) | (after >> 7)) & WHOLE & ~here;
}

/** Eight pixels that are all known. */
const WHOLE = 0xff;

/** Gives a pixel the mean of those around it that are known. */
function goOn({ data, width, height }: Plane, known: Bits, x: number, y: number): void {
  let [sum, count] = [0, 0];
  for (let row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) {
    for (let column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) {
      if (bitAt(known, column, row) === 0) continue;
      sum += data[row * width + column];
      count++;
    }
  }
  data[y * width + x] = Math.round(sum / count);
}
