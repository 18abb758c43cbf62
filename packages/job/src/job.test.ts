import {
  newScreen,
  packedPoints,
  pointsOf,
  STEP_KINDS,
  startOf,
  type PictureContent,
} from '@brachytone/core';
import fc from 'fast-check';
import {
  addedOriginal,
  cropToSheet,
  darkestInk,
  emptyJob,
  fillsSheet,
  jobLike,
  NEW_FADE,
  newDrawing,
  newGradient,
  newJob,
  newOriginal,
  newTint,
  pictureLike,
  placeOnSheet,
  readDocument,
  recrop,
  refit,
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

const pictureOf = (d: unknown) => (d as JobDocument).recipe.originals[0].content as PictureContent;

/** The good document with one tone step of these settings, the others as they start. */
function withStep(kind: string, settings: object): unknown {
  return changed((d) => {
    const found = STEP_KINDS.find((one) => one.kind === kind);
    const step = {
      id: 'step-1',
      kind,
      on: true,
      settings: { ...(found ? startOf(found) : {}), ...settings },
    };
    Object.assign((d as never as JobDocument).recipe.originals[0], {
      tone: { ...good.recipe.originals[0].tone, steps: [step] },
    });
  });
}

describe('a new job', () => {
  it('is a document that can be read', () => {
    expect(readDocument(structuredClone(good))).toEqual(good);
    expect(good.name).toBe('moonrise');
  });
  it('takes a gradient, another picture, and a step of every kind with the settings it starts with', () => {
    const { sheet } = good.recipe;
    const steps = STEP_KINDS.map((kind) => ({
      id: kind.kind,
      kind: kind.kind,
      on: true,
      settings: startOf(kind),
    }));
    const originals = [
      { ...good.recipe.originals[0], tone: { ...good.recipe.originals[0].tone, steps } },
      newGradient('original-2', 'ink-1', sheet),
      addedOriginal('original-3', 'ink-1', sheet, picture),
      newDrawing('original-4', 'ink-1', sheet, picture),
    ];
    const document = { ...good, recipe: { ...good.recipe, originals } };
    expect(readDocument(structuredClone(document))).toEqual(document);
    const { placement } = originals[2];
    expect(placement.x + placement.width / 2).toBeCloseTo(sheet.width / 2, 9);
  });
  it('has a sheet of the picture’s shape, which the picture fills whole', () => {
    expect(good.recipe.sheet).toMatchObject({ width: 222.8, height: 297 });
    expect(newJob({ ...picture, width: 5000 }).recipe.sheet).toMatchObject({ width: 297, height: 237.6 });
    fc.assert(
      fc.property(
        fc.integer({ min: 300, max: 20_000 }),
        fc.integer({ min: 300, max: 20_000 }),
        (width, height) => {
          fc.pre(Math.max(width, height) / Math.min(width, height) < 10);
          const { sheet, originals } = newJob({ ...picture, width, height }).recipe;
          const { crop } = originals[0].content as PictureContent;
          // Sides are whole tenths of a millimetre: half of one for each side is cut off at most.
          const most = 0.0501 / sheet.width + 0.0501 / sheet.height;
          expect(1 - crop.width).toBeLessThan(most);
          expect(1 - crop.height).toBeLessThan(most);
          expect(fillsSheet(sheet, originals[0], sheet.height)).toBe(true);
          expect(Math.max(sheet.width, sheet.height)).toBeLessThanOrEqual(297);
        },
      ),
    );
  });
  it('is smaller where the picture has too few pixels for the ruling', () => {
    // 30 lines an inch, one and a half pixels each: 450 pixels are ten inches.
    expect(newJob({ ...picture, width: 450, height: 225 }).recipe.sheet).toMatchObject({
      width: 254,
      height: 127,
    });
    expect(newJob({ ...picture, width: 5, height: 5 }).recipe.sheet).toMatchObject({ width: 20, height: 20 });
  });
  it('can begin with nothing, or with a tint', () => {
    const empty = emptyJob('Untitled', { width: 100, height: 50 });
    expect(readDocument(structuredClone(empty))).toEqual(empty);
    const tint = newTint('original-1', 'ink-1', { ...empty.recipe.sheet, bleed: 3 });
    expect(tint.placement).toMatchObject({ x: -3, y: -3, width: 106 });
    const document = { ...empty, recipe: { ...empty.recipe, originals: [tint] } };
    expect(readDocument(structuredClone(document))).toEqual(document);
  });
  it('can have another job’s settings: what was painted by hand there, and its files, stay there', () => {
    const [first] = good.recipe.originals;
    const stroke = { points: packedPoints([[0.5, 0.5, 1]]), radius: 0.1, strength: 50, softness: 0 };
    const ofItsColour = {
      by: 'colour' as const,
      mode: 'add' as const,
      original: first.id,
      colours: ['#cc3322'],
      tolerance: 10,
      softness: 4,
    };
    const invert = { id: 'i', kind: 'invert', on: true, settings: {} };
    const brush = { id: 'b', kind: 'brush', on: true, settings: { strokes: [stroke] } };
    const inks = [
      { ...good.recipe.inks[0], id: 'light', name: 'Straw', lab: [90, 0, 40] as const },
      { ...good.recipe.inks[0], id: 'dark', name: 'Soot' },
    ];
    const model: JobDocument = {
      ...good,
      recipe: {
        ...good.recipe,
        inks,
        plates: inks.map(({ id }, i) => ({
          ...good.recipe.plates[0],
          id: `plate-${i + 1}`,
          ink: id,
          strokes: [stroke],
          mask: { inverted: false, wholeDots: false, parts: [ofItsColour] },
          regions: [
            { weight: 40, curve: good.recipe.plates[0].curve, parts: [ofItsColour], strokes: [stroke] },
          ],
        })),
        originals: [
          {
            ...first,
            route: { kind: 'ink', ink: 'light' },
            tone: { ...first.tone, steps: [invert, brush] },
            fade: { ...NEW_FADE, strokes: [stroke] },
          },
        ],
      },
    };
    expect(darkestInk(model.recipe)).toBe('dark');
    const file = {
      sha256: 'b'.repeat(64),
      name: 'marsh.png',
      width: 4000,
      height: 2000,
      kind: 'picture' as const,
    };
    const made = pictureLike(model, file);
    for (const plate of made.recipe.plates) expect(plate).not.toHaveProperty('mask');
    for (const plate of made.recipe.plates) expect(plate).not.toHaveProperty('regions');
    expect(readDocument(structuredClone(made))).toEqual(made);
    const [original] = made.recipe.originals;
    expect(made.name).toBe('marsh');
    expect(made.recipe.sheet).toMatchObject({ width: 297, height: 148.5, resolution: 1200 });
    expect(made.recipe.inks).toEqual(inks);
    expect(made.recipe.plates.every(({ strokes }) => strokes.length === 0)).toBe(true);
    expect(original.content).toMatchObject({ picture: file.sha256 });
    expect(original.route).toEqual({ kind: 'ink', ink: 'light' });
    expect(original.tone.steps).toEqual([invert]);
    expect(original.fade?.strokes).toEqual([]);
    const drawn = pictureLike(model, { ...file, kind: 'drawing' });
    expect(drawn.recipe.sheet).toEqual(model.recipe.sheet);
    expect(jobLike(model, 'Bare', { width: 50, height: 60 }, null).recipe).toMatchObject({
      originals: [],
      sheet: { width: 50, height: 60 },
    });
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
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.plates[0].screen.settings, { ruling: 9000 }),
      ),
      'ruling',
    ],
    [
      'a number as text',
      changed((d) => Object.assign((d as never as JobDocument).recipe.sheet, { width: '210' })),
      'width',
    ],
    [
      'an unknown dot',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.plates[0].screen.settings, { spot: 'heart' }),
      ),
      'spot',
    ],
    [
      'dots crossed',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.plates[0].screen, { smallest: 60, largest: 50 }),
      ),
      'largest dot',
    ],
    ['a step of no kind', withStep('glow', {}), 'kind'],
    ['levels crossed', withStep('levels', { bare: 60, solid: 50 }), 'solid level'],
    ['a step’s number beyond its range', withStep('blur', { radius: 9000 }), 'radius'],
    ['a stranger among a step’s settings', withStep('invert', { twice: true }), 'twice'],
    [
      'a curve out of order',
      withStep('curve', {
        points: [
          { in: 50, out: 0 },
          { in: 20, out: 9 },
        ],
      }),
      'in order',
    ],
    ['bands that do not rise', withStep('bands', { thresholds: [60, 40] }), 'must rise'],
    [
      'a crop beyond the picture',
      changed((d) =>
        Object.assign((pictureOf(d) as unknown as { crop: object }).crop, { x: 0.9, width: 0.5 }),
      ),
      'beyond the picture',
    ],
    [
      'an original of no kind',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0], { content: { kind: 'dream' } }),
      ),
      'kind',
    ],
    [
      'two originals with one name for both',
      changed((d) => {
        const { originals } = (d as never as JobDocument).recipe;
        (originals as unknown[]).push(originals[0]);
      }),
      'duplicate',
    ],
    [
      'a colour that is none',
      changed((d) => Object.assign((d as never as JobDocument).recipe.stock, { lab: [50, 0] })),
      'L, a and b',
    ],
    [
      'an ink that is not there',
      changed((d) => Object.assign((d as never as JobDocument).recipe.plates[0], { ink: 'ink-9' })),
      'ink-9',
    ],
    [
      'a route to an ink that is not there',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0], {
          route: { kind: 'ink', ink: 'ink-7' },
        }),
      ),
      'ink-7',
    ],
    [
      'an ink without a plate',
      changed((d) => {
        const { inks } = (d as never as JobDocument).recipe;
        (inks as unknown[]).push({ ...inks[0], id: 'ink-2', name: 'Lantern' });
      }),
      'The ink “Lantern” has no plate',
    ],
    [
      'one ink for two of the process inks',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0], {
          route: {
            kind: 'process',
            ...{ cyan: 'ink-1', magenta: 'ink-1', yellow: 'ink-1', black: 'ink-1' },
            ...{ generation: 50, replacement: 50, from: 20, limit: 300 },
          },
        }),
      ),
      'one ink twice',
    ],
    [
      'bands that do not fit their tones',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0], {
          route: { kind: 'bands', at: [20, 60], inks: [null, 'ink-1'], painted: [] },
        }),
      ),
      'one band more',
    ],
    [
      'a route of no kind',
      changed((d) =>
        Object.assign((d as never as JobDocument).recipe.originals[0], { route: { kind: 'sideways' } }),
      ),
      'must be one of',
    ],
  ])('refuses %s with a sentence', (_what, value, words) => {
    expect(() => readDocument(value)).toThrow(UnreadableDocument);
    expect(() => readDocument(value)).toThrow(words);
  });

  it('brings version 1 up to date: its fixed steps become a list of those that did something', () => {
    const first = {
      version: 1,
      name: 'Moon',
      films: good.films,
      recipe: {
        ...good.recipe,
        stock: { name: 'White', colour: '#ffffff' },
        inks: [{ id: 'ink-1', name: 'Black', colour: '#1b1a19', opacity: 0 }],
        plates: [
          {
            id: 'plate-1',
            ink: 'ink-1',
            screen: { spot: 'ellipse', ruling: 24, angle: 15, smallest: 2, largest: 90 },
          },
        ],
        originals: [
          {
            id: 'original-1',
            picture: picture.sha256,
            name: picture.name,
            crop: { x: 0.1, y: 0, width: 0.5, height: 1 },
            placement: { x: 0, y: 0, width: 210 },
            tone: {
              weights: { red: 30, green: 60, blue: 30 },
              reading: 'lightness',
              levels: { bare: 6, solid: 97, mid: 1, floor: 0, ceiling: 100 },
              curve: [
                { in: 0, out: 0 },
                { in: 100, out: 100 },
              ],
              invert: true,
            },
            ink: 'ink-1',
          },
        ],
      },
    };
    const [original] = readDocument(first).recipe.originals;
    expect(original.tone.steps.map(({ kind }) => kind)).toEqual(['levels', 'invert']);
    expect(original.tone.steps[0].settings).toMatchObject({ bare: 6, solid: 97 });
    expect(original.tone.grey).toEqual({
      weights: { red: 25, yellow: 75, green: 50, cyan: 75, blue: 25, magenta: 50 },
      reading: 'lightness',
    });
    expect(original.content).toEqual({
      kind: 'picture',
      picture: picture.sha256,
      crop: { x: 0.1, y: 0, width: 0.5, height: 1, turn: 0 },
      line: null,
      cut: null,
    });
    expect(original).toMatchObject({ container: null, fade: null, mix: null });
    expect(readDocument(first).recipe.sheet.bleed).toBe(0);
    const { screen } = readDocument(first).recipe.plates[0];
    expect(screen).toEqual(
      newScreen('dots', { spot: 'ellipse', ruling: 24, angle: 15 }, { smallest: 2, largest: 90 }),
    );
  });

  it('brings documents of several versions ago up to date step by step', () => {
    // Versions that might have been: the first called the sheet a page, the second had no films yet, the third was alike.
    const older = {
      ...structuredClone(good),
      version: 1,
      page: good.recipe.sheet,
      films: undefined,
    } as Record<string, unknown>;
    const migrations = [
      {
        from: 1,
        migrate: ({ page, recipe, ...rest }: Record<string, unknown>) => ({
          ...rest,
          recipe: { ...(recipe as object), sheet: page },
        }),
      },
      { from: 2, migrate: (document: Record<string, unknown>) => ({ ...document, films: good.films }) },
      { from: 3, migrate: (document: Record<string, unknown>) => document },
      { from: 4, migrate: (document: Record<string, unknown>) => document },
      { from: 5, migrate: (document: Record<string, unknown>) => document },
      { from: 6, migrate: (document: Record<string, unknown>) => document },
      { from: 7, migrate: (document: Record<string, unknown>) => document },
      { from: 8, migrate: (document: Record<string, unknown>) => document },
      { from: 9, migrate: (document: Record<string, unknown>) => document },
    ];
    expect(readDocument(older, migrations)).toEqual(good);
    expect(() => readDocument({ ...older, version: -2 }, migrations)).toThrow('version -2 cannot be read');
  });
});

