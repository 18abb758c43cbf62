import fc from 'fast-check';
import { bitAt, createBits, setBit, type Bits } from './bits.ts';
import { grownBits } from './grown-bits.ts';

/** The same, asked pixel by pixel. */
function plain(bits: Bits, radius: number): Bits {
  const out = createBits(bits.width, bits.height);
  const reach = Math.ceil(Math.abs(radius));
  const wanted = radius > 0 ? 1 : 0;
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) {
      let near = false;
      for (let v = Math.max(0, y - reach); v <= Math.min(bits.height - 1, y + reach); v++)
        for (let u = Math.max(0, x - reach); u <= Math.min(bits.width - 1, x + reach); u++)
          if (bitAt(bits, u, v) === wanted && (u - x) ** 2 + (v - y) ** 2 <= radius * radius + 1e-9)
            near = true;
      if (near === (wanted === 1)) setBit(out, x, y);
    }
  }
  return out;
}

it('grown bits are inked just where an inked one lies within the radius; shrunk ones where no bare one does', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 45 }),
      fc.integer({ min: 1, max: 20 }),
      // Tenths: at a whole radius the last digit must not decide.
      fc.integer({ min: -130, max: 130 }).map((tenths) => tenths / 10),
      fc.integer(),
      (width, height, radius, seed) => {
        const bits = createBits(width, height);
        for (let i = 0; i < width * height; i++)
          if (Math.imul(seed ^ i, 0x9e3779b1) >>> 27 === 0) setBit(bits, i % width, Math.floor(i / width));
        const grown = grownBits(bits, radius);
        const expected = Math.abs(radius) < 1 ? bits : plain(bits, radius);
        expect([...grown.data]).toEqual([...expected.data]);
      },
    ),
    { numRuns: 120 },
  );
});
