import { packedPoints, pointsOf } from '../stroke-points.ts';
import { greyPicture, toneOf, toneStep } from '../../testing.ts';
import { cutRows } from '../../raster/rows.ts';
import { pictureSource } from '../picture-source.ts';
import { toneRows } from '../tone-rows.ts';
import { NO_TONE, type Tone } from '../tone.ts';
import { STEP_KINDS, stepKind } from './index.ts';
import type { Stroke } from '../../base/field.ts';

const picture = greyPicture(
  150,
  333,
  (x, y) => 128 + 90 * Math.sin(x / 9 + y / 13) + ((x * 31 + y * 17) % 23),
);
const stroke: Stroke = {
  points: packedPoints([
    [0.2, 0.3, 1],
    [0.7, 1.4, 0.5],
  ]),
  radius: 0.2,
  strength: -60,
  softness: 70,
};

/** Settings under which every kind does something. */
const BUSY: Record<string, Record<string, unknown>> = {
  levels: { bare: 10, mid: 1.5 },
  curve: {
    points: [
      { in: 0, out: 20 },
      { in: 100, out: 80 },
    ],
  },
  recover: { shadows: 80, highlights: 70, radius: 30 },
  blur: { radius: 17 },
  noise: { amount: 40, grain: 3.3 },
  coarsen: { ppi: 31, manner: 'smooth' },
  brush: { strokes: [stroke] },
};

const all = (tone: Tone, scale = 1, leastBand?: number) => {
  const rows = toneRows(pictureSource(picture, scale, 300), tone, leastBand);
  return cutRows(rows, { x: 0, y: 0, width: rows.width, height: rows.height }).data;
};
const before = all(NO_TONE);
const same = (a: Uint16Array, b: Uint16Array) =>
  Buffer.compare(new Uint8Array(a.buffer), new Uint8Array(b.buffer)) === 0;
const mean = (data: Uint16Array) => data.reduce((a, b) => a + b, 0) / data.length;

describe.each(STEP_KINDS.map(({ kind }) => kind))('the step %s', (kind) => {
  const tone = toneOf(toneStep(kind, BUSY[kind]));
  it('changes the picture', () => {
    expect(same(all(tone), before)).toBe(false);
  });
  it('made in bands is what it is made whole, bit for bit', () => {
    expect(same(all(tone), all(tone, 1, 1000))).toBe(true);
  });
  it('says what its numbers are, within a row of the docket', () => {
    const { fields, words } = stepKind(kind);
    const numbers = Object.entries(fields).flatMap(([name, field]) =>
      field.type === 'number' ? [{ name, ends: [field.least, field.most] }] : [],
    );
    const texts = numbers.map(({ name, ends }) =>
      ends.map((end) => words({ ...tone.steps[0].settings, [name]: end })),
    );
    for (const text of texts.flat()) expect(text).toMatch(/^.{1,28}$/);
    expect(texts.some(([least, most]) => least !== most)).toBe(numbers.length > 0);
  });
});

it('all of them in a row are the same in bands of any height', () => {
  const tone = toneOf(
    ...STEP_KINDS.filter(({ kind }) => kind !== 'bands').map(({ kind }) => toneStep(kind, BUSY[kind])),
  );
  const whole = all(tone, 1, 1000);
  for (const band of [7, 64, 100]) expect(same(all(tone, 1, band), whole)).toBe(true);
});

