import fc from 'fast-check';
import { BLACK_CODES, WHITE_CODES } from '../film/run-codes.ts';
import { plainKernels } from './plain.ts';
import { boundaryMasks } from './boundaries.ts';
import { PLACES, runningNumbers, scatteringNumbers } from '../screen/places.ts';
import type { Kernels } from './kernels.ts';
import { startKernels } from './start.ts';

/** Room that each test uses, from a place that both kinds of kernels leave alone. */
const BASE = 1 << 20;
const ROOM = 1 << 16;
const WIDTH = 333;

const both = [startKernels(), plainKernels()] as const;

/** The same bytes before both, the same call of both, and what each has made of them. */
function made(
  seed: number,
  prepare: (bytes: Uint8Array, view: DataView) => void,
  call: (kernels: Kernels) => void,
) {
  const before = new Uint8Array(ROOM);
  let state = seed | 1;
  for (let i = 0; i < ROOM; i++) {
    state = Math.imul(state, 1664525) + 1013904223;
    before[i] = state >>> 24;
  }
  prepare(before, new DataView(before.buffer));
  return both.map((kernels) => {
    const room = new Uint8Array(kernels.memory.buffer, BASE, ROOM);
    room.set(before);
    call(kernels);
    return room.slice();
  });
}

const A = BASE;
const B = BASE + 4096;
const C = BASE + 8192;
const D = BASE + 12288;
const OUT = BASE + 32768;
const from = (area: number) => area - BASE;

/** Bytes of the results that count: kernels may write a little past the end. */
function expectSame([a, b]: Uint8Array[], area: number, bytes: number): void {
  expect(
    Buffer.compare(a.subarray(from(area), from(area) + bytes), b.subarray(from(area), from(area) + bytes)),
  ).toBe(0);
}

const seeds = fc.integer({ min: 1, max: 2 ** 30 });
const check = (property: (seed: number) => void) => fc.assert(fc.property(seeds, property), { numRuns: 40 });

