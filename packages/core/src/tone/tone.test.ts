import { converter } from 'culori';
import fc from 'fast-check';
import { linearToSrgb, srgbToLinear } from '../colour/srgb.ts';
import { greyPicture, toneOf, toneStep } from '../testing.ts';
import { monotoneCurve, STRAIGHT } from './curve.ts';
import { weightsThatPart } from './auto-grey.ts';
import { BT709, greyCoverage } from './grey.ts';
import { toneHistogram } from './histogram.ts';
import { applyLevels } from './levels.ts';
import { compileTone } from './compile.ts';
import { pictureSource } from './picture-source.ts';
import { NO_TONE, type Tone } from './tone.ts';

/** The table of a tone of point steps alone. */
const tableOf = (tone: Tone) => compileTone(tone, { scale: 1, ppi: 300 })[0].table;

const wholeOf = (width: number, height: number) => ({ x: 0, y: 0, width, height });

describe('grey', () => {
  it('weighs as ITU-R BT.709-6, item 3.2: 0.2126, 0.7152, 0.0722', () => {
    const data = Uint8Array.of(255, 0, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255, 40, 40, 40);
    const { data: coverage } = greyCoverage(
      { width: 5, height: 1, channels: 3, data },
      BT709,
      tableOf(NO_TONE),
      wholeOf(5, 1),
    );
    const grey = [...coverage].map((value) => 1 - value / 65535);
    [0.2126, 0.7152, 0.0722, 1, 40 / 255].forEach((want, i) => expect(grey[i]).toBeCloseTo(want, 4));
  });
  it('keeps all 16 bits', () => {
    const data = Uint16Array.of(0, 1, 257, 30000, 65534, 65535);
    const { data: coverage } = greyCoverage(
      { width: 6, height: 1, channels: 1, data },
      BT709,
      tableOf(NO_TONE),
      wholeOf(6, 1),
    );
    expect([...coverage]).toEqual([65535, 65534, 65278, 35535, 1, 0]);
  });
  it('read as lightness, asks for the dot that reflects as much light', () => {
    const table = tableOf({ ...NO_TONE, grey: { ...NO_TONE.grey, reading: 'lightness' } });
    const grey = 0.5;
    expect(1 - table[Math.round((1 - grey) * 65535)] / 65535).toBeCloseTo(srgbToLinear(grey), 4);
  });
});

describe('sRGB, IEC 61966-2-1', () => {
  // culori is a general-purpose colour library from the registry.
  it('agrees with culori', () => {
    const toLinear = converter('lrgb');
    for (let value = 0; value <= 1; value += 1 / 64) {
      expect(srgbToLinear(value)).toBeCloseTo(toLinear({ mode: 'rgb', r: value, g: 0, b: 0 }).r, 6);
      expect(linearToSrgb(srgbToLinear(value))).toBeCloseTo(value, 6);
    }
  });
});

describe('levels', () => {
  it('send bare to the floor, solid to the ceiling, and weigh the middle', () => {
    const levels = { bare: 20, solid: 80, mid: 1, floor: 5, ceiling: 90 };
    expect(applyLevels(levels, 0.1)).toBeCloseTo(0.05, 10);
    expect(applyLevels(levels, 0.2)).toBeCloseTo(0.05, 10);
    expect(applyLevels(levels, 0.5)).toBeCloseTo(0.475, 10);
    expect(applyLevels(levels, 0.95)).toBeCloseTo(0.9, 10);
    expect(applyLevels({ bare: 0, solid: 100, mid: 2, floor: 0, ceiling: 100 }, 0.25)).toBeCloseTo(0.5, 10);
  });
});

describe('the tone curve', () => {
  const points = fc
    .uniqueArray(fc.integer({ min: 0, max: 100 }), { minLength: 2, maxLength: 8 })
    .chain((ins) =>
      fc
        .array(fc.integer({ min: 0, max: 100 }), { minLength: ins.length, maxLength: ins.length })
        .map((outs) => ins.sort((a, b) => a - b).map((tone, i) => ({ in: tone, out: outs[i] }))),
    );
  it('goes through its points and stays between neighbours', () => {
    fc.assert(
      fc.property(points, fc.double({ min: 0, max: 100, noNaN: true }), (list, at) => {
        const curve = monotoneCurve(list);
        for (const point of list) expect(curve(point.in)).toBeCloseTo(point.out, 8);
        const next = list.findIndex((point) => point.in > at);
        if (next > 0) {
          const [a, b] = [list[next - 1].out, list[next].out];
          expect(curve(at)).toBeGreaterThanOrEqual(Math.min(a, b) - 1e-9);
          expect(curve(at)).toBeLessThanOrEqual(Math.max(a, b) + 1e-9);
        }
      }),
      { seed: 6 },
    );
  });
  it('never turns back where its points do not', () => {
    // Data set RPN 14 of Fritsch and Carlson 1980, from memory.
    const xs = [7.99, 8.09, 8.19, 8.7, 9.2, 10, 12, 15, 20];
    const ys = [0, 2.76429e-5, 4.37498e-2, 0.169183, 0.469428, 0.94374, 0.998636, 0.999919, 0.999994];
    const curve = monotoneCurve(xs.map((tone, i) => ({ in: tone, out: ys[i] })));
    for (let x = 7.99, before = -1; x < 20; x += 0.01) {
      expect(curve(x)).toBeGreaterThanOrEqual(before - 1e-12);
      before = curve(x);
    }
  });
  it('between two points is straight', () => {
    const curve = monotoneCurve(STRAIGHT);
    for (const tone of [0, 12.5, 50, 99, 100]) expect(curve(tone)).toBeCloseTo(tone, 10);
  });
});