describe('what they do', () => {
  it('refine carries all steps after it to a finer grid, and lies where the picture lay', () => {
    const tone = toneOf(toneStep('refine', { times: '3' }), toneStep('blur', { radius: 4 }));
    const fine = toneRows(pictureSource(picture, 1, 300), tone);
    expect([fine.width, fine.height]).toEqual([450, 999]);
    const plain = toneRows(pictureSource(picture, 1, 300), toneOf(toneStep('blur', { radius: 4 })));
    for (const [x, y] of [
      [20, 30],
      [75, 160],
      [130, 300],
    ]) {
      expect(Math.abs(fine.row(3 * y + 1)[3 * x + 1] - plain.row(y)[x])).toBeLessThan(300);
    }
    expect(toneRows(pictureSource(picture, 2, 300), tone).width).toBe(150);
  });
  it('sharpen grows the difference across an edge; a high threshold leaves it alone', () => {
    const edge = greyPicture(60, 20, (x) => (x < 30 ? 100 : 150));
    const at = (settings: Record<string, unknown>) => {
      const { data } = cutRows(toneRows(pictureSource(edge, 1, 300), toneOf(toneStep('sharpen', settings))), {
        x: 0,
        y: 10,
        width: 60,
        height: 1,
      });
      return [data[29], data[30]];
    };
    const [left, right] = at({ amount: 100, radius: 2 });
    // Half of a step lies on each side of a blurred edge, so the full amount adds nearly half the step to each.
    const step = 50 * 257;
    expect(left - right).toBeGreaterThan(step * 1.7);
    expect(at({ amount: 100, radius: 2, threshold: 50 })).toEqual([155 * 257, 105 * 257]);
  });
  it('recover opens shadows and leaves highlights, and keeps small differences', () => {
    const dark = greyPicture(80, 80, (x) => (x % 2 ? 20 : 26));
    const rows = toneRows(
      pictureSource(dark, 1, 300),
      toneOf(toneStep('recover', { shadows: 100, radius: 10 })),
    );
    const row = rows.row(40);
    expect(row[40]).toBeLessThan((255 - 26) * 257 * 0.75);
    expect(Math.abs(row[40] - row[41])).toBeGreaterThanOrEqual(6 * 257);
    const light = greyPicture(80, 80, () => 240);
    expect(
      toneRows(pictureSource(light, 1, 300), toneOf(toneStep('recover', { shadows: 100, radius: 10 }))).row(
        40,
      )[40],
    ).toBe(15 * 257);
  });
  it('noise keeps the mean, has its strength, and is the same again from the same throw', () => {
    const flat = greyPicture(200, 200, () => 128);
    const made = (seed: number) =>
      cutRows(toneRows(pictureSource(flat, 1, 300), toneOf(toneStep('noise', { amount: 20, seed }))), {
        x: 0,
        y: 0,
        width: 200,
        height: 200,
      }).data;
    const noisy = made(5);
    expect(mean(noisy) / 65535).toBeCloseTo(127 / 255, 2);
    // Evenly spread from −20 to 20 %: a standard deviation of 20 ÷ √3.
    const middle = mean(noisy);
    const deviation = Math.sqrt(noisy.reduce((sum, value) => sum + (value - middle) ** 2, 0) / noisy.length);
    expect(deviation / 65535).toBeCloseTo(0.2 / Math.sqrt(3), 2);
    expect(made(5)).toEqual(noisy);
    expect(same(made(6), noisy)).toBe(false);
  });
  it('the brush lightens inside its radius only, most at its core, and not twice where it crosses itself', () => {
    const flat = greyPicture(100, 100, () => 55);
    const row = (strokes: Stroke[], y: number) =>
      toneRows(pictureSource(flat, 1, 300), toneOf(toneStep('brush', { strokes }))).row(y);
    const line: Stroke = {
      points: packedPoints([
        [0.2, 0.5, 1],
        [0.8, 0.5, 1],
      ]),
      radius: 0.1,
      strength: -50,
      softness: 50,
    };
    const full = 200 * 257;
    expect(row([line], 50)[50]).toBe(full / 2);
    expect(row([line], 57)[50]).toBeGreaterThan(full / 2);
    expect(row([line], 61)[50]).toBe(full);
    const back: Stroke = {
      ...line,
      points: packedPoints([...pointsOf(line), ...pointsOf(line).toReversed()]),
    };
    expect(row([back], 50)[50]).toBe(full / 2);
    expect(row([line, line], 50)[50]).toBe(full / 4);
  });
});
