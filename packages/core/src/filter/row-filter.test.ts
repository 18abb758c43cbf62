import fc from 'fast-check';
import { uploadOnce, kernels, pixelsAt } from '../kernel/memory.ts';
import type { Plane } from '../raster/plane.ts';
import { randomAt, randomColumns } from '../base/random.ts';
import { rowsOf } from '../raster/rows.ts';
import { gaussianFilters } from './gaussian.ts';
import { closingFilters, openingAndClosingFilters, openingFilters } from './morphology.ts';
import { chainBytes, filtered, throughFilters, type RowFilter } from './row-filter.ts';

const WIDTH = 37;
const HEIGHT = 61;
const plane: Plane = {
  width: WIDTH,
  height: HEIGHT,
  data: Uint16Array.from({ length: WIDTH * HEIGHT }, (_, i) => randomAt(3, i, 0) >>> 16),
};

const grain: RowFilter = {
  before: 0,
  after: 0,
  make: (y, at, out, width) =>
    kernels.grainRow(at(0), uploadOnce(randomColumns(7, width + 8)), y, 2250, out, width),
};
/** A filter whose rows tell which rows they came from: reaches unevenly, so that nothing can be off by one unseen. */
const uneven: RowFilter = {
  before: 4,
  after: 1,
  make(_y, at, out, width) {
    const [far, near, below] = [at(-4), at(0), at(1)].map((address) => pixelsAt(address, width).slice());
    pixelsAt(out, width).set(far.map((value, x) => (value >> 2) + (near[x] >> 2) + (below[x] >> 1)));
  },
};
const chains: Record<string, readonly RowFilter[]> = {
  nothing: [],
  blur: gaussianFilters(1.3)!,
  'blur, grain, blur': [...gaussianFilters(0.8)!, grain, ...gaussianFilters(2)!],
  'opening, closing': [...openingFilters(4), ...closingFilters(3)],
  'both at once': openingAndClosingFilters(5),
  'uneven, blur, uneven': [uneven, ...gaussianFilters(0.6)!, uneven],
};

describe.each(Object.entries(chains))('rows through a chain of filters: %s', (_, chain) => {
  const oneByOne = chain.reduce((before, filter) => filtered(before, [filter]), plane);
  it('are those of one filter after another', () => {
    expect(filtered(plane, chain).data).toEqual(oneByOne.data);
  });
  it('are the same for any part of the rows', () => {
    fc.assert(
      fc.property(fc.nat(HEIGHT - 1), fc.integer({ min: 1, max: HEIGHT }), (from, count) => {
        const to = Math.min(HEIGHT, from + count);
        const part = throughFilters(rowsOf(plane), chain, from, to);
        expect([part.width, part.height]).toEqual([WIDTH, to - from]);
        expect(part.data).toEqual(oneByOne.data.slice(from * WIDTH, to * WIDTH));
      }),
    );
  });
  it('asks for each row once, and for none that it does not need', () => {
    const asked: number[] = [];
    const counting = {
      ...rowsOf(plane),
      row: (y: number) => {
        asked.push(y);
        return rowsOf(plane).row(y);
      },
    };
    throughFilters(counting, chain, 20, 30);
    const [before, after] = chain.reduce(([a, b], filter) => [a + filter.before, b + filter.after], [0, 0]);
    const first = Math.max(0, 20 - before);
    const last = Math.min(HEIGHT - 1, 29 + after);
    expect(asked).toEqual(Array.from({ length: last - first + 1 }, (_, i) => first + i));
  });
});

it('filters that would hold too many rows are refused before they begin', () => {
  const tall: RowFilter = { ...grain, before: 4000, after: 4000 };
  expect(chainBytes([tall], 5000)).toBeGreaterThan(16 << 20);
  const wide: Plane = { width: 5000, height: 1, data: new Uint16Array(5000) };
  expect(() => filtered(wide, [tall])).toThrow('too wide');
});

it('a chain that does not fit at once goes in parts', () => {
  const far: RowFilter = {
    before: 700,
    after: 0,
    make: (_y, at, out, width) => pixelsAt(out, width).set(pixelsAt(at(-700), width)),
  };
  const wide: Plane = {
    width: 6000,
    height: 1500,
    data: Uint16Array.from({ length: 9e6 }, (_, i) => Math.floor(i / 6000)),
  };
  expect(chainBytes([far], 6000)).toBeLessThan(16 << 20);
  expect(chainBytes([far, far], 6000)).toBeGreaterThan(16 << 20);
  const { data } = throughFilters(rowsOf(wide), [far, far], 1390, 1410);
  expect([data[0], data[10 * 6000], data[19 * 6000]]).toEqual([0, 0, 9]);
});

it('a blur too wide to go row by row says so', () => {
  expect(gaussianFilters(0.1)).toEqual([]);
  expect(gaussianFilters(4)).toHaveLength(1);
  expect(gaussianFilters(9)).toBeUndefined();
});
