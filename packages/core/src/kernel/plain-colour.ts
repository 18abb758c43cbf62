import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';

const { imul } = Math;

/** Plain loops for grey, tables and ink amounts; `assembly/` says what each does. */
export function plainColour({
  u8,
  u16,
}: MemoryViews): Pick<Kernels, 'greyRow' | 'throughTable' | 'separateRow' | 'separateBytes'> {
  const separatePixel = (
    pixel: readonly number[],
    table: number,
    size: number,
    out: number,
    stride: number,
  ): void => {
    const last = size - 2;
    const steps = [4 * size * size, 4 * size, 4];
    const at = pixel.map((value) => (value + (value >> 15)) * (size - 1));
    const low = at.map((one) => Math.min(one >> 16, last));
    const into = at.map((one, k) => (one - (low[k] << 16)) >> 1);
    // The farthest in first; of two alike red goes before green, and both before blue.
    const order = [0, 1, 2].sort((a, b) => into[b] - into[a] || a - b);
    const corners = [(table >> 1) + low[0] * steps[0] + low[1] * steps[1] + low[2] * steps[2]];
    for (const k of order) corners.push(corners[corners.length - 1] + steps[k]);
    const ways = [32768, ...order.map((k) => into[k]), 0];
    for (let ink = 0; ink < 4; ink++) {
      const sum = corners.reduce(
        (whole, corner, k) => whole + u16[corner + ink] * (ways[k] - ways[k + 1]),
        0,
      );
      u16[(out + ink * stride) >> 1] = sum >>> 15;
    }
  };
  return {
    greyRow(pixels, channels, red, green, blue, table, out, count) {
      for (let i = 0, at = pixels; i < count; i++, at += channels) {
        const sum = (imul(u8[at], red) + imul(u8[at + 1], green) + imul(u8[at + 2], blue) + 32768) >>> 0;
        u16[(out >> 1) + i] = u16[(table >> 1) + 65535 - (sum >>> 16)];
      }
    },
    throughTable(row, table, out, count) {
      for (let i = 0; i < count; i++) u16[(out >> 1) + i] = u16[(table >> 1) + u16[(row >> 1) + i]];
    },
    separateRow(red, green, blue, table, size, out, stride, count) {
      for (let i = 0; i < count; i++) {
        const pixel = [red, green, blue].map((row) => u16[(row >> 1) + i]);
        separatePixel(pixel, table, size, out + 2 * i, stride);
      }
    },
    separateBytes(pixels, channels, tone, table, size, out, stride, count) {
      for (let i = 0; i < count; i++) {
        const pixel = [0, 1, 2].map((k) => u16[(tone >> 1) + u8[pixels + i * channels + k]]);
        separatePixel(pixel, table, size, out + 2 * i, stride);
      }
    },
  };
}
