import { newScreen } from '@brachytone/core';
import { newJob } from '@brachytone/job';
import { DEGREES, LPI, PERCENT } from '../words/quantity.ts';
import {
  alikePaths,
  axisAround,
  samePath,
  stripValues,
  valuesText,
  withNumbers,
  withSpan,
  withTyped,
  type StripAxis,
} from './strip.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 300, height: 400 });
const path = ['recipe', 'plates', 0, 'screen', 'settings', 'ruling'];
const ruling = { label: 'Ruling', path, unit: LPI, least: 1, most: 300, ratio: true };
const angle = {
  label: 'Angle',
  path: [...path.slice(0, -1), 'angle'],
  unit: DEGREES,
  least: -180,
  most: 180,
  ratio: false,
};

describe('a strip’s values', () => {
  it('lie in even ratios where ratios count, in even steps where differences do, ends and all', () => {
    const values = stripValues({ ...ruling, from: 10, to: 40, count: 3 });
    expect(values).toEqual([10, 20, 40]);
    expect(stripValues({ ...angle, from: 0, to: 90, count: 4 })).toEqual([0, 30, 60, 90]);
  });
  it('may fall as well as rise', () => {
    expect(stripValues({ ...angle, from: 60, to: 0, count: 3 })).toEqual([60, 30, 0]);
  });
  it.each<[string, Omit<StripAxis, 'from' | 'to' | 'count'>, number, [number, number]]>([
    ['a ruling', ruling, 30, [4, 175]],
    ['a ruling at its end', ruling, 1, [4, 175]],
    ['an angle', angle, 45, [0, 180]],
    ['a share that is 0', { ...angle, label: 'Wobble', unit: PERCENT, least: 0, most: 100 }, 0, [0, 100]],
    [
      'a share that is 100',
      { ...angle, label: 'Crossed', unit: PERCENT, least: 0, most: 100 },
      100,
      [0, 100],
    ],
  ])(
    'around %s keep within what it may be, differ, and have it among their span',
    (_, axis, value, usual) => {
      const around = axisAround(axis, value, usual, 5);
      const values = stripValues(around);
      expect(new Set(values).size).toBe(5);
      for (const one of values) {
        expect(one).toBeGreaterThanOrEqual(axis.least);
        expect(one).toBeLessThanOrEqual(axis.most);
      }
      expect(around.from).toBeLessThanOrEqual(value);
      expect(around.to).toBeGreaterThanOrEqual(value);
    },
  );
});

describe('numbers put in a document', () => {
  it('stand where they belong and nowhere else; the document itself stays as it was', () => {
    const before = structuredClone(job);
    const made = withNumbers(job, [
      { path, value: 12 },
      { path: angle.path, value: 7.5 },
      { path: ['recipe', 'plates', 0, 'screen', 'largest'], value: 80 },
    ]);
    expect(job).toEqual(before);
    const { screen } = made.recipe.plates[0];
    expect(screen.settings).toMatchObject({ ruling: 12, angle: 7.5, spot: 'round' });
    expect(screen.largest).toBe(80);
    // What is not on the way is the very same thing, so nothing of it is drawn again.
    expect(made.recipe.originals).toBe(job.recipe.originals);
    expect(made.films).toBe(job.films);
  });
  it('are told apart by their whole path', () => {
    expect(samePath(path, [...path])).toBe(true);
    expect(samePath(path, angle.path)).toBe(false);
  });
});

describe('values that are typed', () => {
  const axis: StripAxis = { ...ruling, from: 10, to: 40, count: 3 };
  it.each([
    ['5, 35, 50', [5, 35, 50]],
    ['5;35;50', [5, 35, 50]],
    ['5 35 50', [5, 35, 50]],
    ['12,5; 20', [12.5, 20]],
    ['10 lpcm; 2540/100', [25.4, 25.4]],
    ['0.1, 9000', [1, 300]],
  ])('%s are taken, within what the number may be', (text, values) => {
    expect(stripValues(withTyped(axis, text)!).map((value) => Number(value.toFixed(6)))).toEqual(values);
  });
  it.each(['', '5', 'five, six', '1, 2, 3, 4, 5, 6, 7'])('“%s” is not', (text) => {
    expect(withTyped(axis, text)).toBeUndefined();
  });
  it('go when a span is set again, and come back as they were shown', () => {
    const typed = withTyped(axis, '5, 35, 50')!;
    expect(valuesText(typed)).toBe('5, 35, 50');
    expect(stripValues(withSpan(typed, { count: 2 }))).toEqual([10, 40]);
    expect(stripValues(withTyped(axis, valuesText(axis))!)).toEqual(stripValues(axis));
  });
});

describe('a number of several plates', () => {
  const [plate] = job.recipe.plates;
  const two = {
    ...job,
    recipe: {
      ...job.recipe,
      plates: [plate, { ...plate, id: 'second' }, { ...plate, id: 'third', screen: newScreen('grain') }],
    },
  };
  it('is tried on those that are set alike and have it; an angle stays one plate’s', () => {
    expect(alikePaths(two, path, ['second', 'third'])).toEqual([
      path,
      ['recipe', 'plates', 1, 'screen', 'settings', 'ruling'],
    ]);
    expect(alikePaths(two, path, [])).toEqual([path]);
    expect(alikePaths(two, angle.path, ['second'])).toEqual([angle.path]);
    const weight = ['recipe', 'plates', 0, 'weight'];
    expect(alikePaths(two, weight, ['second'])).toEqual([weight]);
  });
});
