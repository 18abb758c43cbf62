import fc from 'fast-check';
import { BASE, both } from './testing.ts';
import type { Kernels } from './kernels.ts';

const MEGABYTE = 1 << 20;
const [TONES, THRESHOLDS, OUT, TOLD, ROOM] = [0, 1, 2, 3, 4].map((k) => BASE + k * MEGABYTE);
const [PLANE, TABLE] = [THRESHOLDS, ROOM];
const RANGE = TOLD;
const WIDTH = 90;
/** Cells that outlines may stray. */
const STRAYS = 0.008;

const f32 = ({ memory }: Kernels, at: number, count: number) => new Float32Array(memory.buffer, at, count);
const u16 = ({ memory }: Kernels, at: number, count: number) => new Uint16Array(memory.buffer, at, count);
const i32 = ({ memory }: Kernels, at: number, count: number) => new Int32Array(memory.buffer, at, count);
const f64 = ({ memory }: Kernels, at: number, count: number) => new Float64Array(memory.buffer, at, count);

/** Random wholes below a number, the same for a seed. */
function randomOf(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
}

describe('tones of a cell', () => {
  /** A cell of a plane of noise, turned, with what it was read from. */
  function read(kernels: Kernels, seed: number, hasTable: boolean) {
    const random = randomOf(seed);
    const side = 1 + random(21);
    const plane = u16(kernels, PLANE, WIDTH * WIDTH).map(() => random(4) * random(21846));
    u16(kernels, PLANE, plane.length).set(plane);
    const table = Uint16Array.from({ length: 65536 }, (_, i) => (i * 7) ^ 0x155);
    u16(kernels, TABLE, table.length).set(table);
    const [x, y] = [0, 0].map(() => (30 + random(9)) * 2 ** 20 + random(2 ** 20));
    const [xx, xy, yx, yy] = [0, 0, 0, 0].map(() => random(2 ** 21) - 2 ** 20);
    const tones = f32(kernels, OUT, side * side);
    const sum = kernels.readCell(PLANE, WIDTH, x, y, xx, xy, yx, yy, side, hasTable ? TABLE : 0, OUT, RANGE);
    return {
      side,
      plane,
      x,
      y,
      xx,
      xy,
      yx,
      yy,
      tones: [...tones],
      range: [...i32(kernels, RANGE, 2)],
      sum,
    };
  }

  it('are the same from compiled kernels and plain ones', () => {
    fc.assert(
      fc.property(fc.nat(2 ** 30), fc.boolean(), (seed, hasTable) => {
        const [a, b] = both.map((kernels) => {
          const { tones, range, sum } = read(kernels, seed, hasTable);
          return { tones, range, sum };
        });
        expect(a).toEqual(b);
      }),
      { numRuns: 60 },
    );
  });

  it('are those of four pixels mixed, their sum and range with them', () => {
    for (let seed = 1; seed <= 20; seed++) {
      const { side, plane, x, y, xx, xy, yx, yy, tones, range, sum } = read(both[0], seed, false);
      const pixel = (column: number, row: number) => plane[row * WIDTH + column];
      const mixed = (px: number, py: number) => {
        const [column, row] = [Math.floor(px), Math.floor(py)];
        const [fx, fy] = [px - column, py - row];
        return (
          (pixel(column, row) * (1 - fx) + pixel(column + 1, row) * fx) * (1 - fy) +
          (pixel(column, row + 1) * (1 - fx) + pixel(column + 1, row + 1) * fx) * fy
        );
      };
      const expected = tones.map((_, i) => {
        const [u, v] = [i % side, Math.floor(i / side)];
        return mixed((x + u * xx + v * xy) / 2 ** 20, (y + u * yx + v * yy) / 2 ** 20);
      });
      // Places count to 1/128 pixel each way, from pixel to pixel of noise.
      tones.forEach((tone, i) => expect(Math.abs(tone - expected[i])).toBeLessThan(2 * 512 + 1));
      expect(range).toEqual([Math.min(...tones), Math.max(...tones)]);
      expect(sum).toBe(tones.reduce((whole, tone) => whole + tone));
    }
  });

  it('leave what is bare as it is, whatever the table has', () => {
    for (const kernels of both) {
      u16(kernels, PLANE, 64).fill(0);
      u16(kernels, TABLE, 65536).fill(77);
      expect(kernels.readCell(PLANE, 8, 0, 0, 1 << 20, 0, 0, 1 << 20, 5, TABLE, OUT, RANGE)).toBe(0);
    }
  });
});

