import fc from 'fast-check';
import { createBits } from '../raster/bits.ts';
import { SOLID } from '../raster/plane.ts';
import { randomAt, randomColumns } from '../base/random.ts';
import {
  bytesAt,
  DIFFUSION,
  FILTER,
  uploadOnce,
  kernels,
  pixelsAt,
  ROWS,
  SEGMENTS,
  wholesAt,
} from './memory.ts';

/** Each kernel against the plainest loop that says the same. */
describe('kernels', () => {
  it('compareRow packs coverage > threshold from any column of the brick', () => {
    const sample = fc.oneof(fc.nat(SOLID), fc.constantFrom(0, 1, 32767, 32768, SOLID - 1, SOLID));
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 3 }),
        fc.array(sample, { minLength: 40, maxLength: 40 }),
        fc.array(sample, { minLength: 1, maxLength: 130 }),
        fc.nat(39),
        (brick, repeats, thresholds, coverage, at) => {
          const column = at % brick;
          const run = brick * repeats;
          const row = pixelsAt(ROWS.lower, run + 8);
          for (let i = 0; i < row.length; i++) row[i] = thresholds[i % brick];
          pixelsAt(ROWS.upper, coverage.length).set(coverage);
          const bits = createBits(coverage.length, 1);
          const made = new Uint8Array(kernels.memory.buffer, ROWS.out, bits.stride + 1).fill(0xaa);
          kernels.compareRow(ROWS.upper, ROWS.lower, run, brick, column, coverage.length, ROWS.out);
          coverage.forEach((value, i) => {
            if (value > thresholds[(column + i) % brick]) bits.data[i >> 3] |= 0x80 >> (i & 7);
          });
          expect([...made.subarray(0, bits.stride)]).toEqual([...bits.data]);
          expect(made[bits.stride]).toBe(0xaa);
        },
      ),
      { seed: 2, numRuns: 300 },
    );
  });

  it('mixRows rounds down as whole numbers do', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(SOLID), fc.nat(SOLID)), { minLength: 1, maxLength: 40 }),
        fc.oneof(fc.nat(16384), fc.constantFrom(0, 1, 16383)),
        (pairs, weight) => {
          // Stretched rows are moved by −2¹⁵.
          pixelsAt(ROWS.upper, pairs.length).set(pairs.map(([a]) => a - 32768));
          pixelsAt(ROWS.lower, pairs.length).set(pairs.map(([, b]) => b - 32768));
          kernels.mixRows(ROWS.upper, ROWS.lower, weight, ROWS.out, pairs.length);
          expect([...pixelsAt(ROWS.out, pairs.length)]).toEqual(
            pairs.map(([a, b]) => a + Math.floor(((b - a) * weight) / 16384)),
          );
        },
      ),
      { seed: 3, numRuns: 300 },
    );
  });

  it('countBlocks counts the ink of blocks of every width', () => {
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: 1, maxLength: 700 }),
        fc.nat(3),
        fc.integer({ min: 1, max: 5 }),
        (ink, shift, rows) => {
          const stride = (Math.ceil(ink.length / rows) + 7) >> 3;
          const data = bytesAt(ROWS.source, stride * rows + 16).fill(0);
          const wide = 1 << shift;
          const want = new Array<number>(Math.ceil((stride * 8) / wide)).fill(0);
          ink.forEach((inked, i) => {
            const [row, x] = [i % rows, Math.floor(i / rows)];
            if (!inked) return;
            data[row * stride + (x >> 3)] |= 0x80 >> (x & 7);
            want[Math.floor(x / wide)]++;
          });
          kernels.countBlocks(ROWS.source, stride, rows, shift, ROWS.out, want.length);
          expect([...bytesAt(ROWS.out, want.length)]).toEqual(want);
          expect(kernels.sumBytes(ROWS.out, want.length)).toBe(ink.filter(Boolean).length);
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });

  const rows = fc.array(fc.tuple(fc.nat(SOLID), fc.nat(SOLID)), { minLength: 1, maxLength: 40 });
  const lay = (pairs: readonly (readonly [number, number])[]) => {
    pixelsAt(ROWS.upper, pairs.length).set(pairs.map(([a]) => a));
    pixelsAt(ROWS.lower, pairs.length).set(pairs.map(([, b]) => b));
  };
  const made = (count: number) => [...pixelsAt(ROWS.out, count)];
  const kept = (value: number) => Math.min(SOLID, Math.max(0, Math.trunc(Math.fround(value + 0.5))));

  it('leastOf and mostOf take the least and the greatest of all their rows', () => {
    fc.assert(
      fc.property(rows, (pairs) => {
        lay(pairs);
        wholesAt(FILTER.addresses, 3).set([ROWS.upper, ROWS.lower, ROWS.upper]);
        kernels.leastOf(FILTER.addresses, 3, ROWS.out, pairs.length);
        expect(made(pairs.length)).toEqual(pairs.map(([a, b]) => Math.min(a, b)));
        kernels.mostOf(FILTER.addresses, 2, ROWS.out, pairs.length);
        expect(made(pairs.length)).toEqual(pairs.map(([a, b]) => Math.max(a, b)));
      }),
      { seed: 7, numRuns: 200 },
    );
  });

  it('sharpenRow adds what a blur took away, where it is enough', () => {
    fc.assert(
      fc.property(rows, fc.integer({ min: 0, max: 10 }), fc.nat(9000), (pairs, gain, least) => {
        lay(pairs);
        kernels.sharpenRow(ROWS.upper, ROWS.lower, gain, least, ROWS.out, pairs.length);
        expect(made(pairs.length)).toEqual(
          pairs.map(([a, b]) => kept(Math.abs(a - b) > least ? a + (a - b) * gain : a)),
        );
      }),
      { seed: 8, numRuns: 200 },
    );
  });

  it('recoverRow leaves the middle tone and pulls the ends by just as much as it says', () => {
    lay([
      [SOLID, SOLID],
      [0, 0],
      [32767, 32767],
      [40000, SOLID],
    ]);
    kernels.recoverRow(ROWS.upper, ROWS.lower, -0.25, 0.5, ROWS.out, 4);
    const [dark, light, middle, detail] = made(4);
    expect(dark).toBe(Math.round(SOLID * 0.75));
    expect(light).toBe(Math.round(SOLID * 0.5));
    expect(middle).toBe(32767);
    // What stands out grows by a quarter: 25 535 below its surroundings.
    expect(Math.abs(detail - (SOLID * 0.75 - 25535 * 1.25))).toBeLessThan(1);
  });

  it('grainRow throws the numbers of randomAt, two pixels a number', () => {
    fc.assert(
      fc.property(fc.nat(1e9), fc.nat(5000), fc.nat(32767), (seed, y, share) => {
        lay(Array.from({ length: 21 }, () => [32768, 0] as const));
        kernels.grainRow(ROWS.upper, uploadOnce(randomColumns(seed, 16)), y, share, ROWS.out, 21);
        made(21).forEach((value, i) => {
          const bits = (randomAt(seed, i >> 1, y) >>> (i & 1 ? 16 : 0)) & 65535;
          const number = bits < 32768 ? bits : bits - 65536;
          const want = Math.min(SOLID, Math.max(0, 32768 + (2 * number * share) / 32768));
          expect(Math.abs(value - want)).toBeLessThanOrEqual(1);
        });
      }),
      { seed: 9, numRuns: 100 },
    );
  });
});

