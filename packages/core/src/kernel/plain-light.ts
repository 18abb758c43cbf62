import { POPCOUNT } from '../base/popcount.ts';
import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';

const { fround } = Math;

type Light = Pick<
  Kernels,
  | 'addScaled'
  | 'bothBits'
  | 'countBlocks'
  | 'sumBits'
  | 'sumBytes'
  | 'addLight'
  | 'weighRows'
  | 'weighColumns'
  | 'mixSets'
>;

/** Plain loops for counting bits and adding light; `assembly/` says what each does. */
export const plainLight = ({ u8, i32, f32 }: MemoryViews): Light => ({
  addScaled(from, weight, to, count) {
    const by = fround(weight);
    for (let i = 0; i < count; i++) f32[(to >> 2) + i] += fround(f32[(from >> 2) + i] * by);
  },
  bothBits(a, b, out, bytes) {
    for (let i = 0; i < bytes; i++) u8[out + i] = u8[a + i] & u8[b + i];
  },
  countBlocks(bits, stride, rows, shift, out, count) {
    const wide = 1 << shift;
    const mask = (1 << wide) - 1;
    for (let i = 0; i < count; i++) {
      const [byte, right] = [(i << shift) >> 3, 8 - wide - ((i << shift) & 7)];
      let sum = 0;
      for (let r = 0; r < rows; r++) sum += POPCOUNT[(u8[bits + r * stride + byte] >> right) & mask];
      u8[out + i] = sum;
    }
  },
  sumBits(from, count) {
    let sum = 0;
    for (let i = 0; i < count; i++) sum += POPCOUNT[u8[from + i]];
    return sum;
  },
  sumBytes(from, count) {
    let sum = 0;
    for (let i = 0; i < count; i++) sum += u8[from + i];
    return sum;
  },
  addLight(counts, stride, sets, weights, out, outStride, count) {
    for (let channel = 0; channel < 3; channel++) {
      const to = (out + channel * outStride) >> 2;
      for (let set = 0; set < sets; set++) {
        const weight = f32[(weights >> 2) + 3 * set + channel];
        for (let i = 0; i < count; i++) f32[to + i] += fround(u8[counts + set * stride + i] * weight);
      }
    }
  },
  weighRows(rows, weights, taps, a, b, count) {
    for (let i = 0; i < count; i++) {
      let [sumA, sumB] = [0, 0];
      for (let k = 0; k < taps; k++) {
        const value = f32[(i32[(rows >> 2) + k] >> 2) + i];
        sumA = fround(sumA + fround(value * f32[(weights >> 2) + 2 * k]));
        sumB = fround(sumB + fround(value * f32[(weights >> 2) + 2 * k + 1]));
      }
      f32[(a >> 2) + i] = sumA;
      f32[(b >> 2) + i] = sumB;
    }
  },
  weighColumns(a, b, starts, weights, taps, out, count) {
    const lanes = new Float32Array(4);
    for (let i = 0, weight = weights >> 2; i < count; i++, weight += 2 * taps) {
      const start = i32[(starts >> 2) + i];
      lanes.fill(0);
      for (let k = 0; k < taps; k++) {
        lanes[k & 3] += fround(f32[(a >> 2) + start + k] * f32[weight + k]);
        lanes[k & 3] += fround(f32[(b >> 2) + start + k] * f32[weight + taps + k]);
      }
      f32[(out >> 2) + i] = fround(lanes[0] + lanes[2]) + fround(lanes[1] + lanes[3]);
    }
  },
  mixSets(shares, stride, plates, colours, work, out, count) {
    const mix = (from: number, to: number, share: number): number =>
      fround(from + fround(fround(to - from) * share));
    for (let i = 0; i < count; i++) {
      const shareOf = (plate: number): number => f32[((shares + plate * stride) >> 2) + i];
      const [from, to] = [colours >> 2, work >> 2];
      let sets = 1 << (plates - 1);
      for (let set = 0; set < sets; set++)
        f32[to + set] = mix(f32[from + set], f32[from + set + sets], shareOf(plates - 1));
      for (let plate = plates - 2; plate >= 0; plate--) {
        sets >>= 1;
        for (let set = 0; set < sets; set++)
          f32[to + set] = mix(f32[to + set], f32[to + set + sets], shareOf(plate));
      }
      f32[(out >> 2) + i] = f32[to];
    }
  },
});
