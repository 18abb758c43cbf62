import { gainOf, middleGain } from '@brachytone/core';
import { newJob } from './defaults.ts';
import { readDocument } from './migrate.ts';
import { pressSchema } from './press-schema.ts';
import { pressOf, SHIPPED_PRESSES } from './shipped-presses.ts';

const [table] = SHIPPED_PRESSES.map(pressOf);
const job = newJob({ sha256: 'a'.repeat(64), name: 'heron.png', width: 40, height: 30 });

const problem = (press: unknown): string | undefined =>
  pressSchema.validate(press, { convert: false }).error?.message;

describe('the presses that ship', () => {
  it.each(SHIPPED_PRESSES.map((press) => [press.name, press] as const))('%s is a press', (_name, press) => {
    expect(problem(pressOf(press))).toBeUndefined();
    expect(middleGain(press.gain)).toBeGreaterThan(0);
  });
  it('are eight, each by its own name', () => {
    expect(new Set(SHIPPED_PRESSES.map(({ name }) => name)).size).toBe(8);
  });
});

describe('a press that cannot be', () => {
  it.each([
    ['a gain of 100 %', { gain: { by: 'number', middle: 100, shape: 1 } }, 'would leave no tone'],
    ['a mesh of 0', { mesh: { count: 0, angle: 0, thread: 80 } }, 'at least 5 threads'],
    ['threads without openings', { mesh: { count: 120, angle: 0, thread: 90 } }, 'leave no open mesh'],
    [
      'a curve that falls',
      {
        gain: {
          by: 'points',
          points: [
            { in: 0, out: 0 },
            { in: 40, out: 60 },
            { in: 60, out: 50 },
            { in: 100, out: 100 },
          ],
        },
      },
      'falls at 60 %',
    ],
    [
      'a curve without its ends',
      {
        gain: {
          by: 'points',
          points: [
            { in: 0, out: 5 },
            { in: 100, out: 100 },
          ],
        },
      },
      'begins with 0 %',
    ],
    [
      'a curve out of order',
      {
        gain: {
          by: 'points',
          points: [
            { in: 0, out: 0 },
            { in: 50, out: 60 },
            { in: 50, out: 61 },
            { in: 100, out: 100 },
          ],
        },
      },
      'stand in order',
    ],
  ])('%s is refused with a sentence', (_name, change, says) => {
    expect(problem({ ...table, ...change })).toContain(says);
  });
  it('a mesh belongs to screen printing alone', () => {
    expect(problem({ ...table, kind: 'offset' })).toBeDefined();
    expect(problem({ ...table, kind: 'offset', mesh: null })).toBeUndefined();
  });
});

it('a job carries its press whole, and one of the version before has none', () => {
  const press = { id: 'hand-table-paper', press: table, compensates: true };
  const pressed = { ...job, recipe: { ...job.recipe, press } };
  expect(readDocument(JSON.parse(JSON.stringify(pressed)))).toEqual(pressed);
  const { press: _, ...before } = job.recipe;
  expect(readDocument({ ...job, version: 7, recipe: before })).toEqual(job);
});

it('an ink’s gain is found by its name, whatever its capitals', () => {
  const own = { by: 'number', middle: 9, shape: 1 } as const;
  const press = { ...table, inkGains: [{ ink: 'Night Blue', gain: own, calibrated: null }] };
  expect(gainOf(press, 'night blue ')).toBe(own);
  expect(gainOf(press, 'Lantern')).toBe(table.gain);
});