describe('grey by hues', () => {
  const plain = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255));
  it('with every weight its own, keeps greys grey and pure hues at their weights', () => {
    const weights = { red: 10, yellow: 90, green: 30, cyan: 70, blue: 5, magenta: 60 };
    const pixels = [
      [255, 0, 0],
      [255, 255, 0],
      [0, 255, 0],
      [0, 255, 255],
      [0, 0, 255],
      [255, 0, 255],
      [77, 77, 77],
      [255, 255, 255],
      // Half way from grey 100 to full red.
      [255, 100, 100],
    ];
    const data = Uint8Array.from(pixels.flat());
    const { data: made } = greyCoverage(
      { width: pixels.length, height: 1, channels: 3, data },
      weights,
      tableOf(NO_TONE),
      wholeOf(pixels.length, 1),
    );
    const wanted = [0.1, 0.9, 0.3, 0.7, 0.05, 0.6, 77 / 255, 1, (100 + 155 * 0.1) / 255];
    wanted.forEach((grey, i) => expect(1 - made[i] / 65535).toBeCloseTo(grey, 4));
  });
  it('with the weights of a plain sum, is that sum', () => {
    // The smallest step off the plain sum sends the same pixels the other way through.
    const nudged = { ...BT709, yellow: BT709.yellow + 2e-6 };
    fc.assert(
      fc.property(plain, (pixel) => {
        const picture = { width: 1, height: 1, channels: 3, data: Uint8Array.from(pixel) } as const;
        const [a, b] = [BT709, nudged].map(
          (weights) => greyCoverage(picture, weights, tableOf(NO_TONE), wholeOf(1, 1)).data[0],
        );
        expect(Math.abs(a - b)).toBeLessThanOrEqual(1);
      }),
      { seed: 12 },
    );
  });
});

it('the automatic weights follow the channel in which a picture differs most', () => {
  const data = new Uint8Array(300 * 3);
  for (let i = 0; i < 300; i++) data.set([(i * 83) % 256, 120, 118 + (i % 5)], i * 3);
  const { red, green, blue } = weightsThatPart({ width: 30, height: 10, channels: 3, data })!;
  expect([red, green, blue]).toEqual([100, 0, 0]);
  expect(weightsThatPart(greyPicture(4, 4, () => 9))).toBeUndefined();
});

describe('the steps together', () => {
  const bent = toneStep('curve', {
    points: [
      { in: 0, out: 10 },
      { in: 100, out: 100 },
    ],
  });
  it('come in their order, and those that are off do nothing', () => {
    const table = tableOf(toneOf(toneStep('levels', { bare: 50 }), bent, toneStep('invert')));
    expect(table[Math.round(0.5 * 65535)] / 65535).toBeCloseTo(0.9, 4);
    expect(table[65535]).toBe(0);
    const other = tableOf(toneOf(toneStep('invert'), toneStep('levels', { bare: 50 }), bent));
    expect(other[65535] / 65535).toBeCloseTo(0.1, 4);
    expect(tableOf(toneOf({ ...toneStep('invert'), on: false }))[65535]).toBe(65535);
  });
  it('densify covers each time the same share of what is bare', () => {
    const table = tableOf(toneOf(toneStep('densify', { times: 2 })));
    expect(table[Math.round(0.3 * 65535)] / 65535).toBeCloseTo(1 - 0.7 * 0.7, 4);
  });
  it('bands part where they are told, from bare to solid', () => {
    const table = tableOf(toneOf(toneStep('bands', { thresholds: [25, 50, 75] })));
    const made = [10, 24.9, 25.1, 60, 90].map((tone) => table[Math.round((tone / 100) * 65535)] / 65535);
    [0, 0, 1 / 3, 2 / 3, 1].forEach((tone, i) => expect(made[i]).toBeCloseTo(tone, 4));
  });
  it('show in the histogram, over the crop alone', () => {
    const source = pictureSource(
      greyPicture(100, 10, (x) => (x < 50 ? 255 : 0)),
      1,
      300,
    );
    const right = { x: 0.5, y: 0, width: 0.5, height: 1 };
    expect(toneHistogram(source, right, NO_TONE, 4)).toEqual([0, 0, 0, 1]);
    expect(toneHistogram(source, right, toneOf(toneStep('invert')), 4)).toEqual([1, 0, 0, 0]);
    const whole = { x: 0, y: 0, width: 1, height: 1 };
    expect(toneHistogram(source, whole, NO_TONE, 2)).toEqual([0.5, 0.5]);
  });
});
