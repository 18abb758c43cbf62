import { A, B, BASE, both, C, check, D, expectSame, from, made, OUT, ROOM, WIDTH } from './testing.ts';
import type { Kernels } from './kernels.ts';

it('both kinds of kernels are there: compiled and plain', () => {
  expect(both[0].memory.constructor.name).toBe('Memory');
  expect(both[1].memory.constructor.name).toBe('Object');
});

describe('plain kernels make the very pixels of the compiled ones', () => {
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
  it('light of counted sets', () =>
    check((seed) => {
      const [sets, count] = [1 + (seed % 15), 8 * (1 + (seed % 30))];
      const results = made(
        seed,
        (_, view) => {
          reals(view, B, 3 * sets, 4e5);
          for (let channel = 0; channel < 3; channel++) reals(view, OUT + 1024 * channel, 250, 3e4);
        },
        (k) => k.addLight(A, 256, sets, B, OUT, 1024, count),
      );
      for (let channel = 0; channel < 3; channel++) expectSame(results, OUT + 1024 * channel, 4 * count);
    }));
  it('mixing the colours of sets', () =>
    check((seed) => {
      const [plates, count] = [1 + (seed % 4), 4 * (1 + (seed % 40))];
      const results = made(
        seed,
        (_, view) => {
          reals(view, A, 4 * 170, 3e4);
          reals(view, B, 16, 9e3);
        },
        (k) => k.mixSets(A, 680, plates, B, C, OUT, count),
      );
      expectSame(results, OUT, 4 * count);
    }));
  it('weighing rows, then columns', () =>
    check((seed) => {
      const [taps, count] = [1 + (seed % 9), 8 * (1 + (seed % 20))];
      const columns = 1 + (seed % 30);
      const results = made(
        seed,
        (_, view) => {
          reals(view, A, 9 * 170, 9e3);
          reals(view, B + 2700, 18, 3e4);
          for (let k = 0; k < taps; k++) view.setInt32(from(B) + 2600 + 4 * k, A + 680 * k, true);
          for (let i = 0; i < columns; i++) view.setInt32(from(C) + 4 * i, (i * 5) % 150, true);
          reals(view, D, 30 * 16, 3e4);
        },
        (k) => {
          k.weighRows(B + 2600, B + 2700, taps, OUT, OUT + 1024, count);
          k.weighColumns(A, A + 680, C, D, 8, OUT + 4096, columns);
        },
      );
      for (const [area, bytes] of [
        [OUT, 4 * count],
        [OUT + 1024, 4 * count],
        [OUT + 4096, 4 * columns],
      ]) {
        expectSame(results, area, bytes);
      }
    }));
  it('light beyond a range, room for it, and sums around', () =>
    check((seed) => {
      const count = 1 + (seed % 160);
      const ends = [-1.5 + (seed % 7) / 5, 0.7 + (seed % 11) / 7] as const;
      const flags: number[] = [];
      const results = made(
        seed,
        (_, view) => {
          reals(view, A, 5 * 170, 12e3);
          reals(view, D, 170, 2e4);
          reals(view, OUT + 6144, 170, 2e4);
          for (let k = 0; k < 5; k++) view.setInt32(from(B) + 4 * k, A + 680 * k, true);
        },
        (k) => {
          k.sumAround(B, C, OUT, count);
          flags.push(k.partRow(A, ...ends, 1e-3, OUT + 1024, OUT + 2048, OUT + 3072, count));
          k.roomOfRow(OUT + 1024, ends[0], 1 / (ends[1] - ends[0]), 0.02, OUT + 4096, count);
          k.divideRows(OUT + 2048, D, 0.1, OUT + 5120, count);
          k.addProducts(OUT + 4096, D, -1, OUT + 6144, count);
        },
      );
      expect(flags[0]).toBe(flags[1]);
      for (let k = 0; k < 6; k++) expectSame(results, OUT + 1024 * k, 4 * count);
    }));
});

/** Makes what is at a place 32-bit reals of a moderate size. */
function reals(view: DataView, area: number, count: number, by: number): void {
  for (let i = 0; i < count; i++) {
    const at = from(area) + 4 * i;
    view.setFloat32(at, view.getInt16(at) / by, true);
  }
}
