import type { OriginalRecipe } from '@brachytone/core';
import { newJob } from '../defaults.ts';
import { jobSchema } from '../schema.ts';
import { SHIPPED_TREATMENTS } from '../treatments/shipped/index.ts';
import { treatedJob } from '../treatments/treated-job.ts';
import type { TreatedPicture } from '../treatments/treatment.ts';
import { filledIn, memberDocument } from './member-document.ts';
import { readSeriesTable } from './series-table.ts';
import { seriesFilms } from './series-films.ts';
import { NEW_SERIES, seriesSchema, type Series, type SeriesMember } from './series.ts';

const own = { sha256: 'a'.repeat(64), name: 'moon.jpg', width: 1000, height: 1000 };
const other = { width: 2000, height: 500, ends: { bare: 12, solid: 80 } };
const materials = {
  pictures: new Map<string, TreatedPicture>([
    [own.sha256, own],
    ['b'.repeat(64), other],
  ]),
  typefaces: new Map(),
};
const member: SeriesMember = {
  id: 'm1',
  picture: { sha256: 'b'.repeat(64), name: 'reeds at low tide.tif' },
  fields: {},
  crop: null,
  levels: null,
};
const seriesOf = (rest: Partial<Series> = {}, one: Partial<SeriesMember> = {}): Series => ({
  ...NEW_SERIES,
  members: [{ ...member, ...one }],
  ...rest,
});
const job = newJob(own);
const first = (series: Series) => memberDocument(job, series, 0, materials).recipe.originals[0];
const cropOf = ({ content }: OriginalRecipe) => (content.kind === 'picture' ? content.crop : undefined);

describe('a member of a series', () => {
  it('fills the place of the job’s picture with its own, cropped in its middle', () => {
    const { recipe } = memberDocument(job, seriesOf(), 0, materials);
    const [original] = recipe.originals;
    expect(cropOf(original)).toEqual({ x: 0.375, y: 0, width: 0.25, height: 1, turn: 0 });
    expect(original.placement).toEqual(job.recipe.originals[0].placement);
    expect(recipe.sheet).toEqual(job.recipe.sheet);
  });

  it('or lies whole in the middle of that place', () => {
    const before = job.recipe.originals[0].placement;
    const original = first(seriesOf({ fit: 'whole' }));
    expect(cropOf(original)).toMatchObject({ width: 1, height: 1 });
    expect(original.placement).toMatchObject({ x: before.x, width: before.width });
    expect(original.placement.y).toBeCloseTo(before.y + before.width * 0.375, 6);
  });

  it('has its own crop and levels, or levels by its tones', () => {
    const crop = { x: 0, y: 0, width: 0.2, height: 0.8, turn: 0 };
    expect(cropOf(first(seriesOf({}, { crop })))).toEqual(crop);
    const levels = { bare: 5, solid: 90, mid: 1.4 };
    const steps = (series: Series) => first(series).tone.steps;
    expect(steps(seriesOf({}, { levels }))[0]).toMatchObject({ kind: 'levels', settings: levels });
    expect(steps(seriesOf({ ownLevels: true }))[0]).toMatchObject({ settings: other.ends });
    expect(steps(seriesOf())).toEqual([]);
  });

  it('with levels by its tones has those in place of the ones that its job’s treatment set by the job’s picture', () => {
    const [treatment] = SHIPPED_TREATMENTS;
    const seen = new Map(materials.pictures).set(own.sha256, { ...own, ends: { bare: 3, solid: 96 } });
    const { document } = treatedJob(treatment, own, { ...materials, pictures: seen });
    const levels = (series: Series) =>
      memberDocument(document, series, 0, materials)
        .recipe.originals[0].tone.steps.filter(({ kind }) => kind === 'levels')
        .map(({ settings }) => [settings.bare, settings.solid]);
    expect(levels(seriesOf())).toEqual([[3, 96]]);
    expect(levels(seriesOf({ ownLevels: true }))).toEqual([[12, 80]]);
    expect(levels(seriesOf({ ownLevels: true }, { levels: { bare: 5, solid: 90, mid: 1 } }))).toEqual([
      [5, 90],
    ]);
  });

  it('looks alike whatever its pixels: radii are as many mm', () => {
    const bold = SHIPPED_TREATMENTS.find(({ id }) => id === 'newspaper')!;
    const { document } = treatedJob(bold, own, materials);
    const radius = (one: typeof document) =>
      one.recipe.originals[0].tone.steps.find(({ kind }) => kind === 'sharpen')!.settings.radius as number;
    const whole = seriesOf({ fit: 'whole' });
    // Twice the pixels across the same width.
    expect(radius(memberDocument(document, whole, 0, materials)) / radius(document)).toBeCloseTo(2, 2);
  });

  it('changes every layer that shows the job’s picture, and is a sound job', () => {
    const pulp = SHIPPED_TREATMENTS.find(({ id }) => id === 'picture-under-dots')!;
    const { document } = treatedJob(pulp, own, materials);
    const made = memberDocument(document, seriesOf(), 0, materials);
    for (const { content } of made.recipe.originals)
      expect(content).toMatchObject({ picture: 'b'.repeat(64) });
    expect(jobSchema.validate(made, { convert: false }).error).toBeUndefined();
  });

  it('without a picture of its own keeps the job’s', () => {
    expect(memberDocument(job, seriesOf({}, { picture: null }), 0, materials).recipe).toEqual(job.recipe);
  });

  it('fills in what columns are called, and leaves what none is', () => {
    expect(filledIn('No {no}: { Guest } {other}', { no: '07', Guest: 'Ines' })).toBe('No 07: Ines {other}');
  });
});

