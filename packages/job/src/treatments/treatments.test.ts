import { latticeOf, screenKind, stepKind, type OriginalRecipe, type Picture } from '@brachytone/core';
import { emptyJob, newGradient, newJob, newOriginal } from '../defaults.ts';
import type { JobDocument } from '../document.ts';
import { UnreadableDocument } from '../migrate.ts';
import { jobSchema } from '../schema.ts';
import { treatmentOf } from './keep-treatment.ts';
import { layTreatment, type LaidWith } from './lay-treatment.ts';
import { SHIPPED_TREATMENTS } from './shipped/index.ts';
import { bySuit, lookOf } from './suits.ts';
import { readTreatment, standIn } from './treatment.ts';
import { treatedJob } from './treated-job.ts';

const facts = (letter: string, width = 1500, height = 1000) => ({
  sha256: letter.repeat(64),
  name: `${letter}.jpg`,
  width,
  height,
});
const wide = facts('a');
const ends = { bare: 7, solid: 93 };
const withPictures = (...list: ReturnType<typeof facts>[]): LaidWith => ({
  pictures: new Map(list.map(({ sha256, width, height }) => [sha256, { width, height, ends }])),
  typefaces: new Map(),
});
const shipped = (id: string) => SHIPPED_TREATMENTS.find((one) => one.id === id)!;
const sound = (document: JobDocument) => jobSchema.validate(document, { convert: false }).error?.message;
const stepsOf = ({ recipe }: JobDocument, at = 0) => recipe.originals[at].tone.steps;

describe('treatments that ship', () => {
  it('are two dozen or more, each under an id of its own, and are read as files are', () => {
    expect(SHIPPED_TREATMENTS.length).toBeGreaterThanOrEqual(24);
    expect(new Set(SHIPPED_TREATMENTS.map(({ id }) => id)).size).toBe(SHIPPED_TREATMENTS.length);
    for (const { id: _id, suits: _suits, ...treatment } of SHIPPED_TREATMENTS)
      expect(readTreatment(JSON.parse(JSON.stringify(treatment)))).toEqual(treatment);
  });

  it.each(SHIPPED_TREATMENTS.map((one) => [one.id, one] as const))('%s makes a sound job', (_, treatment) => {
    for (const picture of [wide, facts('b', 300, 4000)]) {
      const { document, says } = treatedJob(treatment, picture, withPictures(picture));
      expect(sound(document)).toBeUndefined();
      expect(says).toEqual([]);
      // The sheet takes the picture's shape, and none of it is cut off.
      const { sheet, originals } = document.recipe;
      expect(sheet.width / sheet.height).toBeCloseTo(picture.width / picture.height, 1);
      const own = originals.filter(({ content }) => content.kind === 'picture');
      // But for the tenth of a millimetre that its sides are rounded to.
      for (const { content } of own)
        if (content.kind === 'picture')
          expect(Math.min(content.crop.width, content.crop.height)).toBeGreaterThan(0.99);
    }
  });

  it('have as many dots across a large sheet as across a small one, where they grow with it', () => {
    const cells = (longest: number) => {
      const { document } = treatedJob(shipped('bold-black-poster'), wide, withPictures(wide), { longest });
      const { sheet, plates } = document.recipe;
      return (sheet.width / 25.4) * latticeOf(plates[0].screen)!.ruling;
    };
    expect(cells(1000)).toBeCloseTo(cells(100), 0);
    const { document } = treatedJob(shipped('newspaper'), wide, withPictures(wide), { longest: 1000 });
    expect(latticeOf(document.recipe.plates[0].screen)!.ruling).toBe(65);
  });

  it('look the same in print on a picture of twice the pixels: radii are twice as many', () => {
    const sharpen = (picture: ReturnType<typeof facts>) =>
      stepsOf(
        treatedJob(shipped('newspaper'), picture, withPictures(picture), { longest: 300 }).document,
      ).find(({ kind }) => kind === 'sharpen')!.settings.radius as number;
    expect(sharpen(facts('c', 6000, 4000)) / sharpen(facts('d', 3000, 2000))).toBeCloseTo(2, 2);
  });

  it('begin with levels by the picture’s own tones', () => {
    const { document } = treatedJob(shipped('newspaper'), wide, withPictures(wide));
    expect(stepsOf(document)[0]).toMatchObject({ kind: 'levels', settings: ends });
  });
});

