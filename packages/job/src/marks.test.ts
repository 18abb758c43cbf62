import { MARK_KINDS, newMark, usualMarks } from '@brachytone/core';
import { newJob } from './defaults.ts';
import { filesOf } from './document.ts';
import { readDocument } from './migrate.ts';
import { LABEL_TYPEFACE } from './typefaces.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'marsh.png', width: 300, height: 200 });
const withMarks = (marks: object) => ({ ...job, recipe: { ...job.recipe, marks } });

it('films of jobs from before there were marks have none', () => {
  const { marks: _marks, ...recipe } = job.recipe;
  expect(readDocument({ ...job, version: 8, recipe }).recipe.marks).toEqual({
    font: LABEL_TYPEFACE,
    uses: [],
  });
});

it('every kind of mark is kept with the settings it begins with', () => {
  const marks = { font: LABEL_TYPEFACE, uses: MARK_KINDS.map(newMark) };
  expect(readDocument(withMarks(marks)).recipe.marks).toEqual(marks);
});

it.each([
  ['a kind that is none', { font: LABEL_TYPEFACE, uses: [{ kind: 'stamp', settings: {} }] }],
  ['a mark twice', { font: LABEL_TYPEFACE, uses: [MARK_KINDS[0], MARK_KINDS[0]].map(newMark) }],
  [
    'crop marks a metre long',
    { font: LABEL_TYPEFACE, uses: [{ kind: 'crop', settings: { offset: 3, length: 1000, weight: 0.1 } }] },
  ],
  ['no typeface', { font: '', uses: [] }],
])('%s is refused', (_name, marks) => {
  expect(() => readDocument(withMarks(marks))).toThrow('The job document is not right');
});

it('a job uses the typeface of labels once its films have marks', () => {
  const fonts = (marks: typeof job.recipe.marks) =>
    filesOf({ ...job.recipe, marks }).flatMap(({ kind, sha256 }) => (kind === 'font' ? [sha256] : []));
  expect(fonts(job.recipe.marks)).toEqual([]);
  expect(fonts(usualMarks(LABEL_TYPEFACE))).toEqual([LABEL_TYPEFACE]);
});
