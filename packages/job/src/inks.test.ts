import {
  labToHex,
  predict,
  inkModel,
  difference2000,
  latticeOf,
  routeInks,
  type Ink,
  type Lab,
  type Recipe,
} from '@brachytone/core';
import {
  anglesApart,
  angleSets,
  byDarkness,
  freeAngle,
  inkForJob,
  isUsed,
  moirePeriod,
  newJob,
  newRoute,
  onWhite,
  PRINTING_CONDITIONS,
  processInks,
  readDocument,
  SHIPPED_INKS,
  SHIPPED_STOCKS,
  shelfInkSchema,
  startCurves,
  stockSchema,
  TONE_STARTS,
  withCondition,
  withHighlights,
  withInks,
  withoutInk,
  withRoute,
  type JobDocument,
} from './index.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'marsh.jpg', width: 3000, height: 2000 });
const { recipe } = job;
const [{ id: original }] = recipe.originals;

const ink = (id: string, lab: Lab): Ink => ({ id, name: id, lab, opacity: 0, fountain: null });
const readable = (next: JobDocument['recipe']) => readDocument(structuredClone({ ...job, recipe: next }));

describe('angles', () => {
  it('are 30° apart for the strong inks, the weakest between them', () => {
    // C 15°, M 75°, Y 0°, K 45° is one usual set (common practice, no source).
    const [{ angles }] = angleSets([
      [55, -37, -50],
      [48, 74, -3],
      [89, -5, 93],
      [16, 0, 0],
    ]);
    expect(angles).toEqual([15, 75, 0, 45]);
    for (const count of [2, 3]) {
      const [set] = angleSets(Array.from({ length: count }, (_, i) => [20 + 20 * i, 0, 0] as const));
      for (let i = 0; i < count; i++) {
        for (let j = 0; j < i; j++) expect(anglesApart(set.angles[i], set.angles[j])).toBe(30);
      }
    }
  });
  it('no two of six plates share one', () => {
    const [{ angles }] = angleSets(Array.from({ length: 6 }, (_, i) => [10 + 10 * i, 0, 0] as const));
    expect(new Set(angles).size).toBe(6);
  });
  it('of the same family turned keep their distances', () => {
    const labs = [16, 48, 55, 89].map((l): Lab => [l, 0, 0]);
    const [first, ...turned] = angleSets(labs);
    for (const { angles } of turned.slice(0, 2)) {
      angles.forEach((angle, i) =>
        expect(anglesApart(angle, angles[0])).toBeCloseTo(anglesApart(first.angles[i], first.angles[0]), 9),
      );
    }
  });
  it('beat at the period that geometry gives', () => {
    // 1 ÷ (2 f sin(δ/2)): two screens of 50 lpi 30° apart beat every 0.98 mm, 1° apart every 29.1 mm.
    expect(moirePeriod(50, 30)).toBeCloseTo(0.981, 3);
    expect(moirePeriod(50, 1)).toBeCloseTo(29.11, 2);
    expect(moirePeriod(50, 0)).toBe(Infinity);
    expect(anglesApart(5, 85)).toBe(10);
    expect(anglesApart(15, 105)).toBe(0);
  });
});

describe('printing conditions', () => {
  it.each(PRINTING_CONDITIONS)(
    '$name: its solids and overprints come out as they were measured',
    (condition) => {
      const { inks, overprints } = processInks(condition);
      const model = inkModel(condition.stock, inks, overprints);
      const solid = (...ids: string[]) =>
        predict(
          model,
          inks.map(({ id }) => (ids.includes(id) ? 1 : 0)),
        );
      const near = (made: Lab, wanted: Lab) => expect(difference2000(made, wanted)).toBeLessThan(0.3);
      near(solid(), condition.stock.lab);
      near(solid('cyan'), condition.cyan);
      near(solid('magenta'), condition.magenta);
      near(solid('yellow'), condition.yellow);
      near(solid('black'), condition.black);
      near(solid('magenta', 'yellow'), condition.red);
      near(solid('cyan', 'yellow'), condition.green);
      near(solid('cyan', 'magenta'), condition.blue);
    },
  );
  it('a colour on its paper is lighter on white', () => {
    expect(onWhite([82, 0, 3], [82, 0, 3])).toEqual([100, 0, 0]);
    expect(onWhite([50, 20, 10], [82, 0, 3])[0]).toBeGreaterThan(50);
  });
});

