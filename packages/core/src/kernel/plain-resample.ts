import { randomBelow } from '../base/random.ts';
import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';
import { keptPixel, toPixel } from './plain-pixel.ts';

const { fround } = Math;

/** Plain loops for resampling and filters; `assembly/` says what each does. */
export function plainResample({
  u8,
  u16,
  i16,
  i32,
}: MemoryViews): Pick<
  Kernels,
  | 'mixRows'
  | 'stretchNear'
  | 'stretchRow'
  | 'weighDown'
  | 'weighAlong'
  | 'leastOf'
  | 'mostOf'
  | 'sharpenRow'
  | 'recoverRow'
  | 'grainRow'
  | 'addPixels'
  | 'cellMeans'
> {
  /** Two signed pixels of rows above one another, mixed. */
  const mixed = (upper: number, lower: number, weight: number, i: number): number =>
    (i16[(upper >> 1) + i] * (16384 - weight) + i16[(lower >> 1) + i] * weight) >> 14;
  /** Two pixels side by side, mixed by a pair of weights, as a signed number. */
  const stretched = (from: number, weights: number): number =>
    Math.min(32767, ((u16[from] - 32768) * i16[weights] + (u16[from + 1] - 32768) * i16[weights + 1]) >> 14);
  const reduced =
    (better: (a: number, b: number) => boolean) =>
    (addresses: number, taps: number, out: number, count: number): void => {
      for (let i = 0; i < count; i++) {
        let found = u16[(i32[addresses >> 2] >> 1) + i];
        for (let t = 1; t < taps; t++) {
          const value = u16[(i32[(addresses >> 2) + t] >> 1) + i];
          if (better(value, found)) found = value;
        }
        u16[(out >> 1) + i] = found;
      }
    };
  return {
    mixRows(upper, lower, weight, out, count) {
      for (let i = 0; i < count; i++) u16[(out >> 1) + i] = mixed(upper, lower, weight, i) + 32768;
    },
    stretchNear(row, bases, masks, weights, out, count) {
      for (let i = 0; i < count; i++) {
        const from = (row + i32[(bases >> 2) + (i >> 3)] + u8[masks + 32 * (i >> 3) + 4 * (i & 7)]) >> 1;
        i16[(out >> 1) + i] = stretched(from, (weights >> 1) + 2 * i);
      }
    },
    stretchRow(row, offsets, weights, out, count) {
      for (let i = 0; i < count; i++) {
        const from = (row + i32[(offsets >> 2) + i]) >> 1;
        i16[(out >> 1) + i] = stretched(from, (weights >> 1) + 2 * i);
      }
    },
    weighDown(addresses, weights, taps, out, count) {
      for (let i = 0; i < count; i++) {
        let sum = 16384;
        for (let t = 0; t < taps; t++) {
          sum += u16[(i32[(addresses >> 2) + t] >> 1) + i] * u16[(weights >> 1) + t];
        }
        i16[(out >> 1) + i] = (sum >>> 15) - 32768;
      }
    },
    weighAlong(row, weights, taps, out, count) {
      for (let i = 0; i < count; i++) {
        let sum = 16384;
        for (let t = 0; t < taps; t++) sum += (i16[(row >> 1) + i + t] + 32768) * u16[(weights >> 1) + t];
        u16[(out >> 1) + i] = sum >>> 15;
      }
    },
    leastOf: reduced((a, b) => a < b),
    mostOf: reduced((a, b) => a > b),
    sharpenRow(row, soft, gain, least, out, count) {
      const [by, from] = [fround(gain), fround(least)];
      for (let i = 0; i < count; i++) {
        const value = u16[(row >> 1) + i];
        const edge = fround(value - u16[(soft >> 1) + i]);
        const added = Math.abs(edge) > from ? fround(edge * by) : 0;
        u16[(out >> 1) + i] = toPixel(fround(value + added));
      }
    },
    recoverRow(row, around, dark, light, out, count) {
      const [darks, lights, toSide] = [fround(dark), fround(light), fround(2 / 65535)];
      for (let i = 0; i < count; i++) {
        const value = u16[(row >> 1) + i];
        const near = u16[(around >> 1) + i];
        const side = fround(fround(near * toSide) - 1);
        const pull = fround(fround(side * side) * (side > 0 ? darks : lights));
        const grown = fround(1 + Math.abs(pull));
        const moved = fround(near + fround(pull * 65535));
        u16[(out >> 1) + i] = toPixel(fround(moved + fround(fround(value - near) * grown)));
      }
    },
    grainRow(row, columns, y, share, out, count) {
      for (let i = 0; i < count; i++) {
        const random = randomBelow(i32[(columns >> 2) + (i >> 1)], y);
        const half = i & 1 ? random >> 16 : (random << 16) >> 16;
        const grain = (half * share + 16384) >> 15;
        u16[(out >> 1) + i] = keptPixel(u16[(row >> 1) + i] + 2 * grain);
      }
    },
    addPixels(row, sums, count) {
      for (let i = 0; i < count; i++) i32[(sums >> 2) + i] += u16[(row >> 1) + i];
    },
    cellMeans(sums, shift, out, count) {
      for (let i = 0, at = sums >> 2; i < count; i++) {
        let sum = (1 << (2 * shift)) >> 1;
        for (let k = 0; k < 1 << shift; k++) sum += i32[at++];
        u16[(out >> 1) + i] = sum >>> (2 * shift);
      }
    },
  };
}
