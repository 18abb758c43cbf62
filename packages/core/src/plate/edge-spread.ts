import type { LineBits } from '../drawing/paint-drawing.ts';
import { addBits, clearBits } from '../raster/bits.ts';
import { grownBits } from '../raster/grown-bits.ts';
import { nearestMarked } from '../raster/distance.ts';
import { SOLID } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import type { PlateArt } from './composed-art.ts';

/** Coverage from which on there is art whose edges count: 1 %. */
const ART = Math.round(SOLID / 100);

/** Columns that are looked at for edges at once. */
const TILE = 128;

/**
 * Spreads the edges of a plate's art, or chokes them: where art ends, it goes on as it is there for so many pixels, or
 * ends so many pixels earlier. Tones within the art stay as they are, but for those that spread line work goes on over.
 *
 * @param radius pixels; below 0 chokes
 * @param sheet  the part of the art that is on the sheet, in its own pixels; the sheet's edge is no edge of art
 */
export function spreadArt(art: PlateArt, radius: number, sheet: Region): void {
  const { width, height } = art.tone;
  const has = artOf(art);
  const reach = Math.ceil(Math.abs(radius));
  const edge = radius > 0 ? has : bareOf(has, width, sheet);
  const changed = radius > 0 ? 0 : 1;
  const before = {
    tone: radius > 0 ? art.tone.data.slice() : art.tone.data,
    ink: art.line?.ink.data.slice() ?? NO_LINE,
  };
  for (let left = 0; left < width; left += TILE) {
    const from = Math.max(0, left - reach);
    const wide = Math.min(width, left + TILE + reach) - from;
    const part = cut(edge, width, from, wide, height);
    let marked = 0;
    for (let i = 0; i < part.length; i++) marked += part[i];
    if (marked === 0 || (radius > 0 && marked === part.length)) continue;
    const index = nearestMarked(part, wide, height, Math.abs(radius));
    const right = Math.min(width, left + TILE);
    for (let y = 0; y < height; y++) {
      for (let x = left; x < right; x++) {
        const at = y * width + x;
        const near = index[y * wide + x - from];
        if (near < 0 || has[at] !== changed) continue;
        if (radius > 0) extend(art, before, x, y, from + (near % wide), Math.floor(near / wide));
        else takeAway(art, x, y);
      }
    }
  }
  if (radius > 0 && art.line) spreadOverTones(art.line, before.ink, radius);
}

/** Line work ends within tones of its own plate, too: there it goes on over them. */
function spreadOverTones({ ink, bare }: LineBits, before: Uint8Array, radius: number): void {
  const grown = grownBits({ ...ink, data: before }, radius);
  addBits(ink, grown);
  clearBits(bare, grown);
}

/** 1 where there is art. */
function artOf({ tone, line }: PlateArt): Uint8Array {
  const { width, height, data } = tone;
  const has = new Uint8Array(width * height);
  for (let i = 0; i < has.length; i++) has[i] = data[i] >= ART ? 1 : 0;
  if (!line) return has;
  for (let y = 0; y < height; y++) {
    for (let byte = 0; byte < line.ink.stride; byte++) {
      const [ink, bare] = [
        line.ink.data[y * line.ink.stride + byte],
        line.bare.data[y * line.ink.stride + byte],
      ];
      if (ink === 0 && bare === 0) continue;
      for (let x = byte * 8; x < Math.min(width, byte * 8 + 8); x++) {
        const bit = 0x80 >> (x & 7);
        if (ink & bit) has[y * width + x] = 1;
        else if (bare & bit) has[y * width + x] = 0;
      }
    }
  }
  return has;
}

function cut(data: Uint8Array, width: number, left: number, wide: number, height: number): Uint8Array {
  const out = new Uint8Array(wide * height);
  for (let y = 0; y < height; y++)
    out.set(data.subarray(y * width + left, y * width + left + wide), y * wide);
  return out;
}

/** The ink of art that has no line work. */
const NO_LINE = new Uint8Array(0);

/** Takes a pixel of art away. */
function takeAway({ tone, line }: PlateArt, x: number, y: number): void {
  tone.data[y * tone.width + x] = 0;
  if (line) line.ink.data[y * line.ink.stride + (x >> 3)] &= ~(0x80 >> (x & 7));
}

/** Makes a pixel what the art was at another. */
function extend(
  { tone, line }: PlateArt,
  before: { tone: Uint16Array; ink: Uint8Array },
  x: number,
  y: number,
  fromX: number,
  fromY: number,
): void {
  tone.data[y * tone.width + x] = before.tone[fromY * tone.width + fromX];
  if (!line) return;
  const bit = 0x80 >> (x & 7);
  const to = y * line.ink.stride + (x >> 3);
  line.bare.data[to] &= ~bit;
  if (before.ink[fromY * line.ink.stride + (fromX >> 3)] & (0x80 >> (fromX & 7))) line.ink.data[to] |= bit;
}

/** What is bare on the sheet. */
function bareOf(has: Uint8Array, width: number, sheet: Region): Uint8Array {
  const out = new Uint8Array(has.length);
  for (let y = sheet.y; y < sheet.y + sheet.height; y++) {
    for (let i = y * width + sheet.x; i < y * width + sheet.x + sheet.width; i++) out[i] = has[i] ? 0 : 1;
  }
  return out;
}
