import { counts, startOfFields, type NumberField } from './field.ts';
import { SCREEN_KINDS } from '../screen/kinds/index.ts';
import { STEP_KINDS } from '../tone/steps/index.ts';

const number = { type: 'number', label: 'Number', unit: 'plain', least: 0, most: 9, start: 1 } as const;

describe('a field counts', () => {
  const field = (when: NumberField['when']): NumberField => ({ ...number, ...(when ? { when } : {}) });
  it('always, unless it says otherwise', () => {
    expect(counts(field(undefined), {})).toBe(true);
  });
  it('under the words it names', () => {
    const one = field({ field: 'path', is: ['arc', 'spiral'] });
    expect([counts(one, { path: 'arc' }), counts(one, { path: 'wave' })]).toEqual([true, false]);
  });
  it('beyond the numbers it names, in any of the fields', () => {
    const one = field({ field: ['place', 'size'], above: 0 });
    expect(counts(one, { place: 0, size: 0 })).toBe(false);
    expect(counts(one, { place: 0, size: 3 })).toBe(true);
    expect(counts(field({ field: 'crossed', below: 100 }), { crossed: 100 })).toBe(false);
  });
  it('where all of its conditions hold', () => {
    const one = field([
      { field: 'path', is: ['wave'] },
      { field: 'crossed', below: 100 },
    ]);
    expect(counts(one, { path: 'wave', crossed: 60 })).toBe(true);
    expect(counts(one, { path: 'arc', crossed: 60 })).toBe(false);
    expect(counts(one, { path: 'wave', crossed: 100 })).toBe(false);
  });
});

describe.each([...SCREEN_KINDS, ...STEP_KINDS].map(({ name, fields }) => [name, fields] as const))(
  'the fields of %s',
  (_, fields) => {
    it('start within what they may be, and hang only on fields that are there', () => {
      const start = startOfFields(fields);
      for (const [name, field] of Object.entries(fields)) {
        if (field.type === 'number') {
          // A field that came later is not written down at its start.
          if (!field.isLater) expect(start[name]).toBe(field.start);
          else expect(start).not.toHaveProperty(name);
          expect(field.start).toBeGreaterThanOrEqual(field.least);
          expect(field.start).toBeLessThanOrEqual(field.most);
          const [low, high] = field.usual ?? [field.least, field.most];
          expect(low).toBeGreaterThanOrEqual(field.least);
          expect(high).toBeLessThanOrEqual(field.most);
          if (field.ratio) expect(low).toBeGreaterThan(0);
        }
        if (field.type === 'choice') expect(field.options.map(({ value }) => value)).toContain(start[name]);
        const conditions = 'when' in field && field.when ? [field.when].flat() : [];
        for (const condition of conditions) {
          const others: string[] = [condition.field].flat();
          expect(Object.keys(fields)).toEqual(expect.arrayContaining(others));
        }
      }
    });
  },
);