describe('version 9', () => {
  const points = [
    [0.2, 0.3, 1],
    [0.25, 0.31, 0.5],
    [0.3, 0.3, 1],
  ];
  const old = { points, radius: 0.1, strength: -100, softness: 20 };
  const packed = [20000, 30000, 100, 5000, 1000, -50, 5000, -1000, 50];
  it('had three numbers for each place of a stroke: they are packed wherever strokes are', () => {
    const { recipe } = good;
    const [original] = recipe.originals;
    const before = {
      ...good,
      version: 9,
      recipe: {
        ...recipe,
        originals: [
          {
            ...original,
            tone: {
              ...original.tone,
              steps: [{ id: 'b', kind: 'brush', on: true, settings: { strokes: [old] } }],
            },
          },
        ],
        plates: recipe.plates.map((plate) => ({ ...plate, strokes: [old, old] })),
      },
    };
    const now = readDocument(before).recipe;
    expect(now.plates[0].strokes.map((stroke) => stroke.points)).toEqual([packed, packed]);
    expect(now.originals[0].tone.steps[0].settings.strokes).toEqual([{ ...old, points: packed }]);
    expect(pointsOf(now.plates[0].strokes[0])).toEqual(points);
  });
  it.each([
    ['too few numbers', [20000, 30000]],
    ['parts of a step', [20000, 30000.5, 100]],
    ['a pressure over full', [20000, 30000, 60, 0, 0, 60]],
    ['a place out of reach', [900_000, 0, 100, 900_000, 0, 0]],
    ['none', []],
  ])('a stroke with %s is refused', (_, wrong) => {
    const recipe = {
      ...good.recipe,
      plates: good.recipe.plates.map((plate) => ({ ...plate, strokes: [{ ...old, points: wrong }] })),
    };
    expect(() => readDocument({ ...good, recipe })).toThrow(UnreadableDocument);
  });
});

