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

/** Number of set bits of every byte. */
export const POPCOUNT = Uint8Array.from({ length: 256 }, (_, byte) => {
  let count = 0;
  for (let rest = byte; rest > 0; rest >>= 1) count += rest & 1;
  return count;
});

/** Number of inked pixels. */
export function countInk(bits: Bits): number {
  let count = 0;
  for (let i = 0; i < bits.data.length; i++) count += POPCOUNT[bits.data[i]];
  return count;
}

/** A copy of one region of the bits; the region must lie inside. */
export function cropBits(bits: Bits, region: Region): Bits {
  const out = createBits(region.width, region.height);
  for (let y = 0; y < region.height; y++) {
    for (let x = 0; x < region.width; x++) {
      if (bitAt(bits, region.x + x, region.y + y)) out.data[y * out.stride + (x >> 3)] |= 0x80 >> (x & 7);
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
