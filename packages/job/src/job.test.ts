import fc from 'fast-check';
import {
  cropToSheet,
  newJob,
  placeOnSheet,
  readDocument,
  sheetName,
  UnreadableDocument,
  type JobDocument,
} from './index.ts';

const picture = { sha256: 'a'.repeat(64), name: 'moonrise.tif', width: 3000, height: 4000 };
const good = newJob(picture);

/** A deep copy of the good document with one thing changed. */
function changed(change: (document: Record<string, never>) => void): unknown {
  const copy = structuredClone(good) as unknown as Record<string, never>;
  change(copy);
  return copy;
}

describe('a new job', () => {
  it('is a document that can be read', () => {
    expect(readDocument(structuredClone(good))).toEqual(good);
    expect(good.name).toBe('moonrise');
  });
  it('stands the picture’s way and is filled by it', () => {
    expect(good.recipe.sheet).toMatchObject({ width: 210, height: 297 });
    expect(newJob({ ...picture, width: 5000 }).recipe.sheet).toMatchObject({ width: 297, height: 210 });
    const [{ crop, placement }] = good.recipe.originals;
    expect(placement).toMatchObject({ x: 0, y: 0, width: 210 });
    expect((crop.width * 3000) / (crop.height * 4000)).toBeCloseTo(210 / 297, 9);
  });
});

describe('reading documents', () => {
  it.each([
    ['text', 'a job', 'not a job document'],
    ['a list', [], 'not a job document'],
    ['no version', {}, 'does not say its version'],
    ['a newer version', { version: 99 }, 'newer Brachytone'],
    ['a version never made', { version: 0 }, 'cannot be read'],
    ['a missing part', changed((d) => delete d.films), 'films'],
    ['a stranger', changed((d) => Object.assign(d, { extra: 1 })), 'extra'],
    [
      'a ruling beyond range',
      changed((d) => Object.assign((d as never as JobDocument).recipe.plates[0].screen, { ruling: 9000 })),
      'ruling',
    ],
    [
      'a number as text',
      changed((d) => Object.assign((d as never as JobDocument).recipe.sheet, { width: '210' })),
      'width',
    ],
    [
      'an unknown dot',
      changed((d) => Object.assign((d as never as JobDocument).recipe.plates[0].screen, { spot: 'heart' })),
      'spot',
    ],
    [
      'dots crossed',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.plates[0].screen, { smallest: 60, largest: 50 }),
      ),
      'largest dot',
    ],
    [
      'levels crossed',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0].tone.levels, { bare: 60, solid: 50 }),
      ),
      'solid level',
    ],
    [
      'no grey weight at all',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0].tone, {
          weights: { red: 0, green: 0, blue: 0 },
        }),
      ),
      'weight',
    ],
    [
      'a curve out of order',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0].tone, {
          curve: [
            { in: 50, out: 0 },
            { in: 20, out: 9 },
          ],
        }),
      ),
      'in order',
    ],
    [
      'a crop beyond the picture',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0].crop, { x: 0.9, width: 0.5 }),
      ),
      'beyond the picture',
    ],
    [
      'a colour that is none',
      changed((d) => Object.assign((d as never as JobDocument).recipe.stock, { colour: 'red' })),
      '#rrggbb',
    ],
    [
      'an ink that is not there',
      changed((d) => Object.assign((d as never as JobDocument).recipe.plates[0], { ink: 'ink-9' })),
      'ink-9',
    ],
  ])('refuses %s with a sentence', (_what, value, words) => {
    expect(() => readDocument(value)).toThrow(UnreadableDocument);
    expect(() => readDocument(value)).toThrow(words);
  });

  it('brings older documents up to date step by step', () => {
    // Two versions that might have been: the first called the sheet a page, the second had no films yet.
    const older = {
      ...structuredClone(good),
      version: -1,
      page: good.recipe.sheet,
      films: undefined,
    } as Record<string, unknown>;
    const migrations = [
      {
        from: -1,
        migrate: ({ page, recipe, ...rest }: Record<string, unknown>) => ({
          ...rest,
          recipe: { ...(recipe as object), sheet: page },
        }),
      },
      { from: 0, migrate: (document: Record<string, unknown>) => ({ ...document, films: good.films }) },
    ];
    expect(readDocument(older, migrations, 1)).toEqual(good);
    expect(() => readDocument({ ...older, version: -2 }, migrations, 1)).toThrow('version -2 cannot be read');
  });
});

describe('placing', () => {
  it('fills the sheet with a crop of its shape, wherever both sizes lead', () => {
    const side = fc.integer({ min: 10, max: 4000 });
    fc.assert(
      fc.property(side, side, side, side, (w, h, pw, ph) => {
        const [sheet, size] = [
          { width: w, height: h },
          { width: pw, height: ph },
        ];
        const crop = cropToSheet(sheet, size);
        const placed = placeOnSheet(sheet, size, crop);
        expect(crop.x + crop.width).toBeLessThanOrEqual(1 + 1e-9);
        expect(placed.width).toBeCloseTo(w, 6);
        expect(Math.abs(placed.x) + Math.abs(placed.y)).toBeLessThan(1e-6);
      }),
    );
  });
  it('names sheets either way up', () => {
    expect(sheetName(297, 420)).toBe('A3');
    expect(sheetName(420, 297)).toBe('A3');
    expect(sheetName(400, 400)).toBeUndefined();
  });
});