/** Two pictures, lettering would need a typeface; a gradient under them. */
function twoPictures(): JobDocument {
  const sheet = { width: 297, height: 210 };
  const job = emptyJob('Two', sheet);
  const brush = {
    id: 'hand',
    kind: 'brush',
    on: true,
    settings: { strokes: [{ points: [0, 0, 50], radius: 0.1, strength: 40, softness: 50 }] },
  };
  const second = newOriginal('original-3', 'ink-1', sheet, facts('b'));
  return {
    ...job,
    recipe: {
      ...job.recipe,
      originals: [
        newGradient('original-1', 'ink-1', sheet),
        newOriginal('original-2', 'ink-1', sheet, wide),
        { ...second, tone: { ...second.tone, steps: [brush] } },
      ],
    },
  };
}

describe('a treatment laid on a job', () => {
  const lay = (job: JobDocument, id: string) =>
    layTreatment(job, shipped(id), withPictures(wide, facts('b')));

  it('leaves sheet, places, crops, films, marks and what was painted by hand', () => {
    const before = twoPictures();
    const { document } = lay(before, 'two-inks');
    expect(sound(document)).toBeUndefined();
    const strip = ({ id, content, placement, name, shown, locked }: OriginalRecipe) => ({
      id,
      content,
      placement,
      name,
      shown,
      locked,
    });
    expect(document.recipe.originals.map(strip)).toEqual(before.recipe.originals.map(strip));
    expect(document.recipe.sheet).toEqual(before.recipe.sheet);
    expect(document.recipe.marks).toEqual(before.recipe.marks);
    expect({ name: document.name, films: document.films }).toEqual({
      name: before.name,
      films: before.films,
    });
    expect(stepsOf(document, 2).at(-1)).toMatchObject({ kind: 'brush' });
  });

  it('has every picture treated, and says where what it has no word on goes', () => {
    const { document, says } = lay(twoPictures(), 'two-inks');
    expect(document.recipe.originals.map(({ route }) => route.kind)).toEqual(['ink', 'tones', 'tones']);
    expect(says).toEqual(['“Gradient” is printed in Night blue: the treatment says nothing of it.']);
    expect(document.recipe.stock).toEqual(shipped('two-inks').job.recipe.stock);
  });

  it('brings layers along, which go with the next one', () => {
    const [plain] = [newJob(wide)];
    const pulp = lay(plain, 'pulp-cover').document;
    expect(pulp.recipe.originals.map(({ content }) => content.kind)).toEqual(['tint', 'picture']);
    const under = lay(pulp, 'picture-under-dots').document;
    expect(under.recipe.originals.map(({ route }) => route.kind)).toEqual(['stock', 'ink']);
    const bold = lay(under, 'bold-black-poster').document;
    expect(bold.recipe.originals).toHaveLength(1);
    expect(bold.recipe.originals[0].route).toEqual({ kind: 'ink', ink: 'ink-1' });
    for (const one of [pulp, under, bold]) expect(sound(one)).toBeUndefined();
  });

  it('keeps the job’s press where it has none', () => {
    const job = newJob(wide);
    const press = { id: 'own', press: { name: 'Own' }, compensates: true } as never;
    const pressed = { ...job, recipe: { ...job.recipe, press } };
    expect(lay(pressed, 'two-inks').document.recipe.press).toBe(press);
  });
});

