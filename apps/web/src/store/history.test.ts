import fc from 'fast-check';
import { packedPoints } from '@brachytone/core';
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

describe('steps of painting', () => {
  const stroke = (n: number, length: number) => ({
    points: packedPoints(Array.from({ length }, (_, i) => [i / 1000, n / 100, 1])),
    radius: 0.01,
    strength: 100,
    softness: 50,
  });
  /** As the brush does it: the whole list of strokes anew with every point. */
  function painted(strokes: number, points: number) {
    let document = job;
    const steps: JobStep[] = [];
    for (let n = 0; n < strokes; n++) {
      let merged: JobStep | undefined;
      for (let length = 1; length <= points; length++) {
        const { strokes: before } = document.recipe.plates[0];
        const next = length === 1 ? [...before, stroke(n, 1)] : [...before.slice(0, -1), stroke(n, length)];
        const step = stepOf(document, 'Touch-up', (draft) => {
          Object.assign(draft.recipe.plates[0], { strokes: next });
        })!;
        document = doStep(document, step);
        merged = merged ? mergeSteps(merged, step) : step;
      }
      steps.push(merged!);
    }
    return { document, steps };
  }

  it('hold the one stroke that is new: a history is not much larger than what was painted', () => {
    const { document, steps } = painted(40, 50);
    const size = (value: unknown) => JSON.stringify(value).length;
    expect(document.recipe.plates[0].strokes).toHaveLength(40);
    expect(size(steps)).toBeLessThan(2 * size(document.recipe.plates[0].strokes));
    let back = document;
    for (const step of [...steps].reverse()) back = undoStep(back, step);
    expect(back).toEqual(job);
    expect(steps.reduce(doStep, job)).toEqual(document);
  });

  it('that take a stroke out, or change one, hold it alone', () => {
    const { document } = painted(6, 30);
    const { strokes } = document.recipe.plates[0];
    for (const [next, most] of [
      [strokes.toSpliced(2, 1), 1200],
      [strokes.map((one, i) => (i === 3 ? { ...one, strength: 20 } : one)), 2200],
      [[], 9000],
    ] as const) {
      const step = stepOf(document, 'x', (draft) => {
        Object.assign(draft.recipe.plates[0], { strokes: next });
      })!;
      const after = doStep(document, step);
      expect(after.recipe.plates[0].strokes).toEqual(next);
      expect(undoStep(after, step)).toEqual(document);
      expect(JSON.stringify(step).length).toBeLessThan(most);
    }
  });

  it('any two changes one after another are the same merged, and go back as one', () => {
    type Recipe = JobDocument['recipe'];
    const changes: ((recipe: Recipe) => Partial<Recipe>)[] = [
      ({ plates }) => ({ plates: [...plates, { ...plates[0], id: `p${plates.length}` }] }),
      ({ plates }) => ({ plates: plates.slice(1) }),
      ({ plates }) => ({
        plates: plates.map((one, i) => (i === 0 ? { ...one, weight: one.weight + 1 } : one)),
      }),
      ({ plates }) => ({ plates: plates.map((one) => ({ ...one, knocksOut: !one.knocksOut })) }),
      ({ sheet }) => ({ sheet: { ...sheet, width: sheet.width + 1 } }),
      ({ plates }) => ({
        plates: plates.map((one, i) =>
          i === plates.length - 1
            ? { ...one, strokes: [...one.strokes, stroke(one.strokes.length, 3)] }
            : one,
        ),
      }),
      ({ plates }) => ({ plates: plates.map((one) => ({ ...one, strokes: one.strokes.slice(1) })) }),
      ({ plates }) => ({ plates: [...plates].reverse() }),
      ({ plates }) => ({ plates: [{ ...plates[0], id: 'new' }, ...plates] }),
    ];
    const from = doStep(
      job,
      stepOf(job, 'x', (draft) => {
        draft.recipe.plates.push({ ...draft.recipe.plates[0], id: 'second' });
        for (const plate of draft.recipe.plates)
          Object.assign(plate, { strokes: [stroke(1, 2), stroke(2, 2)] });
      })!,
    );
    fc.assert(
      fc.property(fc.array(fc.nat(changes.length - 1), { minLength: 2, maxLength: 8 }), (picks) => {
        let document = from;
        let merged: JobStep | undefined;
        for (const pick of picks) {
          const { recipe } = document;
          if (recipe.plates.length === 0) break;
          const step = stepOf(document, 'x', (draft) => {
            Object.assign(draft.recipe, changes[pick](recipe));
          });
          if (!step) continue;
          document = doStep(document, step);
          merged = merged ? mergeSteps(merged, step) : step;
        }
        if (!merged) return;
        expect(doStep(from, merged)).toEqual(document);
        expect(undoStep(document, merged)).toEqual(from);
      }),
      { numRuns: 400 },
    );
  });
});