describe('the shelf', () => {
  it('ships inks and stocks that a job can take', () => {
    for (const one of SHIPPED_INKS) expect(shelfInkSchema.validate(one).error).toBeUndefined();
    for (const one of SHIPPED_STOCKS) expect(stockSchema.validate(one).error).toBeUndefined();
    expect(new Set(SHIPPED_INKS.map(({ name }) => name)).size).toBe(SHIPPED_INKS.length);
    expect(new Set(SHIPPED_INKS.map(({ lab }) => labToHex(lab))).size).toBe(SHIPPED_INKS.length);
  });
  it('starts curves for two to four inks, the darkest first', () => {
    for (const { curves } of TONE_STARTS) {
      for (const curve of curves) {
        curve.forEach((point, i) => i > 0 && expect(point.in).toBeGreaterThan(curve[i - 1].in));
      }
      expect(curves[0].at(-1)).toEqual({ in: 100, out: 100 });
    }
    expect([2, 3, 4].map((count) => startCurves(count).length)).toEqual([2, 3, 4]);
    expect(byDarkness([ink('light', [90, 0, 0]), ink('dark', [10, 0, 0])])).toEqual(['dark', 'light']);
  });
});

describe('changing a route', () => {
  it('to process brings four inks, their plates 30° apart and their paper; what is no longer used goes', () => {
    const [condition] = PRINTING_CONDITIONS;
    const next = withCondition(recipe, original, condition);
    expect(next.inks.map(({ id }) => id)).toEqual(['black', 'cyan', 'magenta', 'yellow']);
    expect(next.plates.map(({ ink: one }) => one)).toEqual(['black', 'cyan', 'magenta', 'yellow']);
    expect(next.plates.map(({ screen }) => latticeOf(screen)!.angle)).toEqual([45, 15, 75, 0]);
    expect(next.stock).toEqual(condition.stock);
    expect(next.originals[0].route).toMatchObject({ kind: 'process', limit: condition.limit });
    readable(next);
    // Another condition changes the inks, and keeps the plates.
    const other = withCondition(next, original, PRINTING_CONDITIONS[2]);
    expect(other.plates).toEqual(next.plates);
    expect(other.overprints).toHaveLength(3);
    expect(other.inks[1].lab).not.toEqual(next.inks[1].lab);
    readable(other);
  });
  it.each(['tones', 'spot', 'bands', 'channels', 'ink'] as const)(
    'to %s gives a job that can be read',
    (kind) => {
      const next = withRoute(recipe, original, newRoute(kind, recipe, original));
      readable(next);
      expect(next.originals[0].route.kind).toBe(kind);
      for (const id of routeInks(next.originals[0].route)) {
        expect(next.inks.filter((one) => one.id === id)).toHaveLength(1);
        expect(next.plates.filter((one) => one.ink === id)).toHaveLength(1);
      }
      // And back again, to the one ink.
      const back = withRoute(next, original, newRoute('ink', next, original));
      expect(back.inks).toHaveLength(1);
      readable(back);
    },
  );
  it('leaves what somebody set: angles of plates that are there, and the stock', () => {
    const newsprint = SHIPPED_STOCKS.find(({ name }) => name === 'Newsprint')!;
    const turned = {
      ...recipe,
      stock: newsprint,
      plates: recipe.plates.map((plate) => ({
        ...plate,
        screen: { ...plate.screen, settings: { ...plate.screen.settings, angle: 0 } },
      })),
    };
    const angles = ({ plates }: Recipe) => plates.map(({ screen }) => latticeOf(screen)!.angle);
    const two = withInks(turned, [inkForJob(turned, SHIPPED_INKS[2])]);
    expect(angles(two)).toEqual([0, 45]);
    const three = withInks(two, [inkForJob(two, SHIPPED_INKS[3])]);
    expect(angles(three).slice(0, 2)).toEqual([0, 45]);
    expect(Math.min(anglesApart(angles(three)[2], 0), anglesApart(angles(three)[2], 45))).toBe(15);
    const process = withRoute(turned, original, newRoute('process', turned, original));
    expect(process.stock).toEqual(newsprint);
    // Measured on another stock, they say nothing of this one.
    expect(process.overprints).toEqual([]);
    const tones = withRoute(two, original, newRoute('tones', two, original));
    expect(angles(tones).slice(0, 2)).toEqual([0, 45]);
    // A stock that nobody chose is the condition’s.
    expect(withRoute(recipe, original, newRoute('process', recipe, original)).stock).toEqual(
      PRINTING_CONDITIONS[0].stock,
    );
  });
  it('a further plate stands as far from the others as can be', () => {
    const angles: number[] = [];
    for (let i = 0; i < 6; i++) angles.push(freeAngle(angles));
    expect(angles).toEqual([45, 75, 15, 0, 60, 30]);
  });
  it('keeps inks that another original is printed in', () => {
    const two = {
      ...recipe,
      originals: [...recipe.originals, { ...recipe.originals[0], id: 'original-2' }],
    };
    const next = withCondition(two, original, PRINTING_CONDITIONS[0]);
    expect(next.inks.map(({ id }) => id)).toContain('ink-1');
    expect(isUsed(next, 'ink-1')).toBe(true);
    readable(next);
  });
  it('dark stock gets light inks for its channels', () => {
    const dark = { ...recipe, stock: { ...recipe.stock, lab: [17, 0, 0] as Lab } };
    expect(newRoute('channels', dark, original).route).toMatchObject({ ink: 'light' });
    expect(newRoute('channels', recipe, original).route).toMatchObject({ ink: 'dark' });
  });
  it('refuses a ninth ink with a sentence', () => {
    const many = withInks(
      recipe,
      Array.from({ length: 7 }, (_, i) => ink(`more-${i}`, [10 * i, 0, 0])),
    );
    expect(many.inks).toHaveLength(8);
    const two = { ...many, originals: [...many.originals, { ...many.originals[0], id: 'original-2' }] };
    expect(() => withCondition(two, original, PRINTING_CONDITIONS[0])).toThrow('up to 8 inks');
  });
  it('takes an ink away only when nothing is printed in it, and never the last', () => {
    expect(withoutInk(recipe, 'ink-1')).toBe(recipe);
    const more = withInks(recipe, [inkForJob(recipe, SHIPPED_INKS[2])]);
    expect(more.inks.map(({ id }) => id)).toEqual(['ink-1', 'ink-2']);
    expect(more.plates.map(({ id }) => id)).toEqual(['plate-1', 'plate-2']);
    expect(withoutInk(more, 'ink-2').plates).toHaveLength(1);
    expect(withoutInk(more, 'ink-1')).toBe(more);
  });
});

