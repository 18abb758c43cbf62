import type { Kernels } from './kernels.ts';
import type { MemoryViews } from './memory-views.ts';
import { PLACES, type PlaceKind } from './places.ts';
import { placeSegmentsBy } from './segments.ts';

const { imul } = Math;

const PLACE_KINDS = Object.keys(PLACES) as PlaceKind[];

/** Plain loops for comparing coverage with thresholds, and looking them up along a bent lattice; `assembly/` says what each does. */
export function plainCompare({
  u8,
  u16,
  i16,
  i32,
  f64,
}: MemoryViews): Pick<Kernels, 'compareRow' | 'mixAndCompare' | 'lookUpRow' | 'placeRow' | 'packRow'> {
  /** Two signed pixels of rows above one another, mixed. */
  const mixed = (upper: number, lower: number, weight: number, i: number): number =>
    (i16[(upper >> 1) + i] * (16384 - weight) + i16[(lower >> 1) + i] * weight) >> 14;
  // A row of pixels that does not lie in pairs is copied to where it does.
  const aligned = new Uint16Array(1 << 20);
  const alignedPairs = new Int32Array(aligned.buffer);
  return {
    compareRow(coverage, thresholds, run, brick, column, width, out) {
      // Views of just these rows, and pixels read in pairs, are several times as quick as the whole memory pixel by pixel.
      const pixels = u16.subarray(coverage >> 1, (coverage >> 1) + width);
      if (coverage & 3) aligned.set(pixels);
      const pairs =
        coverage & 3 ? alignedPairs : i32.subarray(coverage >> 2, (coverage >> 2) + ((width + 1) >> 1));
      const bars = u16.subarray(thresholds >> 1, (thresholds >> 1) + run + 8);
      const made = u8.subarray(out, out + ((width + 7) >> 3));
      const bytes = width >> 3;
      let at = column;
      for (let i = 0; i < bytes;) {
        at %= brick;
        const end = Math.min(bytes, i + ((run - at + 7) >> 3));
        for (let pair = 4 * i; i < end; i++, pair += 4, at += 8) {
          const p = pairs[pair];
          const q = pairs[pair + 1];
          const r = pairs[pair + 2];
          const s = pairs[pair + 3];
          // Sixteen bits above a difference are all its sign: each takes the one where it belongs. No branch for the processor to guess.
          made[i] =
            (((bars[at] - (p & 65535)) & 0x800000) |
              ((bars[at + 1] - (p >>> 16)) & 0x400000) |
              ((bars[at + 2] - (q & 65535)) & 0x200000) |
              ((bars[at + 3] - (q >>> 16)) & 0x100000) |
              ((bars[at + 4] - (r & 65535)) & 0x080000) |
              ((bars[at + 5] - (r >>> 16)) & 0x040000) |
              ((bars[at + 6] - (s & 65535)) & 0x020000) |
              ((bars[at + 7] - (s >>> 16)) & 0x010000)) >>>
            16;
        }
      }
      if (bytes === made.length) return;
      at %= brick;
      let byte = 0;
      for (let k = 0; 8 * bytes + k < width; k++) if (pixels[8 * bytes + k] > bars[at + k]) byte |= 0x80 >> k;
      made[bytes] = byte;
    },
    mixAndCompare(upper, lower, rows, lines, run, brick, width) {
      for (let row = 0; row < rows; row++) {
        const [weight, thresholds, column, out] = i32.subarray((lines >> 2) + 4 * row);
        const bar = thresholds >> 1;
        let at = column;
        for (let i = 0; i < width; i += 8) {
          let byte = 0;
          const count = Math.min(8, width - i);
          if (at >= run) at %= brick;
          for (let k = 0; k < count; k++) {
            if (mixed(upper, lower, weight, i + k) > u16[bar + at + k] - 32768) byte |= 0x80 >> k;
          }
          u8[out + (i >> 3)] = byte;
          at += 8;
        }
      }
    },
    lookUpRow(coverage, table, segments, skip, width, out) {
      let at = segments >> 2;
      let j = skip;
      let byte = 0;
      for (let i = 0; i < width; i++, j++) {
        for (; j >= i32[at + 6]; at += 7) j -= i32[at + 6];
        const u = (i32[at] + imul(i32[at + 1], j)) >>> 24;
        const v = (i32[at + 2] + imul(i32[at + 3], j)) >>> 24;
        const offset = i32[at + 4] + imul(i32[at + 5], j);
        let bar = u16[(table >> 1) + ((v << 8) | u)];
        if (bar !== 65535) bar = Math.min(65534, Math.max(0, bar - (offset >> 8)));
        byte = (byte << 1) | (u16[(coverage >> 1) + i] > bar ? 1 : 0);
        if ((i & 7) === 7) {
          u8[out + (i >> 3)] = byte;
          byte = 0;
        }
      }
      if (width & 7) u8[out + (width >> 3)] = byte << (8 - (width & 7));
    },
    placeRow(kind, numbers, x, y, step, count, out) {
      const values = f64.subarray(numbers >> 3, (numbers >> 3) + 16);
      placeSegmentsBy(PLACE_KINDS[kind], values, x, y, step, count, i32.subarray(out >> 2));
    },
    packRow(made, width, out) {
      for (let i = 0; i < width; i += 8) {
        let byte = 0;
        for (let k = 0; k < 8; k++) byte |= u8[made + i + k] << (7 - k);
        u8[out + (i >> 3)] = byte;
      }
    },
  };
}
