import fc from 'fast-check';
import { bitsFrom } from '../testing.ts';
import { bitAt, cropBits, enlargeBits, setBits } from './bits.ts';

const pattern = (x: number, y: number) => (x * 7 + y * 13 + (x >> 2) * (y >> 1)) % 5 < 2;

it('a crop is that part of the whole, from any column, with nothing in its padding', () => {
  const whole = bitsFrom(101, 40, pattern);
  fc.assert(
    fc.property(
      fc.nat(90),
      fc.nat(35),
      fc.integer({ min: 1, max: 101 }),
      fc.integer({ min: 1, max: 40 }),
      (x, y, w, h) => {
        const region = { x, y, width: Math.min(w, 101 - x), height: Math.min(h, 40 - y) };
        const part = cropBits(whole, region);
        for (let j = 0; j < region.height; j++) {
          for (let i = 0; i < region.width; i++) expect(bitAt(part, i, j)).toBe(bitAt(whole, x + i, y + j));
          for (let i = region.width; i < part.stride * 8; i++) expect(bitAt(part, i, j)).toBe(0);
        }
      },
    ),
    { numRuns: 60, seed: 5 },
  );
});

it('a run of bits is set from its first to just before its end', () => {
  fc.assert(
    fc.property(fc.nat(70), fc.integer({ min: 1, max: 40 }), (from, length) => {
      const bits = bitsFrom(120, 2, () => false);
      setBits(bits, 1, from, from + length);
      for (let x = 0; x < 120; x++) {
        expect(bitAt(bits, x, 0)).toBe(0);
        expect(bitAt(bits, x, 1)).toBe(x >= from && x < from + length ? 1 : 0);
      }
    }),
    { numRuns: 80, seed: 6 },
  );
});

it('enlarged, each bit is a square of its own, cut where the region cuts it', () => {
  const whole = bitsFrom(20, 20, pattern);
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 9 }), fc.nat(60), fc.nat(60), (times, x, y) => {
      const region = {
        x: Math.min(x, 20 * times - 1),
        y: Math.min(y, 20 * times - 1),
        width: Math.min(33, 20 * times - Math.min(x, 20 * times - 1)),
        height: Math.min(21, 20 * times - Math.min(y, 20 * times - 1)),
      };
      const left = Math.floor(region.x / times);
      const top = Math.floor(region.y / times);
      const coarse = cropBits(whole, {
        x: left,
        y: top,
        width: Math.ceil((region.x + region.width) / times) - left,
        height: Math.ceil((region.y + region.height) / times) - top,
      });
      const made = enlargeBits(coarse, left, top, times, region);
      for (let j = 0; j < region.height; j++) {
        for (let i = 0; i < region.width; i++) {
          const [cx, cy] = [Math.floor((region.x + i) / times), Math.floor((region.y + j) / times)];
          expect(bitAt(made, i, j)).toBe(bitAt(whole, cx, cy));
        }
      }
    }),
    { numRuns: 60, seed: 7 },
  );
});
