import { A, B, BASE, both, C, check, D, expectSame, from, made, OUT, ROOM, WIDTH } from './testing.ts';
import { BLACK_CODES, WHITE_CODES } from '../film/run-codes.ts';
import { PLACES, runningNumbers, scatteringNumbers } from './places.ts';
import type { Kernels } from './kernels.ts';

describe('plain kernels make the very bits of the compiled ones', () => {
  it('comparing', () =>
    check((seed) => {
      // Rows of thresholds repeat, as `buildThresholds` lays them.
      const brick = 40 + (seed % 60);
      const run = brick * 4;
      const prepare = (_: Uint8Array, view: DataView) => {
        for (let i = brick; i < run + 8; i++) {
          view.setUint16(from(B) + 2 * i, view.getUint16(from(B) + 2 * (i - brick), true), true);
        }
      };
      const row = A + 2 * (seed & 1);
      const call = (k: Kernels) => k.compareRow(row, B, run, brick, seed % brick, WIDTH, OUT);
      expectSame(made(seed, prepare, call), OUT, (WIDTH + 7) >> 3);
    }));
  it('mixing and comparing at once, one row and several', () =>
    check((seed) => {
      const brick = 40 + (seed % 60);
      const run = brick * 4;
      const rows = 1 + (seed % 8);
      const bytes = (WIDTH + 7) >> 3;
      const prepare = (_: Uint8Array, view: DataView) => {
        for (let i = brick; i < run + 8; i++) {
          view.setUint16(from(C) + 2 * i, view.getUint16(from(C) + 2 * (i - brick), true), true);
        }
        for (let i = 0; i < rows; i++) {
          const line = [(seed >> i) & 16383, C, (seed >> i) % brick, OUT + i * bytes];
          line.forEach((number, k) => view.setInt32(from(D) + 16 * i + 4 * k, number, true));
        }
      };
      const results = made(seed, prepare, (k) => k.mixAndCompare(A, B, rows, D, run, brick, WIDTH));
      expectSame(results, OUT, rows * bytes);
    }));
  it('codes rows of bits for Group 4, in one piece or in several', () => {
    const [CODES, OTHERS] = [BASE + 20480, BASE + 22528];
    check((seed) => {
      const [width, stride, height] = [331, 42, 9];
      const lengths: number[] = [];
      const results = made(
        seed,
        (bytes, view) => {
          // Runs of some length, and rows that are like the one above.
          for (let i = 0; i < stride * height; i++)
            bytes[from(A) + i] = bytes[from(D) + (i >> 2)] > 140 ? 255 : 0;
          bytes.copyWithin(from(A) + stride, from(A), from(A) + stride);
          for (const [address, { code, length }] of [
            [CODES, WHITE_CODES],
            [OTHERS, BLACK_CODES],
          ] as const) {
            code.forEach((one, i) => view.setInt32(from(address) + 4 * i, one, true));
            length.forEach((one, i) => view.setInt32(from(address) + 4 * (104 + i), one, true));
          }
        },
        (k) => {
          k.beginStrip(B, C, 0, stride, width, 0);
          let at = OUT;
          at += k.encodeRows(A, stride, width, 4, CODES, OTHERS, at);
          k.beginStrip(B, C, A + 3 * stride, stride, width, k.stripRest());
          at += k.encodeRows(A + 4 * stride, stride, width, height - 4, CODES, OTHERS, at);
          at += k.endStrip(k.stripRest(), at);
          lengths.push(at - OUT);
        },
      );
      expect(lengths[0]).toBe(lengths[1]);
      expectSame(results, OUT, lengths[0]);
    });
  });
  it('moves packed bytes behind bits that were left over', () =>
    check((seed) => {
      const count = 1 + (seed % 300);
      const results = made(
        seed,
        () => undefined,
        (k) => k.moveBehind(A, count, ((seed % 8) << 8) | (seed & ((1 << (seed % 8)) - 1)), OUT),
      );
      expectSame(results, OUT, count);
    }));
  it('bits in common, and counting them in blocks', () =>
    check((seed) => {
      const [shift, rows, count] = [seed % 4, 1 + (seed % 31), 16 * (1 + (seed % 3))];
      const results = made(
        seed,
        () => undefined,
        (k) => {
          k.bothBits(A, B, C, 16 * (1 + (seed % 9)));
          k.countBlocks(A, 96, rows, shift, OUT, count);
        },
      );
      expectSame(results, C, 160);
      expectSame(results, OUT, count);
      for (const sum of ['sumBytes', 'sumBits'] as const) {
        const [compiled, plain] = both.map((kernels) => kernels[sum](A, seed % 500));
        expect(compiled).toBe(plain);
      }
    }));
  it.each(Object.entries(PLACES))('places, %s', (kind, number) =>
    check((seed) => {
      const odd = (k: number) => ((seed >> k) & 255) / 256;
      const values =
        kind === 'scattered'
          ? scatteringNumbers({
              along: 0.05 + odd(1) / 9,
              across: odd(3) / 9 - 0.05,
              grown: seed & 1 ? 30000 * odd(5) : 0,
              moved: seed & 2 ? odd(7) : 0,
              frayed: seed & 4 ? odd(9) / 6 : 0,
              seed: seed & 1023,
            })
          : runningNumbers({
              mm: 0.02 + odd(1) / 20,
              perCell: 0.5 + odd(2),
              cos: 0.8,
              sin: -0.6,
              waveLength: 3 + 20 * odd(3),
              waveHeight: 6 * odd(4),
              middleX: 40 * odd(5) - 9,
              middleY: 40 * odd(6) - 9,
              start: odd(7) - 0.5,
              plain: seed & 1,
              wobble: seed & 2 ? odd(8) : 0,
              seed: seed & 1023,
            });
      const prepare = (_: Uint8Array, view: DataView) =>
        values.forEach((value, i) => view.setFloat64(from(A) + 8 * i, value, true));
      const step = 1 << (seed % 5);
      expectSame(
        made(seed, prepare, (k) => k.placeRow(number, A, (seed % 700) - 300, seed % 901, step, 60, OUT)),
        OUT,
        60 * 28,
      );
    }),
  );
  it('looking up', () =>
    check((seed) => {
      const skip = (seed >> 5) % 40;
      // A table of 256 × 256 needs a place of its own.
      const table = Uint16Array.from({ length: 65536 }, (_, i) =>
        i % 91 === 0 ? 65535 : Math.imul(i, seed) & 0xffff,
      );
      const call = (k: Kernels) => {
        new Uint16Array(k.memory.buffer, BASE + ROOM, 65536).set(table);
        k.lookUpRow(A, BASE + ROOM, D, skip, WIDTH, OUT);
      };
      const prepare = (_: Uint8Array, view: DataView) => {
        for (let i = 0; i < 400; i++) {
          view.setInt32(from(D) + 28 * i + 16, seed % 3 === 0 ? 0 : (i * 7919 - seed) % 9_000_000, true);
          view.setInt32(from(D) + 28 * i + 20, seed % 3 === 0 ? 0 : (i % 5) * 300 - 700, true);
          view.setInt32(from(D) + 28 * i + 24, 1 + ((i * seed) & 15), true);
        }
      };
      expectSame(made(seed, prepare, call), OUT, (WIDTH + 7) >> 3);
    }));
  it.each([0, 1, 2, 3])('diffusing by kernel %p, and packing', (kernel) =>
    check((seed) => {
      const prepare = (bytes: Uint8Array, view: DataView) => {
        bytes.fill(0, from(B), from(B) + 16384);
        for (let i = 0; i < WIDTH; i++) view.setInt32(from(B) + 16 + 4 * i, ((i * 331) % 9000) - 4000, true);
        for (let i = 0; i < WIDTH; i++) bytes[from(A) + 2048 + 8 + i] = (i * seed) % 3 === 0 ? 1 : 0;
        bytes.fill(0, from(A) + 2048, from(A) + 2056);
        bytes.fill(0, from(A) + 2056 + WIDTH, from(A) + 2056 + WIDTH + 16);
        for (let i = 0; i < WIDTH; i += 19) view.setUint16(from(A) + 2 * i, i % 2 ? 0 : 65535, true);
      };
      const call = (k: Kernels) => {
        const way = seed % 2 ? 1 : -1;
        const noise = seed % 3 ? A : 0;
        k.diffuseRow(
          A,
          B + 16,
          C + 16,
          D + 16,
          A + 2056,
          noise,
          20000,
          seed % 5 ? 0 : 90000,
          kernel,
          way,
          WIDTH,
        );
        k.packRow(A + 2056, WIDTH, OUT);
      };
      const results = made(seed, prepare, call);
      expectSame(results, OUT, (WIDTH + 7) >> 3);
      expectSame(results, C, 4 * WIDTH + 16);
      expectSame(results, D, 4 * WIDTH + 16);
    }),
  );
});
