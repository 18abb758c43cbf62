import fc from 'fast-check';
import { bitsFrom } from '../testing.ts';
import { addBits, bitAt, clearBits, cropBits, enlargeBits, keepBits, setBits } from './bits.ts';

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

it.each([
  ['added', addBits, (a: number, b: number) => a | b],
  ['cleared', clearBits, (a: number, b: number) => a & ~b],
  ['kept', keepBits, (a: number, b: number) => a & b],
] as const)('bits are %s one by one, whatever their size and wherever they begin', (_, change, of) => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 75 }), fc.integer({ min: 1, max: 9 }), fc.nat(3), (w, h, from) => {
      const a = bitsFrom(w, h, pattern);
      const b = bitsFrom(w, h, (x, y) => pattern(y + 3, x));
      // The same bits in the middle of a longer run of bytes.
      const room = new Uint8Array(a.data.length + 8);
      const into = { ...a, data: room.subarray(from, from + a.data.length) };
      into.data.set(a.data);
      change(into, b);
      for (let y = 0; y < h; y++)
        for (let x = 0; x < w; x++) expect(bitAt(into, x, y)).toBe(of(bitAt(a, x, y), bitAt(b, x, y)) & 1);
      expect(room.subarray(from + a.data.length).every((byte) => byte === 0)).toBe(true);
    }),
    { numRuns: 60, seed: 11 },
  );
});
