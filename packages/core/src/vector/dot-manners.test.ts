import { smoothThresholds } from '../screen/smooth-cell.ts';
import { SPOTS } from '../screen/spot/index.ts';
import { SOLID } from '../raster/plane.ts';
import { CELL, lightAt } from '../kernel/memory.ts';
import { cellOutlines, cellThresholds, evenOutlines } from './cell-field.ts';
import { dotManners, LEVELS, sideOf } from './dot-manners.ts';
import { outlinesOf } from './lattice-dot.ts';

const SIDE = 8;
/** Of the tones, at most, that are left to the shape itself: a thin ring, a tip that is about to touch. */
const FEW = 4;

// Tones between those that manners are found at, so that what is found has to hold of its neighbours too.
const TONES = Array.from({ length: 40 }, (_, k) => 0.011 + (k * 0.98) / 40);

it.each(SPOTS.map((spot) => [spot.id, spot] as const))('an even tone of %s has its area', (id, spot) => {
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
    const { touches, loops } = shape(tone);
    if (!touches && !dot.touches) expect(dot.loops).toHaveLength(loops.length);
  }
  expect(asItself).toBeLessThanOrEqual(FEW);
});

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