describe('a job’s look, kept', () => {
  const kept = { name: 'Ours', says: '', sizes: 'kept', ownLevels: false } as const;

  it('names none of its files, and lays the same look on another picture', () => {
    const { document } = treatedJob(shipped('one-strong-colour'), wide, withPictures(wide));
    const treatment = treatmentOf(document, kept, withPictures(wide).pictures);
    expect(JSON.stringify(treatment)).not.toContain(wide.sha256);
    expect(treatment.job.recipe.originals[0].content).toMatchObject({ picture: standIn(0) });
    expect(readTreatment(JSON.parse(JSON.stringify(treatment)))).toEqual(treatment);
    const other = facts('e', 3000, 2000);
    const again = treatedJob(treatment, other, withPictures(other), { page: document.recipe.sheet }).document;
    const { plates, inks, stock } = document.recipe;
    expect(again.recipe).toMatchObject({ plates, inks, stock });
    // Twice the pixels on the same sheet: radii that are the same in mm.
    const radius = (one: JobDocument) =>
      stepsOf(one).find(({ kind }) => kind === 'blur')!.settings.radius as number;
    expect(radius(again) / radius(document)).toBeCloseTo(2, 2);
  });

  it('sets levels once: those by a picture’s tones are made anew for the next', () => {
    const { document } = treatedJob(shipped('newspaper'), wide, withPictures(wide));
    const treatment = treatmentOf(document, { ...kept, ownLevels: true }, withPictures(wide).pictures);
    const { document: again } = treatedJob(treatment, wide, withPictures(wide));
    expect(stepsOf(again).filter(({ kind }) => kind === 'levels')).toHaveLength(1);
  });

  it('takes no seams along, which are of its own sheet', () => {
    const { document } = treatedJob(shipped('stars'), wide, withPictures(wide));
    const cut = { ...document, films: { ...document.films, panels: {} as never } };
    const treatment = treatmentOf(cut, kept, withPictures(wide).pictures);
    expect(treatedJob(treatment, wide, withPictures(wide)).document.films.panels).toBeNull();
  });

  it('is refused where it is another program’s, newer, or not sound, in a sentence', () => {
    const { id: _id, suits: _suits, ...treatment } = shipped('stars');
    const broken = { ...treatment, job: { ...treatment.job, recipe: 5 } };
    for (const [value, words] of [
      [{}, /not a treatment/],
      [null, /not a treatment/],
      [{ ...treatment, treatment: 99 }, /newer Brachytone/],
      [{ ...treatment, sizes: 'huge' }, /sizes/],
      [broken, /not right/],
    ] as const) {
      expect(() => readTreatment(value)).toThrow(UnreadableDocument);
      expect(() => readTreatment(value)).toThrow(words);
    }
  });
});

/** A picture whose pixels a function gives. */
function pictureOf(
  colour: (x: number, y: number) => readonly number[],
  channels: Picture['channels'] = 3,
): Picture {
  const [width, height] = [60, 40];
  const data = new Uint8Array(width * height * channels);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data.set(colour(x, y), (y * width + x) * channels);
  return { width, height, channels, data };
}

describe('what a picture is like', () => {
  const grey = (x: number, y: number) => [x * 4, x * 4, x * 4 + (y % 3)];
  it.each([
    ['grey', pictureOf(grey), 'grey'],
    ['a yellowed print', pictureOf((x) => [60 + 3 * x, 45 + 3 * x, 20 + 2 * x]), 'grey'],
    ['many hues', pictureOf((x, y) => [4 * x, 6 * y, 255 - 4 * x]), 'colour'],
    ['black on white', pictureOf((x) => (x % 9 < 4 ? [0, 0, 0] : [255, 255, 255])), 'line'],
    ['black on nothing', pictureOf((x) => (x % 9 < 4 ? [0, 255] : [120, 0]), 2), 'line'],
  ] as const)('%s', (_, picture, kind) => {
    expect(lookOf(picture, 4000)).toEqual({ kind, isSmall: false });
    expect(lookOf(picture, 500).isSmall).toBe(true);
  });

  it('decides what is offered first: what suits it, line art’s own before all, fine rulings last on a small one', () => {
    const first = (kind: 'colour' | 'grey' | 'line', isSmall = false) =>
      bySuit(SHIPPED_TREATMENTS, { kind, isSmall }).slice(0, 12);
    expect(
      first('line')
        .slice(0, 2)
        .map(({ id }) => id),
    ).toEqual(['clean-line-art', 'soft-shadow']);
    for (const kind of ['colour', 'grey', 'line'] as const)
      for (const one of first(kind).slice(0, 8)) expect(one.suits).toContain(kind);
    expect(first('colour').map(({ id }) => id)).toContain('process-coarse');
    expect(first('grey').map(({ id }) => id)).not.toContain('process-coarse');
    const ranked = bySuit(SHIPPED_TREATMENTS, { kind: 'grey', isSmall: true }).map(({ id }) => id);
    expect(ranked.indexOf('newspaper')).toBeGreaterThan(ranked.indexOf('crosses'));
  });

  it('every setting of what ships is one that its kind knows', () => {
    for (const { job } of SHIPPED_TREATMENTS) {
      for (const { screen } of job.recipe.plates)
        expect(Object.keys(screenKind(screen.kind).fields)).toEqual(
          expect.arrayContaining(Object.keys(screen.settings)),
        );
      for (const { tone } of job.recipe.originals)
        for (const { kind, settings } of tone.steps)
          expect(Object.keys(stepKind(kind).fields)).toEqual(expect.arrayContaining(Object.keys(settings)));
    }
  });
});
