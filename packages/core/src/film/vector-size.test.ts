import { plateSvg } from './svg.ts';
import { newScreen } from '../screen/screen.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { vectorSize } from './vector-size.ts';

const PURE = { smooth: 0, outlines: 'pure' } as const;
const ramp = greyPicture(400, 400, (x, y) => 128 + 90 * Math.sin(x / 37) * Math.cos(y / 23));

it.each([
  ['dots', newScreen('dots', { ruling: 40 })],
  ['grain', newScreen('grain')],
  ['diffusion', newScreen('diffused', { spot: 0.2 })],
])('tells the size of a file of %s within a quarter, and how long it takes', (_, screen) => {
  const scene = sceneOf(ramp, { width: 160, height: 120, resolution: 600 }, screen);
  let ticks = 0;
  const { bytes, seconds } = vectorSize(scene, [0], PURE, () => 1000 * ticks++);
  const { length } = plateSvg(scene, 0, '', PURE).text;
  expect(bytes / length).toBeGreaterThan(0.8);
  expect(bytes / length).toBeLessThan(1.25);
  // A tick of the clock for each of five squares of 16 mm.
  expect(seconds).toBeCloseTo((5 * 160 * 120) / (5 * 16 * 16), 6);
});
