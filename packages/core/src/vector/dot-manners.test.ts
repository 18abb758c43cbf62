import { smoothThresholds } from '../screen/smooth-cell.ts';
import { SPOTS } from '../screen/spot/index.ts';
import { SOLID } from '../raster/plane.ts';
import { CELL, lightAt } from '../kernel/memory.ts';
import { cellOutlines, cellThresholds, evenOutlines } from './cell-field.ts';
import { asked, differenceOf } from './dot-difference.ts';
import { dotManners, LEVELS, sideOf } from './dot-manners.ts';
import { outlinesOf } from './lattice-dot.ts';

const SIDE = 8;
/** Of the tones, at most, that are left to the shape itself: a thin ring, a tip that is about to touch. */
const FEW = 4;

// Tones between those that manners are found at, so that what is found has to hold of its neighbours too.
const TONES = Array.from({ length: 40 }, (_, k) => 0.011 + (k * 0.98) / 40);

it.each(SPOTS.map((spot) => [spot.id, spot] as const))(
  'an even tone of %s has its area and its shape',
  (id, spot) => {
    const threshold = smoothThresholds(`test ${id}`, spot);
    const shape = outlinesOf(`test ${id}`, spot.outline);
    const mannerOf = dotManners(`test ${id}`, threshold, SIDE, shape);
    const thresholds = LEVELS.map((level) => cellThresholds(`test ${id}`, threshold, sideOf(SIDE, level)));
    let asItself = 0;
    for (const tone of TONES) {
      const manner = mannerOf(tone);
      if (!manner) {
        asItself++;
        continue;
      }
      const { dot, area } = evenOutlines(thresholds[manner.level], tone * SOLID + manner.shift);
      expect(Math.abs(area - tone)).toBeLessThan(0.01);
      const differs = differenceOf(dot, asked(threshold), tone * SOLID);
      expect(differs).toBeLessThan(0.025);
      expect(differs / Math.min(tone, 1 - tone)).toBeLessThan(0.4);
      const { touches, loops } = shape(tone);
      if (!touches && !dot.touches) expect(dot.loops).toHaveLength(loops.length);
    }
    expect(asItself).toBeLessThanOrEqual(FEW);
  },
);

it('cuts a dot where the tone ends inside the cell', () => {
  const [round] = SPOTS.filter(({ id }) => id === 'round');
  const tones = lightAt(CELL.tones, 21 * 21);
  for (let i = 0; i < tones.length; i++) tones[i] = i % 21 > 10 ? 0.5 * SOLID : 0;
  const thresholds = cellThresholds('test round', smoothThresholds('test round', round), 20);
  const { dot, area } = cellOutlines(thresholds, CELL.tones, 0);
  // Half a dot, but for the step between two points in which the tone falls.
  expect(Math.abs(area - 0.25)).toBeLessThan(0.03);
  const [loop] = dot.loops as readonly number[][];
  expect(Math.min(...loop.filter((_, i) => i % 2 === 0))).toBeGreaterThan(-0.01);
});

it('tells how far a dot is from its shape', () => {
  // A disc of a quarter of the cell, and a square of the same area: they differ in 1/22 of the cell, by the areas of circular segments.
  const [round] = SPOTS.filter(({ id }) => id === 'round');
  const thresholds = asked(smoothThresholds('test round', round));
  const square = { loops: [[-0.25, -0.25, 0.25, -0.25, 0.25, 0.25, -0.25, 0.25]], touches: false, points: 4 };
  const radius = Math.sqrt(0.25 / Math.PI);
  const half = Math.acos(0.25 / radius);
  const beyond = 4 * radius ** 2 * (half - Math.sin(half) * Math.cos(half));
  expect(Math.abs(differenceOf(square, thresholds, 0.25 * SOLID) - 2 * beyond)).toBeLessThan(0.003);
  const none = { loops: [], touches: false, points: 0 };
  expect(Math.abs(differenceOf(none, thresholds, 0.25 * SOLID) - 0.25)).toBeLessThan(0.003);
});
