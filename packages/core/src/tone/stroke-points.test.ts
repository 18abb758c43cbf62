import fc from 'fast-check';
import type { Stroke } from '../base/field.ts';
import { SOLID } from '../raster/plane.ts';
import { scaled } from '../raster/affine.ts';
import { paintStroke } from './paint-stroke.ts';
import { packedPoints, pointsOf, thinned, type StrokePoint } from './stroke-points.ts';

const SIDE = 400;
const painted = (stroke: Stroke): Uint16Array => {
  const plane = { width: SIDE, height: SIDE, data: new Uint16Array(SIDE * SIDE) };
  paintStroke(plane, stroke, scaled(SIDE));
  return plane.data;
};
/** A hand's stroke: curved, unsteady, with a pen's pressure. */
const hand = (seed: number, softness: number): Stroke => ({
  points: packedPoints(
    Array.from({ length: 300 }, (_, i): StrokePoint => {
      const t = i / 299;
      const shake = ((i * 7919 + seed * 104729) % 1000) / 1e6;
      return [
        0.15 + 0.7 * t + shake,
        0.5 + 0.3 * Math.sin(4 * t + seed) - shake,
        0.3 + 0.7 * Math.abs(Math.sin(3 * t)),
      ];
    }),
  ),
  radius: 0.03,
  strength: 100,
  softness,
});

it('places are packed to the 100 000th of the width and back', () => {
  const place = fc.tuple(
    fc.integer({ min: -1e6, max: 1e6 }),
    fc.integer({ min: -1e6, max: 1e6 }),
    fc.integer({ min: 0, max: 100 }),
  );
  fc.assert(
    fc.property(fc.array(place, { minLength: 1, maxLength: 60 }), (places) => {
      const points = places.map(([x, y, p]): StrokePoint => [x / 1e5, y / 1e5, p / 100]);
      const packed = packedPoints(points);
      expect(pointsOf({ points: packed })).toEqual(points);
      expect(packed.every(Number.isInteger)).toBe(true);
    }),
  );
});

/** Lightest pressure of the hand. */
const LIGHTEST = 0.3;

it('a thinned stroke paints the same within half a pixel', () => {
  const half = 0.5 / SIDE;
  for (let seed = 1; seed < 6; seed++) {
    const stroke = hand(seed, 0);
    const thin = thinned(stroke, half);
    expect(thin.points.length).toBeLessThan(stroke.points.length / 4);
    // Its ends stay.
    expect(pointsOf(thin)[0]).toEqual(pointsOf(stroke)[0]);
    expect(pointsOf(thin).at(-1)).toEqual(pointsOf(stroke).at(-1));
    const [whole, less] = [painted(stroke), painted(thin)];
    // By half a pixel at least, wherever the hand is light.
    const wide = painted({ ...stroke, radius: stroke.radius + half / LIGHTEST });
    const narrow = painted({ ...stroke, radius: stroke.radius - half / LIGHTEST });
    expect(less.every((tone, i) => tone <= wide[i] && tone >= narrow[i])).toBe(true);
    expect(less).not.toEqual(whole);
  }
});

it('a soft one fades the same within what half a pixel of its fade is', () => {
  const half = 0.5 / SIDE;
  for (let seed = 1; seed < 6; seed++) {
    const stroke = hand(seed, 100);
    const [whole, less] = [painted(stroke), painted(thinned(stroke, half))];
    // The fade is steepest in its middle, at one and a half times its mean.
    const most = (1.5 * half) / (stroke.radius * LIGHTEST);
    expect(less.every((tone, i) => Math.abs(tone - whole[i]) <= most * SOLID + 1)).toBe(true);
  }
});

it('what is drawn straight and evenly is two places; one place, or two, stay', () => {
  const line = Array.from({ length: 50 }, (_, i): StrokePoint => [i / 100, 0.2, 1]);
  const stroke = { points: packedPoints(line), radius: 0.1, strength: 50, softness: 0 };
  expect(pointsOf(thinned(stroke, 1e-4))).toEqual([line[0], line[49]]);
  for (const few of [line.slice(0, 1), line.slice(0, 2)])
    expect(pointsOf(thinned({ ...stroke, points: packedPoints(few) }, 1e-4))).toEqual(few);
  // There and back again is not nothing.
  const back = [...line, ...[...line].reverse()];
  expect(pointsOf(thinned({ ...stroke, points: packedPoints(back) }, 1e-4))).toHaveLength(3);
});
