import { scaled } from '../raster/affine.ts';
import { pathData } from './path-data.ts';
import { loopOf, type CellLoop } from './cell-loop.ts';
import { Stitching } from './stitch.ts';

const WHOLE: CellLoop = [-0.5, -0.5, 0.5, -0.5, 0.5, 0.5, -0.5, 0.5];
const IN_TENTHS = scaled(10);
/** The left half of a cell, bounded by half a circle. */
const HALF_ROUND: CellLoop = loopOf([
  { x0: -0.5, y0: -0.5, x1: -0.5, y1: 0.5, rx: 0.5, ry: 0.5, forward: true },
  { x0: -0.5, y0: 0.5, x1: -0.5, y1: -0.5, rx: 0, ry: 0, forward: true },
]);

/** Steps and area of each loop. */
function loopsOf(made: Stitching): { steps: string; area: number }[] {
  const loops: { steps: string; area: number }[] = [];
  made.loops((runs, loop, count) => {
    const out = pathData();
    runs.draw(loop, count, IN_TENTHS, 10, 0, out);
    loops.push({ steps: out.text(), area: runs.area(loop, count) });
  });
  return loops;
}

it('joins cells whose ink meets, and leaves a hole where one has none', () => {
  const made = new Stitching(0, 5);
  for (let j = 0; j < 3; j++) for (let i = 0; i < 3; i++) if (i !== 1 || j !== 1) made.add(i, j, WHOLE);
  made.add(4, 2, WHOLE);
  const areas = loopsOf(made).map(({ area }) => area);
  expect(areas.sort((a, b) => a - b)).toEqual([-1, 1, 9]);
  // It is empty then, and can be used again.
  expect(loopsOf(made)).toEqual([]);
  made.add(2, 0, WHOLE);
  expect(loopsOf(made)).toEqual([{ steps: 'm15 5v-10h10v10z', area: 1 }]);
});

it('keeps arcs between what is joined, whatever tells the outlines', () => {
  const made = new Stitching(0, 3);
  made.add(1, 1, WHOLE);
  made.add(2, 1, HALF_ROUND);
  const [{ area, steps }, ...others] = loopsOf(made);
  expect(others).toEqual([]);
  expect(steps).toBe('m15 5a5 5 0 0 1 0 10h-10v-10z');
  expect(area).toBeCloseTo(1 + (Math.PI * 0.25) / 2, 9);
});