it('lookUpRow reads the table along its segments, from any pixel of the first', () => {
  const table = Uint16Array.from({ length: 65536 }, (_, i) =>
    i % 97 === 0 ? 65535 : Math.imul(i, 40503) & 0xfffe,
  );
  const width = 203;
  const skip = 15;
  const coverage = Uint16Array.from({ length: width }, (_, i) =>
    i % 17 === 0 ? 0 : i % 23 === 0 ? 65535 : (i * 331) % 65536,
  );
  const segments = Array.from({ length: 27 }, (_, k) =>
    [k * 1e8, 9e6 + k, -k * 3e8, 4e7 - k, k * 700 - 9000, 40, 1 + ((k * 7) % 18)].map((n) => n | 0),
  );
  const places = segments.flatMap((segment) =>
    Array.from({ length: segment[6] }, (_, j) => ({ segment, j })),
  );
  wholesAt(SEGMENTS, segments.length * 7).set(segments.flat());
  pixelsAt(ROWS.upper, width).set(coverage);
  kernels.lookUpRow(ROWS.upper, uploadOnce(table), SEGMENTS, skip, width, ROWS.out);
  const out = bytesAt(ROWS.out, (width + 7) >> 3).slice();
  for (let i = 0; i < width; i++) {
    const { segment, j } = places[i + skip];
    const [u, du, v, dv, offset, step] = segment;
    const place = (from: number, by: number) => ((from + Math.imul(by, j)) | 0) >>> 24;
    const asked = coverage[i];
    const found = table[(place(v, dv) << 8) | place(u, du)];
    const threshold =
      found === 65535 ? found : Math.min(65534, Math.max(0, found - ((offset + step * j) >> 8)));
    const bit = asked > threshold ? 1 : 0;
    expect([i, (out[i >> 3] >> (7 - (i & 7))) & 1]).toEqual([i, bit]);
  }
});

it('packRow gathers bytes of 0 and 1 into bits, the first the highest', () => {
  const made = Uint8Array.from({ length: 61 }, (_, i) => ((i * 7) % 5 < 2 ? 1 : 0));
  const area = bytesAt(DIFFUSION.made, 72);
  area.fill(0);
  area.set(made);
  kernels.packRow(DIFFUSION.made, 61, ROWS.out);
  const out = bytesAt(ROWS.out, 8);
  made.forEach((bit, i) => expect((out[i >> 3] >> (7 - (i & 7))) & 1).toBe(bit));
});
