import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';

const { fround } = Math;

/** Plain loops for counting bits and adding light; `assembly/` says what each does. */
export function plainCount({
  u8,
  i32,
  f32,
  f64,
}: MemoryViews): Pick<Kernels, 'countSets' | 'addCounts' | 'addScaled'> {
  return {
    countSets(rows, rowStride, plates, digits, stride, many, bytes) {
      for (let i = 0; i < bytes; i++) {
        for (let set = 1; set < 1 << plates; set++) {
          let carry = 255;
          for (let k = 0; k < plates; k++) if (set & (1 << k)) carry &= u8[rows + k * rowStride + i];
          for (let k = 0; k < many; k++) {
            const at = digits + (6 * (set - 1) + k) * stride + i;
            const before = u8[at];
            u8[at] = before ^ carry;
            carry &= before;
          }
        }
      }
    },
    addCounts(digits, stride, many, edges, _masks, shares, count, weight, out, rest, next) {
      let at = i32[edges >> 2];
      let before = 0;
      const digit = (row: number, column: number) => (u8[row + (column >> 3)] >> (7 - (column & 7))) & 1;
      for (let i = 0; i <= count; i++) {
        const edge = i32[(edges >> 2) + i];
        let [whole, cut] = [0, 0];
        for (let k = 0, row = digits; k < many; k++, row += stride) {
          for (let x = at; x < edge; x++) whole += digit(row, x) << k;
          cut += digit(row, edge) << k;
        }
        at = edge;
        const beyond = cut * f64[(shares >> 3) + i];
        if (i > 0) {
          f64[(out >> 3) + i - 1] += (whole + beyond - before) * weight;
          f64[(next >> 3) + i - 1] += (whole + beyond - before) * rest;
        }
        before = beyond;
      }
    },
    addScaled(from, weight, to, count) {
      const by = fround(weight);
      for (let i = 0; i < count; i++) {
        f32[(to >> 2) + i] += fround(f32[(from >> 2) + i] * by);
      }
    },
  };
}
