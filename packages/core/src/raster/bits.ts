import { POPCOUNT } from '../base/popcount.ts';
import { addressOf, kernels } from '../kernel/memory.ts';
import type { Region } from './region.ts';

/**
 * A one-bit picture, one bit for each device pixel. Rows are padded to bytes (`stride` bytes each), the most
 * significant bit comes first, and 1 = ink. Padding bits are 0.
 */
export interface Bits {
  readonly width: number;
  readonly height: number;
  readonly stride: number;
  readonly data: Uint8Array;
}

/** Bytes in one row of `width` bits. */
export const strideOf = (width: number): number => (width + 7) >> 3;

/** Bare bits of the given size in pixels. */
export function createBits(width: number, height: number): Bits {
  const stride = strideOf(width);
  return { width, height, stride, data: new Uint8Array(stride * height) };
}

/** 1 where there is ink at column x of row y, else 0. */
export const bitAt = (bits: Bits, x: number, y: number): number =>
  (bits.data[y * bits.stride + (x >> 3)] >> (7 - (x & 7))) & 1;

/** Inks the bit at (x, y). */
export function setBit({ data, stride }: Bits, x: number, y: number): void {
  data[y * stride + (x >> 3)] |= 0x80 >> (x & 7);
}

/** Clears the bit at (x, y). */
export function clearBit({ data, stride }: Bits, x: number, y: number): void {
  data[y * stride + (x >> 3)] &= ~(0x80 >> (x & 7));
}

/** Bits four bytes at a time, as far as they go; none where they do not begin with one. */
const wordsOf = ({ data }: Bits): Uint32Array =>
  new Uint32Array(data.buffer, data.byteOffset & ~3, (data.byteOffset & 3) === 0 ? data.length >> 2 : 0);

/** Set bits of each byte of a word, in that byte. */
function bytesSet(word: number): number {
  let sums = word - ((word >>> 1) & 0x55555555);
  sums = (sums & 0x33333333) + ((sums >>> 2) & 0x33333333);
  return (sums + (sums >>> 4)) & 0x0f0f0f0f;
}

/** Number of inked pixels. */
export function countInk(bits: Bits): number {
  const { data } = bits;
  const place = addressOf(data);
  if (place !== undefined) return kernels.sumBits(place, data.length);
  const words = wordsOf(bits);
  let count = 0;
  let i = 0;
  // A byte of the sum holds the bits of up to 31 words; eight are added up at a time.
  for (; i + 7 < words.length; i += 8) {
    const sums =
      bytesSet(words[i]) +
      bytesSet(words[i + 1]) +
      bytesSet(words[i + 2]) +
      bytesSet(words[i + 3]) +
      bytesSet(words[i + 4]) +
      bytesSet(words[i + 5]) +
      bytesSet(words[i + 6]) +
      bytesSet(words[i + 7]);
    const halves = (sums & 0x00ff00ff) + ((sums >>> 8) & 0x00ff00ff);
    count += (halves & 0xffff) + (halves >>> 16);
  }
  for (i <<= 2; i < data.length; i++) count += POPCOUNT[data[i]];
  return count;
}

/** True when no bit is set. */
export function isBlank(bits: Bits): boolean {
  const words = wordsOf(bits);
  for (let i = 0; i < words.length; i++) if (words[i] !== 0) return false;
  for (let i = words.length << 2; i < bits.data.length; i++) if (bits.data[i] !== 0) return false;
  return true;
}

/** Sets the bits that others of the same size have set. */
export function addBits(into: Bits, other: Bits): void {
  const [a, b] = [wordsOf(into), wordsOf(other)];
  const count = Math.min(a.length, b.length);
  for (let i = 0; i < count; i++) a[i] |= b[i];
  for (let i = count << 2; i < into.data.length; i++) into.data[i] |= other.data[i];
}