describe('version 6', () => {
  const { notices: _, films, ...rest } = good;
  const { outlines: _outlines, ...filmsBefore } = films;
  const withLargest = (largest: number) => ({
    ...rest,
    version: 6,
    films: filmsBefore,
    recipe: {
      ...rest.recipe,
      plates: rest.recipe.plates.map((plate) => ({ ...plate, screen: { ...plate.screen, largest } })),
    },
  });
  it('says once that blacks are solid now where they were not', () => {
    expect(readDocument(withLargest(97)).notices).toEqual(['solids']);
    expect(readDocument(withLargest(100)).notices).toEqual([]);
    expect(readDocument(withLargest(97)).films.outlines).toBe('pure');
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
  it('a crop changed keeps a full sheet full, and anything else at its scale and place', () => {
    const sheet = { width: 210, height: 297 };
    const full = newOriginal('o', 'ink-1', sheet, picture);
    const crop = { x: 0.2, y: 0.1, width: 0.4, height: 0.3, turn: 0 };
    const refilled = recrop(full, sheet, picture, crop);
    expect(refilled.placement.width).toBeCloseTo(210, 9);
    const small = addedOriginal('o', 'ink-1', sheet, picture);
    const perPixel = small.placement.width / 3000;
    const cut = recrop(small, sheet, picture, crop);
    expect(cut.placement.width).toBeCloseTo(0.4 * 3000 * perPixel, 9);
    // The crop's left top was 20 % across and 10 % down the picture, and still lies there.
    expect(cut.placement.x).toBeCloseTo(small.placement.x + 0.2 * 3000 * perPixel, 9);
    expect(cut.placement.y).toBeCloseTo(small.placement.y + 0.1 * 4000 * perPixel, 9);
  });
  it('another sheet is filled again by what filled the first, and the rest keeps its share', () => {
    const before = good.recipe.sheet;
    const after = { width: 148, height: 105 };
    const originals = [
      good.recipe.originals[0],
      newGradient('g', 'ink-1', before),
      addedOriginal('o', 'ink-1', before, picture),
    ];
    const [photo, gradient, small] = refit(originals, before, after, new Map([[picture.sha256, picture]]));
    expect(photo.placement).toMatchObject({ x: 0, width: 148 });
    expect(gradient.content).toMatchObject({ ratio: 105 / 148 });
    expect(small.placement.width).toBe(originals[2].placement.width);
    expect(small.placement.x + small.placement.width / 2).toBeCloseTo(74, 9);
  });
  it('names sheets either way up', () => {
    expect(sheetName(297, 420)).toBe('A3');
    expect(sheetName(420, 297)).toBe('A3');
    expect(sheetName(400, 400)).toBeUndefined();
  });
});
