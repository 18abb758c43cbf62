import type { JobDocument, JobView } from '@brachytone/job';
import { doStep, stepOf, undoStep, type Draft } from './history.ts';
import type { JobState } from './job-slice.ts';
import { rebase, settled, type Rebased } from './rebase.ts';
import { testJob } from './testing.ts';

type Change = (draft: Draft<JobDocument>) => void;
const ruling =
  (value: number): Change =>
  (draft) => {
    const [{ screen }] = draft.recipe.plates;
    (screen as unknown as { ruling: number }).ruling = value;
  };
const name =
  (value: string): Change =>
  (draft) =>
    void (draft.name = value);
const width =
  (value: number): Change =>
  (draft) =>
    void (draft.recipe.sheet.width = value);

/** A version that grew from the test's job by some steps, of which some are undone. */
function grown(changes: readonly (readonly [string, Change])[], undone = 0) {
  let { document } = testJob;
  const steps = changes.map(([label, change]) => {
    const step = stepOf(document, label, change)!;
    document = doStep(document, step);
    return step;
  });
  const position = steps.length - undone;
  return { document: steps.slice(position).reduceRight(undoStep, document), steps, position };
}
const elsewhere = (changes: readonly (readonly [string, Change])[]): JobView => ({
  ...testJob,
  ...grown(changes),
  revision: 9,
});
const here = (changes: readonly (readonly [string, Change])[], undone = 0) => ({
  base: { document: testJob.document, position: 0 },
  unsavedFrom: 0,
  clashes: [],
  ...grown(changes, undone),
});

/** Every step of a history undone, from its end. */
const atFirst = ({ document, steps, position }: Rebased): JobDocument =>
  steps.slice(0, position).reduceRight(undoStep, document);

test('steps to other parts follow theirs, each by itself, and all undo to where it began', () => {
  const theirs = elsewhere([
    ['Ruling', ruling(20)],
    ['Width', width(90)],
  ]);
  const both = rebase(
    here([
      ['Name', name('one')],
      ['Name', name('two')],
    ]),
    0,
    theirs,
  ) as Rebased;
  expect(both.steps.map(({ label }) => label)).toEqual(['Ruling', 'Width', 'Name', 'Name']);
  expect(both.document.name).toBe('two');
  expect(both.document.recipe).toEqual(theirs.document.recipe);
  expect(undoStep(both.document, both.steps[3]).name).toBe('one');
  expect(atFirst(both)).toEqual(testJob.document);
});

test('what was undone here can be redone after theirs', () => {
  const both = rebase(
    here(
      [
        ['Name', name('one')],
        ['Width', width(70)],
      ],
      1,
    ),
    0,
    elsewhere([['Ruling', ruling(20)]]),
  ) as Rebased;
  expect([both.steps.length, both.position]).toEqual([3, 2]);
  expect(doStep(both.document, both.steps[2]).recipe.sheet.width).toBe(70);
});

test('an undo of what was saved is a step of its own', () => {
  const saved = grown([['Name', name('saved')]]);
  const job = {
    base: { document: saved.document, position: 1 },
    document: testJob.document,
    steps: saved.steps,
    position: 0,
  };
  const theirs = elsewhere([
    ['Name', name('saved')],
    ['Ruling', ruling(20)],
  ]);
  const both = rebase(job, 1, theirs) as Rebased;
  expect(both.steps.map(({ label }) => label)).toEqual(['Name', 'Ruling', 'Undo Name']);
  expect(both.document.name).toBe(testJob.document.name);
});

describe('where both changed the same', () => {
  const theirs = elsewhere([
    ['Ruling', ruling(20)],
    ['Width', width(90)],
  ]);
  const mine = here([
    ['Ruling', ruling(60)],
    ['Name', name('mine')],
  ]);
  const clashes = (rebase(mine, 0, theirs) as { clashes: JobState['clashes'] }).clashes;

  test('it is told', () => {
    expect(clashes).toHaveLength(1);
    expect(clashes[0]).toMatchObject({ mine: 60, theirs: 20 });
    expect(clashes[0].place.at(-1)).toBe('ruling');
  });

  const rulingOf = ({ recipe }: JobDocument) =>
    (recipe.plates[0].screen as unknown as { ruling: number }).ruling;
  test('either is taken, and everything else of both', () => {
    for (const [winner, value] of [
      ['mine', 60],
      ['theirs', 20],
    ] as const) {
      const both = settled({ ...mine, clashes }, theirs, winner);
      expect([rulingOf(both.document), both.document.name, both.document.recipe.sheet.width]).toEqual([
        value,
        'mine',
        90,
      ]);
      expect(atFirst(both)).toEqual(testJob.document);
    }
  });

  test('what was not taken of this window is redone in a step', () => {
    const both = settled({ ...mine, clashes }, theirs, 'theirs');
    expect(rulingOf(doStep(both.document, both.steps[both.position]))).toBe(60);
  });
});
