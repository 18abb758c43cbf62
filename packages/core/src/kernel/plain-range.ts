import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';

const { fround } = Math;

type Range = Pick<Kernels, 'partRow' | 'roomOfRow' | 'sumAround' | 'divideRows' | 'addProducts'>;

/** Plain loops that bring light within a range; `assembly/` says what each does. */
export const plainRange = ({ i32, f32 }: MemoryViews): Range => ({
  partRow(row, least, most, worth, within, above, below, count) {
    const [low, high, far] = [fround(least), fround(most), fround(worth)];
    let found = 0;
    for (let i = 0; i < count; i++) {
      const here = f32[(row >> 2) + i];
      const over = Math.max(0, fround(here - high));
      const under = Math.max(0, fround(low - here));
      f32[(within >> 2) + i] = Math.max(low, Math.min(high, here));
      f32[(above >> 2) + i] = over;
      f32[(below >> 2) + i] = under;
      if (over > far) found |= 1;
      if (under > far) found |= 2;
    }
    return found;
  },
  roomOfRow(row, origin, scale, kept, room, count) {
    const [from, by, more] = [fround(origin), fround(scale), fround(kept)];
    for (let i = 0; i < count; i++) {
      const part = fround(fround(f32[(row >> 2) + i] - from) * by);
      const has = fround(fround(1 - part) * fround(part + more));
      f32[(room >> 2) + i] = fround(has * has);
    }
  },
  sumAround(rows, down, out, count) {
    const [first, second, third, fourth, fifth] = [0, 1, 2, 3, 4].map((k) => i32[(rows >> 2) + k] >> 2);
    const start = (down >> 2) + 4;
    for (let i = 0; i < count; i++) {
      const outer = fround(f32[first + i] + f32[fifth + i]);
      const inner = fround(f32[second + i] + f32[fourth + i]);
      f32[start + i] = fround(fround(outer + inner) + f32[third + i]);
    }
    f32.fill(f32[start], start - 2, start);
    f32.fill(f32[start + count - 1], start + count, start + count + 2);
    for (let i = 0; i < count; i++) {
      const at = start + i;
      const outer = fround(f32[at - 2] + f32[at + 2]);
      const inner = fround(f32[at - 1] + f32[at + 1]);
      f32[(out >> 2) + i] = fround(fround(outer + inner) + f32[at]);
    }
  },
  divideRows(row, by, least, out, count) {
    const limit = fround(least);
    for (let i = 0; i < count; i++) {
      const divisor = f32[(by >> 2) + i];
      f32[(out >> 2) + i] = divisor > limit ? fround(f32[(row >> 2) + i] / divisor) : 0;
    }
  },
  addProducts(a, b, weight, to, count) {
    const by = fround(weight);
    for (let i = 0; i < count; i++) {
      const product = fround(fround(f32[(a >> 2) + i] * f32[(b >> 2) + i]) * by);
      f32[(to >> 2) + i] = fround(f32[(to >> 2) + i] + product);
    }
  },
});
