import { Resvg } from '@resvg/resvg-js';
import { arcCurves } from './arc-curves.ts';

const drawn = (path: string): Uint8Array =>
  new Resvg(`<svg xmlns="http://www.w3.org/2000/svg" width="200" height="200"><path d="${path}"/></svg>`, {
    background: 'white',
  }).render().pixels;

it.each([
  ['half a circle', [40, 100], 60, 60, 0, true, [160, 100]],
  ['half a circle the other way', [40, 100], 60, 60, 0, false, [160, 100]],
  ['a little of a circle', [60, 60], 90, 90, 0, true, [140, 70]],
  ['a turned ellipse', [50, 120], 90, 50, 30, true, [150, 90]],
  ['a turned ellipse the other way', [50, 120], 90, 50, -50, false, [150, 90]],
  ['radii too small for the chord', [40, 60], 20, 30, 15, true, [160, 140]],
] as const)('%s: curves cover what the arc of SVG does', (_name, from, rx, ry, turn, sweep, to) => {
  const arc = drawn(`M${from.join(' ')} A${rx} ${ry} ${turn} 0 ${sweep ? 1 : 0} ${to.join(' ')} Z`);
  const curves = arcCurves(from, rx, ry, turn, sweep, to);
  expect(curves.length).toBeLessThanOrEqual(2);
  const same = drawn(`M${from.join(' ')} ${curves.map((one) => `C${one.join(' ')}`).join(' ')} Z`);
  let [worst, ink] = [0, 0];
  for (let i = 0; i < arc.length; i += 4) {
    worst = Math.max(worst, Math.abs(arc[i] - same[i]));
    ink += arc[i] < 128 ? 1 : 0;
  }
  expect(ink).toBeGreaterThan(100);
  expect(worst).toBeLessThan(16);
});
