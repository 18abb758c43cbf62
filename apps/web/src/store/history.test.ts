import { newJob, type JobDocument, type JobStep } from '@brachytone/job';
import { doStep, mergeSteps, stepOf, undoStep } from './history.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'moon.png', width: 100, height: 100 });

const ruling = (document: JobDocument, value: number): JobStep =>
  stepOf(document, 'Ruling', (draft) => void (draft.recipe.plates[0].screen.settings.ruling = value))!;

describe('steps', () => {
  it('go forward and back', () => {
    const step = ruling(job, 45);
    const after = doStep(job, step);
    expect(after.recipe.plates[0].screen.settings.ruling).toBe(45);
    expect(undoStep(after, step)).toEqual(job);
  });
  it('that change nothing are none', () => {
    expect(stepOf(job, 'Nothing', () => undefined)).toBeUndefined();
    expect(ruling(doStep(job, ruling(job, 45)), 45)).toBeUndefined();
  });
  it('of one drag merge into one that stays small', () => {
    let document = job;
    let merged: JobStep | undefined;
    for (let value = 31; value < 80; value++) {
      const step = ruling(document, value);
      document = doStep(document, step);
      merged = merged ? mergeSteps(merged, step) : step;
    }
    expect(merged!.forward).toHaveLength(1);
    expect(doStep(job, merged!)).toEqual(document);
    expect(undoStep(document, merged!)).toEqual(job);
  });
  it('of different kinds merge too', () => {
    const first = stepOf(job, 'Plate', (draft) => {
      draft.recipe.plates.push({ ...draft.recipe.plates[0], id: 'plate-2' });
    })!;
    const between = doStep(job, first);
    const second = stepOf(between, 'Plate', (draft) => {
      draft.recipe.plates[1].screen.settings.angle = 70;
    })!;
    const both = mergeSteps(first, second);
    expect(doStep(job, both)).toEqual(doStep(between, second));
    expect(undoStep(doStep(job, both), both)).toEqual(job);
  });
});