describe('films of a series', () => {
  it('are named by its pattern, no two alike, and count with as many digits as the last', () => {
    const members = Array.from({ length: 12 }, (_, i) => ({ ...member, id: `m${i}` }));
    const names = (pattern: string) =>
      seriesFilms(job, { ...NEW_SERIES, pattern, members }).map(({ file }) => file);
    expect(names('{series}-{no}-{ink}')[8]).toBe('moon-09-black.tif');
    expect(names('{name}').slice(0, 2)).toEqual(['reeds-at-low-tide.tif', 'reeds-at-low-tide-2.tif']);
    expect(new Set(names('same')).size).toBe(12);
    // Nothing that a file may be called.
    expect(names('…')[0]).toBe('01-black.tif');
  });
});

describe('a table', () => {
  it('is read as commas, semicolons or tabs part it, with a byte order mark or without', () => {
    const row = { picture: 'moon.jpg', fields: { No: '7', Guest: 'Ines, Marsh' } };
    expect(readSeriesTable('\uFEFFNo,Picture,Guest\r\n7,moon.jpg,"Ines, Marsh"\r\n')).toEqual([row]);
    expect(readSeriesTable('No;file;Guest\n7;moon.jpg;Ines, Marsh\n\n')).toEqual([row]);
    expect(readSeriesTable('No\timage\tGuest\n7\tmoon.jpg\tInes, Marsh')).toEqual([row]);
    expect(readSeriesTable('No\n1\n2')).toEqual([
      { picture: undefined, fields: { No: '1' } },
      { picture: undefined, fields: { No: '2' } },
    ]);
  });

  it.each([
    ['', /row of column names/],
    ['No,Guest', /row for each member/],
    ['No,Guest\n1,"open', /cannot be read/],
    ['No\n1,2,3', /cannot be read/],
    [`No\n${'1\n'.repeat(501)}`, /up to 500/],
  ])('is refused with a sentence: %j', (text, words) => {
    expect(() => readSeriesTable(text)).toThrow(words);
  });

  it('gives rows that a series takes', () => {
    const members = readSeriesTable('No,Guest\n1,A\n2,B').map(({ fields }, i) => ({
      ...member,
      id: `m${i}`,
      picture: null,
      fields,
    }));
    expect(seriesSchema.validate({ ...NEW_SERIES, members }, { convert: false }).error).toBeUndefined();
  });
});
