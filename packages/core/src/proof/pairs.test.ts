import fc from 'fast-check';
import { bitAt, createBits, setBits } from '../raster/bits.ts';
import { areaSums, boxesOf } from './average.ts';
import { isPairs } from './pairs.ts';

const PAIR = { width: 2, height: 2 };

describe('boxes of two by two pixels', () => {
  it('hold the pixels that are inked in them, from whichever bands they come', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 40 }),
        fc.integer({ min: 1, max: 9 }),
        fc.integer({ min: 0, max: 3 }),
        fc.infiniteStream(fc.boolean()),
        (width, height, top, ink) => {
          const [columns, rows] = [Math.ceil(width / 2), Math.ceil(height / 2)];
          const bits = createBits(width, height);
          for (let y = 0; y < height; y++)
            for (let x = 0; x < width; x++) if (ink.next().value) setBits(bits, y, x, x + 1);
          const boxes = boxesOf(PAIR, { x: 0, y: top }, columns, rows, width);
          expect(isPairs(boxes)).toBe(true);
          const sums = areaSums(boxes, 1);
          for (let y = 0; y < height; y += 3) {
            const data = bits.data.subarray(y * bits.stride);
            sums.add([{ ...bits, height: Math.min(3, height - y), data }], y);
          }
          const area = new Float64Array(columns * rows);
          for (let y = top; y < height; y++) {
            for (let x = 0; x < width; x++)
              area[((y - top) >> 1) * columns + (x >> 1)] += Number(bitAt(bits, x, y));
          }
          expect(sums.areas[1]).toEqual(area);
        },
      ),
      { seed: 11, numRuns: 200 },
    );
  });

  it('are no others: larger ones, ones that begin within a pixel, ones beyond the bits', () => {
    expect(isPairs(boxesOf({ width: 2.01, height: 2 }, { x: 0, y: 0 }, 10, 4, 20))).toBe(false);
    expect(isPairs(boxesOf(PAIR, { x: 0.5, y: 0 }, 10, 4, 20))).toBe(false);
    expect(isPairs(boxesOf(PAIR, { x: 0, y: 0.5 }, 10, 4, 20))).toBe(false);
    expect(isPairs(boxesOf(PAIR, { x: 0, y: 0 }, 11, 4, 20))).toBe(false);
  });
});
