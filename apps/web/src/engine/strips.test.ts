import { stripsOf } from './strips.ts';

const viewOf = (width: number, height: number, rows: number) => ({
  x: 0,
  y: 0,
  width,
  height,
  columns: 300,
  rows,
});

it.each([
  [1000, 1000, 1],
  [2000, 2000, 37],
  [7000, 10_000, 560],
  [14_000, 20_000, 541],
  [60_000, 90_000, 800],
])(
  'strips of %d × %d film pixels on %d rows follow one another, and none is empty',
  (width, height, rows) => {
    for (const patient of [false, true]) {
      let end = 0;
      for (const { first, count } of stripsOf(viewOf(width, height, rows), patient)) {
        expect(first).toBe(end);
        expect(count).toBeGreaterThan(0);
        end += count;
      }
      expect(end).toBe(rows);
    }
  },
);

it('at the ends and in the middle they are half as high as between', () => {
  const counts = stripsOf(viewOf(7000, 10_000, 960), false).map(({ count }) => count);
  expect(counts).toEqual([40, 40, 80, 80, 80, 80, 40, 40, 40, 40, 80, 80, 80, 80, 40, 40]);
});
