import fc from 'fast-check';
import { nearestMarked } from './distance.ts';

describe('distance from marked pixels', () => {
  it('is that of the plainest search, for any marks and any radius', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 24 }),
        fc.integer({ min: 1, max: 18 }),
        fc.integer({ min: 0, max: 999 }),
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 2, max: 36 }),
        (width, height, seed, sparse, quarters) => {
          const radius = quarters / 4;
          const marked = Uint8Array.from({ length: width * height }, (_, i) =>
            (Math.imul(i + seed, 2654435761) >>> 8) % sparse === 0 ? 1 : 0,
          );
          const found = nearestMarked(marked, width, height, radius);
          for (let i = 0; i < marked.length; i++) {
            const [x, y] = [i % width, Math.floor(i / width)];
            let best = Infinity;
            marked.forEach((one, j) => {
              if (one) best = Math.min(best, (x - (j % width)) ** 2 + (y - Math.floor(j / width)) ** 2);
            });
            const at = found[i];
            if (best > radius * radius + 1e-9) expect(at).toBe(-1);
            else {
              expect(marked[at]).toBe(1);
              expect((x - (at % width)) ** 2 + (y - Math.floor(at / width)) ** 2).toBe(best);
            }
          }
        },
      ),
      { numRuns: 200 },
    );
  });
});