/** Clears them. */
export function clearBits(into: Bits, other: Bits): void {
  const [a, b] = [wordsOf(into), wordsOf(other)];
  const count = Math.min(a.length, b.length);
  for (let i = 0; i < count; i++) a[i] &= ~b[i];
  for (let i = count << 2; i < into.data.length; i++) into.data[i] &= ~other.data[i];
}

/** Keeps only them. */
export function keepBits(into: Bits, other: Bits): void {
  const [a, b] = [wordsOf(into), wordsOf(other)];
  const count = Math.min(a.length, b.length);
  for (let i = 0; i < count; i++) a[i] &= b[i];
  for (let i = count << 2; i < into.data.length; i++) into.data[i] &= other.data[i];
}

/** The bits that both have set. */
export function bothOf(a: Bits, b: Bits): Bits {
  const out = { ...a, data: a.data.slice() };
  keepBits(out, b);
  return out;
}

/** A copy of one region of the bits; the region must lie inside. */
export function cropBits(bits: Bits, region: Region): Bits {
  const out = createBits(region.width, region.height);
  const shift = region.x & 7;
  const last = out.stride - 1;
  const spare = (out.stride << 3) - region.width;
  for (let y = 0; y < region.height; y++) {
    const from = (region.y + y) * bits.stride + (region.x >> 3);
    const end = (region.y + y + 1) * bits.stride;
    const to = y * out.stride;
    for (let i = 0; i < out.stride; i++) {
      const byte = bits.data[from + i] << shift;
      const rest = shift > 0 && from + i + 1 < end ? bits.data[from + i + 1] >> (8 - shift) : 0;
      out.data[to + i] = byte | rest;
    }
    out.data[to + last] &= 0xff << spare;
  }
  return out;
}

/** Sets the bits of a row from column `from` to just before `to`. */
export function setBits(bits: Bits, row: number, from: number, to: number): void {
  const base = row * bits.stride;
  const first = from >> 3;
  const last = (to - 1) >> 3;
  const head = 0xff >> (from & 7);
  const tail = (0xff << (7 - ((to - 1) & 7))) & 0xff;
  if (first === last) {
    bits.data[base + first] |= head & tail;
    return;
  }
  bits.data[base + first] |= head;
  bits.data.fill(0xff, base + first + 1, base + last);
  bits.data[base + last] |= tail;
}

/**
 * A region of bits enlarged: each becomes `times` × `times` with hard edges.
 *
 * @param coarse part of the bits that covers the region, its left top one at (x, y) of the whole
 * @param region in pixels of the enlarged whole
 */
export function enlargeBits(coarse: Bits, x: number, y: number, times: number, region: Region): Bits {
  const out = createBits(region.width, region.height);
  let made = -1;
  for (let row = 0; row < region.height; row++) {
    const from = Math.floor((region.y + row) / times) - y;
    if (from === made) {
      out.data.copyWithin(row * out.stride, (row - 1) * out.stride, row * out.stride);
      continue;
    }
    made = from;
    for (let column = 0; column < coarse.width;) {
      if (!bitAt(coarse, column, from)) {
        column++;
        continue;
      }
      let end = column + 1;
      while (end < coarse.width && bitAt(coarse, end, from)) end++;
      const left = Math.max(0, (x + column) * times - region.x);
      const right = Math.min(region.width, (x + end) * times - region.x);
      if (right > left) setBits(out, row, left, right);
      column = end;
    }
  }
  return out;
}

/** Lays the set bits of one picture over those of a larger one, its left top pixel at (x, y). */
export function placeBits(from: Bits, to: Bits, x: number, y: number): void {
  const shift = x & 7;
  for (let row = 0; row < from.height; row++) {
    const base = (y + row) * to.stride + (x >> 3);
    for (let i = 0; i < from.stride; i++) {
      const byte = from.data[row * from.stride + i];
      if (byte === 0) continue;
      to.data[base + i] |= byte >> shift;
      const rest = (byte << (8 - shift)) & 0xff;
      if (rest !== 0) to.data[base + i + 1] |= rest;
    }
  }
}
