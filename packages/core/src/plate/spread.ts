import { bitAt } from '../raster/bits.ts';
import { nearestMarked } from '../raster/distance.ts';
import { SOLID } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { PlateArt } from './coverage.ts';

/** Coverage from which on there is art whose edges count: 1 %. */
const ART = Math.round(SOLID / 100);

/**
 * Spreads the edges of a plate's art, or chokes them: where art ends, it goes on as it is there for so many pixels, or
 * ends so many pixels earlier. Tones within the art stay as they are.
 *
 * @param radius pixels; below 0 chokes
 * @param sheet  the part of the art that is on the sheet, in its own pixels; the sheet's edge is no edge of art
 */
export function spreadArt({ tone, line }: PlateArt, radius: number, sheet: Region): void {
  const { width, height, data } = tone;
  const has = new Uint8Array(width * height);
  for (let i = 0; i < has.length; i++) has[i] = data[i] >= ART ? 1 : 0;
  if (line) {
    for (let y = 0, i = 0; y < height; y++) {
      for (let x = 0; x < width; x++, i++) {
        if (bitAt(line.ink, x, y)) has[i] = 1;
        else if (bitAt(line.bare, x, y)) has[i] = 0;
      }
    }
  }
  const spreads = radius > 0;
  const edge = spreads ? has : bareOf(has, width, sheet);
  const { index } = nearestMarked(edge, width, height, Math.abs(radius));
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) {
      const from = index[i];
      if (from < 0 || (has[i] === 1) === spreads) continue;
      const byte = y * (line?.ink.stride ?? 0) + (x >> 3);
      const bit = 0x80 >> (x & 7);
      if (!spreads) {
        data[i] = 0;
        if (line) line.ink.data[byte] &= ~bit;
        continue;
      }
      data[i] = data[from];
      if (!line) continue;
      if (bitAt(line.ink, from % width, Math.floor(from / width))) line.ink.data[byte] |= bit;
      line.bare.data[byte] &= ~bit;
    }
  }
}

/** What is bare on the sheet. */
function bareOf(has: Uint8Array, width: number, sheet: Region): Uint8Array {
  const out = new Uint8Array(has.length);
  for (let y = sheet.y; y < sheet.y + sheet.height; y++) {
    for (let i = y * width + sheet.x; i < y * width + sheet.x + sheet.width; i++) out[i] = has[i] ? 0 : 1;
  }
  return out;
}
