import { filmFrame, newScreen, type Recipe } from '@brachytone/core';
import { newJob } from '@brachytone/job';
import { draftBlocks, draftOf, halvesOf, hasSequential, type ViewRequest } from './drafts.ts';

/** An A3 sheet at 1200 dpi, shown on so many columns, with so many plates. */
function drawing(columns: number, plates = 1, screen = newScreen('dots')): ViewRequest {
  const job = newJob({ sha256: 'a'.repeat(64), name: 'a.png', width: 400, height: 300 });
  const [plate] = job.recipe.plates;
  const recipe: Recipe = {
    ...job.recipe,
    sheet: { width: 297, height: 420, bleed: 0, resolution: 1200 },
    plates: Array.from({ length: plates }, () => ({ ...plate, screen })),
  };
  const frame = filmFrame(recipe);
  const { width, height } = frame;
  const rows = Math.round((columns * height) / width);
  const look = { distance: 0, press: true, register: 0, seed: 1 };
  return {
    recipe,
    frame,
    view: { x: 0, y: 0, width, height, columns, rows },
    what: { kind: 'proof', plates: recipe.plates.map((_, i) => i), look },
  };
}

describe('a draft', () => {
  it.each([1, 2])(
    'in blocks of %d has two pixels of its grid for each of them, over the same part of the sheet',
    (blocks) => {
      const given = drawing(450);
      const { frame, view } = draftOf(given, blocks)!;
      expect(frame.draft).toBe(true);
      expect(view.width / view.columns).toBeCloseTo(2 / blocks, 1);
      expect(view.width / frame.width).toBeCloseTo(1, 2);
      expect(view.height / frame.height).toBeCloseTo(1, 2);
      expect(view.rows).toBe(given.view.rows);
    },
  );
  it('lies where the view lies', () => {
    const given = drawing(450);
    const right = { ...given.view, x: given.view.width / 2, width: given.view.width / 2 };
    const { frame, view } = draftOf({ ...given, view: right })!;
    expect(view.x / frame.width).toBeCloseTo(0.5, 2);
  });
  it('is not made where it would save nothing: near the film’s own pixels, or of little', () => {
    const given = drawing(450);
    const near = { ...given.view, width: 800, height: 600, columns: 800, rows: 600 };
    expect(draftOf({ ...given, view: near })).toBeUndefined();
    const little = { ...given.view, width: 1500, height: 1500, columns: 300, rows: 300 };
    expect(draftOf({ ...given, view: little })).toBeUndefined();
    expect(draftOf({ ...given, what: { kind: 'original' } })).toBeUndefined();
  });
  it('of a plate that is made from its top down is a glimpse on the film’s own grid', () => {
    const given = drawing(450, 1, newScreen('diffused'));
    expect(hasSequential(given)).toBe(true);
    expect(hasSequential(drawing(450))).toBe(false);
    const near = { ...given.view, width: 800, height: 600, columns: 800, rows: 600 };
    expect(draftOf({ ...given, view: near })).toEqual({ frame: { ...given.frame, draft: true }, view: near });
  });
  it('comes in blocks first where plates are many, or nothing is shown yet', () => {
    expect(draftBlocks(drawing(450, 1), false)).toEqual([1]);
    expect(draftBlocks(drawing(450, 4), false)).toEqual([2, 1]);
    expect(draftBlocks(drawing(450, 1), true)).toEqual([2, 1]);
  });
});

it.each([
  [100, 1],
  [101, 1],
  [101, 2],
  [3, 2],
  [1, 2],
  [1, 1],
])('halves of %d rows in blocks of %d are all of them, whole blocks but for the last', (rows, blocks) => {
  const halves = halvesOf(rows, blocks);
  let next = 0;
  for (const { first, count } of halves) {
    expect(first).toBe(next);
    expect(first % blocks).toBe(0);
    expect(count).toBeGreaterThan(0);
    next += count;
  }
  expect(next).toBe(rows);
});
