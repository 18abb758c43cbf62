import { converter } from 'culori';
import fc from 'fast-check';
import { linearToSrgb, srgbToLinear } from '../colour/srgb.ts';
import { greyPicture, PLAIN_TONE } from '../testing.ts';
import { monotoneCurve, STRAIGHT } from './curve.ts';
import { BT709, greyCoverage } from './grey.ts';
import { toneHistogram } from './histogram.ts';
import { applyLevels, NO_LEVELS } from './levels.ts';
import { toneTable } from './tone-table.ts';

const wholeOf = (width: number, height: number) => ({ x: 0, y: 0, width, height });

describe('grey', () => {
  it('weighs as ITU-R BT.709-6, item 3.2: 0.2126, 0.7152, 0.0722', () => {
    const data = Uint8Array.of(255, 0, 0, 0, 255, 0, 0, 0, 255, 255, 255, 255, 40, 40, 40);
    const { data: coverage } = greyCoverage(
      { width: 5, height: 1, channels: 3, data },
      BT709,
      toneTable(PLAIN_TONE),
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
      toneTable(PLAIN_TONE),
      wholeOf(6, 1),
    );
    expect([...coverage]).toEqual([65535, 65534, 65278, 35535, 1, 0]);
  });
  it('read as lightness, asks for the dot that reflects as much light', () => {
    const table = toneTable({ ...PLAIN_TONE, reading: 'lightness' });
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
    expect(applyLevels({ ...NO_LEVELS, mid: 2 }, 0.25)).toBeCloseTo(0.5, 10);
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

describe('the steps together', () => {
  it('come in order: levels, curve, invert', () => {
    const table = toneTable({
      ...PLAIN_TONE,
      levels: { ...NO_LEVELS, bare: 50 },
      curve: [
        { in: 0, out: 10 },
        { in: 100, out: 100 },
      ],
      invert: true,
    });
    expect(table[Math.round(0.5 * 65535)] / 65535).toBeCloseTo(0.9, 4);
    expect(table[65535]).toBe(0);
  });
  it('show in the histogram, over the crop alone', () => {
    const picture = greyPicture(100, 10, (x) => (x < 50 ? 255 : 0));
    const right = { x: 0.5, y: 0, width: 0.5, height: 1 };
    expect(toneHistogram(picture, right, PLAIN_TONE, 'before', 4)).toEqual([0, 0, 0, 1]);
    expect(toneHistogram(picture, right, { ...PLAIN_TONE, invert: true }, 'after', 4)).toEqual([1, 0, 0, 0]);
    const whole = { x: 0, y: 0, width: 1, height: 1 };
    expect(toneHistogram(picture, whole, PLAIN_TONE, 'before', 2)).toEqual([0.5, 0.5]);
  });
});