it('version 4 is brought up to date: colours as Lab, an ink each, plates that nothing is done to', () => {
  const { route: _, overprint: _over, ...rest } = recipe.originals[0];
  const fourth = {
    ...job,
    version: 4,
    recipe: {
      sheet: recipe.sheet,
      stock: { name: 'Shell', colour: '#f4ede0' },
      originals: [
        { ...rest, ink: 'ink-1' },
        {
          ...rest,
          id: 'original-2',
          ink: 'ink-1',
          content: { ...rest.content, line: { threshold: 50, smooth: 0 } },
        },
      ],
      inks: [{ id: 'ink-1', name: 'Tide', colour: '#15484f', opacity: 0.05 }],
      plates: [{ id: 'plate-1', ink: 'ink-1', screen: recipe.plates[0].screen }],
    },
  };
  const next = readDocument(structuredClone(fourth)).recipe;
  expect(labToHex(next.stock.lab)).toBe('#f4ede0');
  expect(labToHex(next.inks[0].lab)).toBe('#15484f');
  expect(next.inks[0]).toMatchObject({ opacity: 0.05, fountain: null });
  expect(next.originals.map(({ route }) => route)).toEqual([
    { kind: 'ink', ink: 'ink-1' },
    { kind: 'ink', ink: 'ink-1' },
  ]);
  expect(next.originals.map(({ overprint }) => overprint)).toEqual([false, true]);
  expect(next.plates[0]).toEqual({ ...recipe.plates[0] });
});

describe('highlights of a base', () => {
  it('get a white of their own, printed last, and go back with it', () => {
    const based = {
      ...recipe,
      plates: recipe.plates.map((plate) => ({ ...plate, base: { fullness: 50, highlights: null } })),
    };
    const parted = withHighlights(based, 'ink-1', true);
    expect(parted.inks.map(({ name }) => name)).toEqual(['Black', 'Black, highlights']);
    expect(parted.plates[0].base).toEqual({ fullness: 50, highlights: 'ink-2' });
    expect(parted.plates.at(-1)!.ink).toBe('ink-2');
    readable(parted);
    const back = withHighlights(parted, 'ink-1', false);
    expect(back.inks).toHaveLength(1);
    expect(back.plates[0].base).toEqual({ fullness: 50, highlights: null });
    expect(withHighlights(recipe, 'ink-1', true)).toBe(recipe);
  });
});
