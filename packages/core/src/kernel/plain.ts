import { randomBelow } from '../base/random.ts';
import { plainGroup4 } from './plain-group4.ts';
import { PLACES, type PlaceKind } from './places.ts';
import { placeSegmentsBy } from './segments.ts';
import type { Kernels } from './kernels.ts';
import { PAGES } from './pages.ts';

const PLACE_KINDS = Object.keys(PLACES) as PlaceKind[];

/** Bytes of memory, as many as the compiled kernels cannot do without. */
const BYTES = PAGES.least << 16;

const { fround, imul } = Math;
const kept = (value: number): number => (value < 0 ? 0 : value > 65535 ? 65535 : value);
/** A real as a pixel, rounded (the even one of two alike near) and kept within 0 to 65535. */
const pixel = (value: number): number => kept(fround(value + 2 ** 23) - 2 ** 23);

/**
 * The loops of `assembly/` in plain TypeScript, bit for bit the same, for machines whose WebAssembly has no SIMD. What
 * each does is said there.
 */
export function plainKernels(): Kernels {
  const buffer = new ArrayBuffer(BYTES);
  const u8 = new Uint8Array(buffer);
  const u16 = new Uint16Array(buffer);
  const i16 = new Int16Array(buffer);
  const i32 = new Int32Array(buffer);
  // A row of pixels that does not lie in pairs is copied to where it does.
  const aligned = new Uint16Array(1 << 20);
  const alignedPairs = new Int32Array(aligned.buffer);
  const f32 = new Float32Array(buffer);
  const f64 = new Float64Array(buffer);
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
  const separatePixel = (
    pixel: readonly number[],
    table: number,
    size: number,
    out: number,
    apart: number,
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
      u16[(out + ink * apart) >> 1] = sum >>> 15;
    }
  };
  return {
    memory: { buffer },
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
    mixRows(upper, lower, weight, out, count) {
      for (let i = 0; i < count; i++) u16[(out >> 1) + i] = mixed(upper, lower, weight, i) + 32768;
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
        u16[(out >> 1) + i] = pixel(fround(value + added));
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
        u16[(out >> 1) + i] = pixel(fround(moved + fround(fround(value - near) * grown)));
      }
    },
    grainRow(row, columns, y, share, out, count) {
      for (let i = 0; i < count; i++) {
        const random = randomBelow(i32[(columns >> 2) + (i >> 1)], y);
        const half = i & 1 ? random >> 16 : (random << 16) >> 16;
        const grain = (half * share + 16384) >> 15;
        u16[(out >> 1) + i] = kept(u16[(row >> 1) + i] + 2 * grain);
      }
    },
    ...plainGroup4(u8, i32),
    separateRow(red, green, blue, table, size, out, apart, count) {
      for (let i = 0; i < count; i++) {
        const pixel = [red, green, blue].map((row) => u16[(row >> 1) + i]);
        separatePixel(pixel, table, size, out + 2 * i, apart);
      }
    },
    separateBytes(pixels, channels, tone, table, size, out, apart, count) {
      for (let i = 0; i < count; i++) {
        const pixel = [0, 1, 2].map((k) => u16[(tone >> 1) + u8[pixels + i * channels + k]]);
        separatePixel(pixel, table, size, out + 2 * i, apart);
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
    countSets(rows, rowApart, plates, digits, apart, many, bytes) {
      for (let i = 0; i < bytes; i++) {
        for (let set = 1; set < 1 << plates; set++) {
          let carry = 255;
          for (let k = 0; k < plates; k++) if (set & (1 << k)) carry &= u8[rows + k * rowApart + i];
          for (let k = 0; k < many; k++) {
            const at = digits + (6 * (set - 1) + k) * apart + i;
            const before = u8[at];
            u8[at] = before ^ carry;
            carry &= before;
          }
        }
      }
    },
    addCounts(digits, apart, many, edges, _masks, shares, count, weight, out, rest, next) {
      let at = i32[edges >> 2];
      let before = 0;
      const digit = (row: number, column: number) => (u8[row + (column >> 3)] >> (7 - (column & 7))) & 1;
      for (let i = 0; i <= count; i++) {
        const edge = i32[(edges >> 2) + i];
        let [whole, cut] = [0, 0];
        for (let k = 0, row = digits; k < many; k++, row += apart) {
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
    greyRow(pixels, channels, red, green, blue, table, out, count) {
      for (let i = 0, at = pixels; i < count; i++, at += channels) {
        const sum = (imul(u8[at], red) + imul(u8[at + 1], green) + imul(u8[at + 2], blue) + 32768) >>> 0;
        u16[(out >> 1) + i] = u16[(table >> 1) + 65535 - (sum >>> 16)];
      }
    },
    throughTable(row, table, out, count) {
      for (let i = 0; i < count; i++) u16[(out >> 1) + i] = u16[(table >> 1) + u16[(row >> 1) + i]];
    },
    placeRow(kind, numbers, x, y, step, count, out) {
      const values = f64.subarray(numbers >> 3, (numbers >> 3) + 16);
      placeSegmentsBy(PLACE_KINDS[kind], values, x, y, step, count, i32.subarray(out >> 2));
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
    diffuseRow(coverage, here, next, after, made, noise, modulation, feedback, kernel, way, width) {
      const [h, n, a] = [here >> 2, next >> 2, after >> 2];
      const divisor = [16, 48, 42, 2][kernel];
      const half = divisor >> 1;
      let [before, behind] = [0, 0];
      for (let i = 0; i < width; i++) {
        const x = way > 0 ? i : width - 1 - i;
        const asked = u16[(coverage >> 1) + x];
        const above = u8[made + x];
        let ink = 0;
        if (asked === 65535) ink = 1;
        else if (asked > 0) {
          const carried = i32[h + x];
          const taken =
            kernel === 0
              ? (carried + 8) >> 4
              : Math.trunc((carried + (carried < 0 ? -half : half)) / divisor);
          const value = Math.max(-131072, Math.min(196608, asked + taken));
          let bar = 32768;
          if (noise) bar += imul(u16[(noise >> 1) + x] - 32768, modulation) >> 16;
          if (feedback) {
            const near = 22 * before + 56 * above + 25 * (u8[made + x + way] + behind);
            bar += imul(feedback, 64 - near) >> 7;
          }
          ink = value >= bar ? 1 : 0;
          const error = value - (ink ? 65535 : 0);
          if (kernel === 0) {
            i32[h + x + way] += 7 * error;
            i32[n + x - way] += 3 * error;
            i32[n + x] += 5 * error;
            i32[n + x + way] += error;
          } else if (kernel === 3) {
            i32[h + x + way] += error;
            i32[n + x] += error;
          } else {
            const [ahead, ring] =
              kernel === 1
                ? [
                    [7, 5],
                    [
                      [3, 5, 7, 5, 3],
                      [1, 3, 5, 3, 1],
                    ],
                  ]
                : [
                    [8, 4],
                    [
                      [2, 4, 8, 4, 2],
                      [1, 2, 4, 2, 1],
                    ],
                  ];
            for (let k = 1; k <= 2; k++) i32[h + x + k * way] += ahead[k - 1] * error;
            for (let k = -2; k <= 2; k++) {
              i32[n + x + k * way] += ring[0][k + 2] * error;
              i32[a + x + k * way] += ring[1][k + 2] * error;
            }
          }
        }
        u8[made + x] = ink;
        before = ink;
        behind = above;
      }
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
