import { areaUnder } from '../path/piece.ts';
import { PIECE_NUMBERS, stitching, type CellLoop, type Stitching } from './stitch.ts';

const WHOLE: CellLoop = [-0.5, -0.5, 0.5, -0.5, 0.5, 0.5, -0.5, 0.5];
/** The left half of a cell, bounded by half a circle. */
const HALF_ROUND: CellLoop = [
  { x0: -0.5, y0: -0.5, x1: -0.5, y1: 0.5, rx: 0.5, ry: 0.5, forward: true },
  { x0: -0.5, y0: 0.5, x1: -0.5, y1: -0.5, rx: 0, ry: 0, forward: true },
];

/** Points and area of each loop. */
function loopsOf(made: Stitching): { points: number; area: number }[] {
  const loops: { points: number; area: number }[] = [];
  made.loops((pieces, count) => {
    let area = 0;
    for (let at = 0; at < count * PIECE_NUMBERS; at += PIECE_NUMBERS) {
      const [x0, y0, x1, y1, rx, ry, forward] = pieces.subarray(at, at + PIECE_NUMBERS);
      area += areaUnder(x0, y0, x1, y1, rx, ry, forward === 1);
    }
    loops.push({ points: count, area });
  });
  return loops;
}

it('joins cells whose ink meets, and leaves a hole where one has none', () => {
  const made = stitching(0, 5);
  for (let j = 0; j < 3; j++) for (let i = 0; i < 3; i++) if (i !== 1 || j !== 1) made.add(i, j, WHOLE);
  made.add(4, 2, WHOLE);
  const areas = loopsOf(made).map(({ area }) => area);
  expect(areas.sort((a, b) => a - b)).toEqual([-1, 1, 9]);
  // It is empty then, and can be used again.
  expect(loopsOf(made)).toEqual([]);
  made.add(2, 0, WHOLE);
  expect(loopsOf(made)).toEqual([{ points: 4, area: 1 }]);
});

it('keeps arcs between what is joined, whatever tells the outlines', () => {
  const made = stitching(0, 3);
  made.add(1, 1, WHOLE);
  made.add(2, 1, HALF_ROUND);
  const [{ area, points }, ...others] = loopsOf(made);
  expect(others).toEqual([]);
  expect(points).toBe(4);
  expect(area).toBeCloseTo(1 + (Math.PI * 0.25) / 2, 9);
});