describe('outlines of a cell', () => {
  const thresholdCount = (side: number) => (side + 1) * (side + 1 + 2 * (4 * side + 1));

  function trace(
    kernels: Kernels,
    side: number,
    tones: ArrayLike<number>,
    thresholds: ArrayLike<number>,
    shift = 0,
    strays = STRAYS * side,
  ) {
    f32(kernels, TONES, tones.length).set(tones);
    f32(kernels, THRESHOLDS, thresholds.length).set(thresholds);
    const count = kernels.traceCell(TONES, THRESHOLDS, side, shift, strays, ROOM, OUT, TOLD);
    let at = OUT;
    const loops = Array.from(i32(kernels, TOLD + 16, count), (length) => {
      const loop = [...f64(kernels, at, length)];
      at += 8 * length;
      return loop;
    });
    const [touches, points] = i32(kernels, TOLD + 8, 2);
    return { loops, area: f64(kernels, TOLD, 1)[0], touches, points };
  }

  it('are the same from compiled kernels and plain ones, at all widths', () => {
    fc.assert(
      fc.property(fc.nat(2 ** 30), (seed) => {
        const random = randomOf(seed);
        const side = 2 * (1 + random(35));
        const tones = Array.from(
          { length: (side + 1) ** 2 },
          () => random(3) && Math.min(65535, random(80000)),
        );
        const thresholds = Array.from({ length: thresholdCount(side) }, () => random(65536) + 0.25);
        const shift = random(2000) - 1000;
        const strays = random(100) / 50;
        const [a, b] = both.map((kernels) => trace(kernels, side, tones, thresholds, shift, strays));
        expect(a).toEqual(b);
        expect(a.points).toBe(a.loops.flat().length / 2);
      }),
      { numRuns: 60 },
    );
  });

  it('are as many as points allow: every other one with ink', () => {
    for (const side of [2, 4, 8, 16, 32, 64]) {
      const tones = Array.from({ length: (side + 1) ** 2 }, (_, i) => (i % 2 === 0 ? 40_000 : 20_000));
      const thresholds = new Array<number>(thresholdCount(side)).fill(39_000);
      const [a, b] = both.map((kernels) => trace(kernels, side, tones, thresholds, 0, 0));
      expect(a.loops).toHaveLength(((side + 1) ** 2 + 1) / 2);
      expect(a).toEqual(b);
    }
  });

  /** Thresholds of a cone: what is inked at a tone is a disc of as many steps about a point. */
  function cone(side: number, x0: number, y0: number): number[] {
    const away = (x: number, y: number) => Math.hypot(x - x0, y - y0);
    const line = Array.from({ length: 4 * side + 1 }, (_, k) => k / 4);
    const points = Array.from({ length: side + 1 }, (_, k) => k);
    return [
      ...points.flatMap((y) => points.map((x) => away(x, y))),
      ...points.flatMap((y) => line.map((x) => away(x, y))),
      ...points.flatMap((x) => line.map((y) => away(x, y))),
    ];
  }
  const areaOf = (loop: readonly number[]): number => {
    let sum = 0;
    for (let i = 0, j = loop.length - 2; i < loop.length; j = i, i += 2)
      sum += loop[j] * loop[i + 1] - loop[i] * loop[j + 1];
    return sum / 2;
  };

  it.each([
    ['compiled', both[0]],
    ['plain', both[1]],
  ])('are circles of a cone, and end at the sides: %s', (_, kernels) => {
    const side = 40;
    const tones = new Array<number>((side + 1) ** 2).fill(15);
    const round = trace(kernels, side, tones, cone(side, 20.4, 19.6));
    const [circle, ...others] = round.loops;
    expect(others).toEqual([]);
    expect(circle.length).toBeLessThan(60);
    for (let i = 0; i < circle.length; i += 2) {
      const radius = Math.hypot(circle[i] - 0.01, circle[i + 1] + 0.01);
      expect(Math.abs(radius - 15 / side)).toBeLessThan(1.1 * STRAYS);
    }
    const area = Math.PI * (15 / side) ** 2;
    expect(Math.abs(areaOf(circle) / area - 1)).toBeLessThan(0.001);
    expect(Math.abs(round.area / area - 1)).toBeLessThan(0.001);
    expect(round.touches).toBe(0);

    // A quarter of a circle about a corner.
    const corner = trace(kernels, side, tones, cone(side, 0, 0));
    const [quarter] = corner.loops;
    expect(Math.abs(areaOf(quarter) / (area / 4) - 1)).toBeLessThan(0.002);
    expect(Math.min(...quarter)).toBe(-0.5);
    expect(corner.touches).toBe(1);

    // All of the cell, and nothing of it.
    const [whole] = trace(kernels, side, tones.fill(65535), cone(side, 20, 20)).loops;
    expect(areaOf(whole)).toBe(1);
    expect(whole).toHaveLength(8);
    expect(trace(kernels, side, tones.fill(0), cone(side, 20, 20)).loops).toEqual([]);
  });
});
