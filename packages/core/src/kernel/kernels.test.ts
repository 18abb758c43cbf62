import fc from 'fast-check';
import { areaSum } from '../plate/average.ts';
import { createBits } from '../raster/bits.ts';
import { SOLID } from '../raster/plane.ts';
import { kernels, pixelsAt, ROWS } from './memory.ts';

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
          pixelsAt(ROWS.upper, pairs.length).set(pairs.map(([a]) => a));
          pixelsAt(ROWS.lower, pairs.length).set(pairs.map(([, b]) => b));
          kernels.mixRows(ROWS.upper, ROWS.lower, weight, ROWS.out, pairs.length);
          expect([...pixelsAt(ROWS.out, pairs.length)]).toEqual(
            pairs.map(([a, b]) => a + Math.floor(((b - a) * weight) / 16384)),
          );
        },
      ),
      { seed: 3, numRuns: 300 },
    );
  });

  it('sums of boxes that cut through pixels count each pixel by its share', () => {
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: 1, maxLength: 400 }),
        fc.double({ min: 1, max: 150, noNaN: true }),
        fc.double({ min: -3, max: 20, noNaN: true }),
        (ink, box, start) => {
          const bits = createBits(ink.length, 1);
          ink.forEach((inked, i) => {
            if (inked) bits.data[i >> 3] |= 0x80 >> (i & 7);
          });
          const columns = 5;
          const sum = areaSum({ width: box, height: 1 }, { x: start, y: 0 }, columns, 1, ink.length);
          sum.add(bits, 0);
          for (let c = 0; c < columns; c++) {
            const [from, to] = [start + c * box, start + (c + 1) * box];
            const expected = ink.reduce(
              (total, inked, i) => total + (inked ? Math.max(0, Math.min(to, i + 1) - Math.max(from, i)) : 0),
              0,
            );
            expect(sum.area[c]).toBeCloseTo(expected, 8);
          }
        },
      ),
      { seed: 5, numRuns: 300 },
    );
  });
});