it('both kinds of kernels are there: compiled and plain', () => {
  expect(both[0].memory.constructor.name).toBe('Memory');
  expect(both[1].memory.constructor.name).toBe('Object');
});

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
  it('mixing', () =>
    check((seed) =>
      expectSame(
        made(
          seed,
          () => undefined,
          (k) => k.mixRows(A, B, seed % 16385, OUT, WIDTH),
        ),
        OUT,
        2 * WIDTH,
      ),
    ));
  it('stretching', () =>
    check((seed) => {
      const prepare = (_: Uint8Array, view: DataView) => {
        for (let i = 0; i < WIDTH + 4; i++) {
          view.setInt32(from(B) + 4 * i, 2 * ((i * (seed % 7)) >> 2), true);
          const weight = (seed * i) & 16383;
          view.setInt16(from(C) + 4 * i, 16384 - weight, true);
          view.setInt16(from(C) + 4 * i + 2, weight, true);
        }
      };
      expectSame(
        made(seed, prepare, (k) => k.stretchRow(A, B, C, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
    }));
  it('stretching, eight pairs from sixteen bytes', () =>
    check((seed) => {
      const prepare = (bytes: Uint8Array, view: DataView) => {
        for (let i = 0; i < WIDTH + 8; i++) {
          const weight = (seed * i) & 16383;
          view.setInt16(from(C) + 4 * i, 16384 - weight, true);
          view.setInt16(from(C) + 4 * i + 2, weight, true);
          if (i % 8 === 0) view.setInt32(from(B) + i / 2, 2 * ((i * (seed % 5)) >> 2), true);
          const pick = 2 * ((i * seed) % 7);
          for (let k = 0; k < 4; k++) bytes[from(D) + 4 * i + k] = pick + k;
        }
      };
      expectSame(
        made(seed, prepare, (k) => k.stretchNear(A, B, D, C, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
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
  it('greys, and tables', () =>
    check((seed) => {
      const red = (seed * 7919) % 9_000_000;
      const blue = (seed * 104729) % (257 * 65536 - red);
      const call = (k: Kernels) => {
        const table = new Uint16Array(k.memory.buffer, BASE + ROOM, 65536);
        for (let i = 0; i < 65536; i++) table[i] = Math.imul(i, seed | 1) >>> 3;
        const channels = 3 + (seed & 1);
        k.greyRow(A, channels, red, 257 * 65536 - red - blue, blue, BASE + ROOM, OUT, WIDTH);
        k.throughTable(OUT, BASE + ROOM, OUT + 2 * WIDTH, WIDTH);
      };
      expectSame(
        made(seed, () => undefined, call),
        OUT,
        4 * WIDTH,
      );
    }));
  it('weighing, and finding the least and the most', () =>
    check((seed) => {
      const weights = [3000, 8000, 32768 - 3000 - 8000 - 5000, 5000];
      const prepare = (_: Uint8Array, view: DataView) => {
        weights.forEach((weight, t) => {
          view.setInt32(from(C) + 4 * t, A + 2 * t * 50, true);
          view.setUint16(from(D) + 2 * t, weight, true);
        });
      };
      // Four taps, three, and one that stands alone.
      const some = (bytes: Uint8Array, view: DataView) => {
        prepare(bytes, view);
        if (seed % 3) view.setUint16(from(D) + 4, 32768 - 3000 - 8000, true);
        if (seed % 3 === 2) view.setUint16(from(D), 32768, true);
      };
      const taps = [4, 3, 1][seed % 3];
      expectSame(
        made(seed, some, (k) => k.weighDown(C, D, taps, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
      expectSame(
        made(seed, some, (k) => k.weighAlong(A, D, taps, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
      expectSame(
        made(seed, prepare, (k) => k.leastOf(C, 4, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
      expectSame(
        made(seed, prepare, (k) => k.mostOf(C, 4, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
    }));
  it('sharpening, recovering and graining', () =>
    check((seed) => {
      const nothing = () => undefined;
      const share = (seed % 1000) / 997;
      expectSame(
        made(seed, nothing, (k) => k.sharpenRow(A, B, share * 4, 900 * share, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
      expectSame(
        made(seed, nothing, (k) => k.recoverRow(A, B, -share / 2, share / 3, OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
      expectSame(
        made(seed, nothing, (k) => k.grainRow(A, B, seed % 9000, Math.round(32000 * share), OUT, WIDTH)),
        OUT,
        2 * WIDTH,
      );
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
          k.beginStrip(B, C, width);
          let at = OUT;
          at += k.encodeRows(A, stride, width, 4, CODES, OTHERS, at);
          at += k.encodeRows(A + 4 * stride, stride, width, height - 4, CODES, OTHERS, at);
          at += k.endStrip(at);
          lengths.push(at - OUT);
        },
      );
      expect(lengths[0]).toBe(lengths[1]);
      expectSame(results, OUT, lengths[0]);
    });
  });
  it('separates bytes', () => {
    check((seed) => {
      const channels = 3 + (seed % 2);
      expectSame(
        made(
          seed,
          (bytes) => bytes.fill(0, from(A), from(A) + 30),
          (k) => k.separateBytes(A, channels, B, D, 5, OUT, 4096, WIDTH),
        ),
        OUT,
        3 * 4096 + 2 * WIDTH,
      );
    });
  });
  it('separates', () => {
    check((seed) => {
      const size = 3 + (seed % 4);
      expectSame(
        made(
          seed,
          (bytes) => {
            // Greys, and solid, where channels are alike.
            bytes.copyWithin(from(B), from(A), from(A) + 200);
            bytes.fill(255, from(A) + 300, from(A) + 340);
          },
          (k) => k.separateRow(A, B, C, D, size, OUT, 4096, WIDTH),
        ),
        OUT,
        3 * 4096 + 2 * WIDTH,
      );
    });
  });
  it('means of cells', () =>
    check((seed) => {
      const shift = 1 + (seed % 4);
      const size = 1 << shift;
      const results = made(
        seed,
        (bytes) => void bytes.fill(0, from(OUT), from(OUT) + 4096),
        (k) => {
          for (let row = 0; row < size; row++) k.addPixels(A + 64 * row, OUT, 320);
          k.cellMeans(OUT, shift, OUT + 4096, 320 >> shift);
        },
      );
      expectSame(results, OUT, 1280);
      expectSame(results, OUT + 4096, 2 * (320 >> shift));
    }));
  it('counting sets of rows', () =>
    check((seed) => {
      const plates = 1 + (seed % 4);
      const results = made(
        seed,
        () => undefined,
        (k) => {
          for (let row = 0; row < 5 + (seed % 20); row++)
            k.countSets(A + 48 * row, 400, plates, OUT, 64, 1 + (seed % 6), 48);
        },
      );
      expectSame(results, OUT, 15 * 6 * 64);
    }));
  it('adding scaled light', () =>
    check((seed) => {
      const prepare = (_: Uint8Array, view: DataView) => {
        for (let i = 0; i < WIDTH; i++) {
          view.setFloat32(from(A) + 4 * i, view.getInt16(from(A) + 4 * i) / 9e3, true);
          view.setFloat32(from(OUT) + 4 * i, view.getInt16(from(OUT) + 4 * i) / 7e3, true);
        }
      };
      expectSame(
        made(seed, prepare, (k) => k.addScaled(A, (seed % 999) / 333 - 1.5, OUT, WIDTH)),
        OUT,
        4 * WIDTH,
      );
    }));
  it('summing counts between boundaries', () =>
    check((seed) => {
      const prepare = (bytes: Uint8Array, view: DataView) => {
        for (let i = 0; i < 40; i++) view.setFloat64(from(OUT) + 8 * i, i * 3.5, true);
        for (let i = 0; i <= 20; i++) {
          const at = i * (1 + (seed % 800) / 10);
          view.setInt32(from(B) + 4 * i, Math.floor(at), true);
          view.setFloat64(from(C) + 8 * i, at - Math.floor(at), true);
        }
        boundaryMasks(new Int32Array(bytes.buffer, from(B), 21), bytes.subarray(from(D)));
      };
      expectSame(
        made(seed, prepare, (k) => {
          const weight = 0.25 + (seed % 4) / 5;
          k.addCounts(A, 240, 1 + (seed % 6), B, D, C, 20, weight, OUT, 1 - weight, OUT + 160);
        }),
        OUT,
        320,
      );
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
