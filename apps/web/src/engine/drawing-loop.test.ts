import { newScreen, plainPlate, type Recipe, type Shown } from '@brachytone/core';
import { jest } from '@jest/globals';
import { newJob } from '@brachytone/job';
import type { ViewRequest } from './drafts.ts';
import { DrawingLoop, type DrawingEngine, type DrawingState, type Sharpness } from './drawing-loop.ts';
import type { DrawRequest } from './worker.ts';

const job = newJob({ sha256: 'a'.repeat(64), name: 'x.png', width: 3000, height: 2000 });

/** A view of a plate large enough that a draft comes first; `ruling` tells one from another. */
function viewOf(ruling: number, columns = 400): ViewRequest {
  const recipe: Recipe = {
    ...job.recipe,
    plates: [plainPlate('plate-1', job.recipe.plates[0].ink, newScreen('dots', { ruling }))],
  };
  const frame = { width: 6000, height: 4000, resolution: 1200, bleed: 0 };
  const view = { x: 0, y: 0, width: 6000, height: 4000, columns, rows: 300 };
  return { recipe, frame, view, what: { kind: 'bits', plates: [0], colours: [] } };
}

const rulingOf = ({ recipe }: Pick<ViewRequest, 'recipe'>): number =>
  recipe.plates[0].screen.settings.ruling as number;

/** A loop over an engine whose answers are given by hand or at once, and everything that it received and told. */
function started({ held = false, patient = false } = {}) {
  const asked: { request: DrawRequest; answer: () => void; fail: (error: Error) => void }[] = [];
  const received: [ruling: number, row: number, sharpness: Sharpness][] = [];
  const told: DrawingState[] = [];
  const idle = jest.fn();
  const engine: DrawingEngine = {
    draw: (request) =>
      new Promise<Shown>((resolve, reject) => {
        const { columns } = request.view;
        const answer = () =>
          resolve({ rgba: new Uint8ClampedArray(4 * columns * request.rows.count), inked: [0.25] });
        asked.push({ request, answer, fail: reject });
        if (!held) answer();
      }),
    prepare: () => Promise.resolve(true),
    draftShown: () => undefined,
    idle,
  };
  const loop = new DrawingLoop(
    engine,
    (_rgba, _columns, row, request, sharpness) => received.push([rulingOf(request), row, sharpness]),
    (state) => told.push(state),
    { settle: 5, patient },
  );
  return { loop, asked, received, told, idle };
}

const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Waits until something holds; fails when it never does. */
async function until(holds: () => boolean): Promise<void> {
  for (let turn = 0; turn < 400 && !holds(); turn++) await rest(5);
  expect(holds()).toBe(true);
}

it('draws a draft at once, then all rows exactly, and has time for more when it is done', async () => {
  const { loop, received, told, idle } = started();
  loop.show(viewOf(30), true);
  await until(() => told.at(-1)?.sharpness === 'exact');
  expect(received[0][2]).toBe('draft');
  const exact = received.filter(([, , sharpness]) => sharpness === 'exact').map(([, row]) => row);
  expect(new Set(exact).size).toBe(exact.length);
  expect(Math.min(...exact)).toBe(0);
  expect(told.at(-1)?.inked[0]).toBeCloseTo(0.25, 10);
  expect(idle).toHaveBeenCalledTimes(1);
});

it.each([
  ['few pixels in few strips', { width: 2000, height: 2000, rows: 200 }, 2],
  ['many in as many as end together', { width: 7000, height: 10_000, rows: 560 }, 16],
  ['very many in strips of a limited size', { width: 14_000, height: 20_000, rows: 540 }, 22],
])('draws exactly %s', async (_, view, strips) => {
  const { loop, asked, told } = started();
  const request = viewOf(30);
  loop.show({ ...request, frame: { ...request.frame, ...view }, view: { ...request.view, ...view } }, true);
  await until(() => told.at(-1)?.sharpness === 'exact');
  const exact = asked.filter(({ request: { frame } }) => frame.draft !== true);
  expect(exact).toHaveLength(strips);
  expect(exact.reduce((sum, { request: { rows } }) => sum + rows.count, 0)).toBe(view.rows);
});

it('drops work for an older view, but shows a draft of it when a slider is dragged on', async () => {
  const { loop, asked, received, told } = started({ held: true });
  loop.show(viewOf(30), true);
  loop.show(viewOf(40), true);
  asked.splice(0).forEach(({ answer }) => answer());
  await until(() => asked.length > 0);
  expect(received.map(([ruling]) => ruling)).toEqual([30, 30]);
  // Another part of the sheet: what was drawn of the one before is of no use.
  loop.show(viewOf(50, 300), true);
  asked.splice(0).forEach(({ answer }) => answer());
  await until(() => asked.length > 0);
  expect(received.some(([ruling]) => ruling === 40)).toBe(false);
  for (let turn = 0; turn < 100 && told.at(-1)?.sharpness !== 'exact'; turn++) {
    asked.splice(0).forEach(({ answer }) => answer());
    await rest(2);
  }
  expect(received.at(-1)).toMatchObject([50, expect.any(Number), 'exact']);
});

it('what has no draft is seen while a hand moves on, and is exact only when it is the latest', async () => {
  const { loop, asked, received, told } = started({ held: true });
  const original = (ruling: number): ViewRequest => ({ ...viewOf(ruling), what: { kind: 'original' } });
  loop.show(original(30), true);
  await until(() => asked.length > 0);
  loop.show(original(40), true);
  loop.show(original(50), true);
  for (let turn = 0; turn < 100 && !received.some(([ruling]) => ruling === 30); turn++) {
    asked.splice(0).forEach(({ answer }) => answer());
    await rest(2);
  }
  expect(new Set(received.map(([ruling]) => ruling))).toEqual(new Set([30]));
  expect(told.at(-1)?.sharpness).not.toBe('exact');
  for (let turn = 0; turn < 100 && told.at(-1)?.sharpness !== 'exact'; turn++) {
    asked.splice(0).forEach(({ answer }) => answer());
    await rest(2);
  }
  // Those between are left out.
  expect(new Set(received.map(([ruling]) => ruling))).toEqual(new Set([30, 50]));
});

it('with small pictures alone it stays a draft', async () => {
  const { loop, received, told } = started();
  loop.show(viewOf(30), false);
  await until(() => received.length > 0);
  await rest(60);
  expect(told.at(-1)?.sharpness).toBe('draft');
  loop.dispose();
});

it('tells why a view could not be drawn, and draws it when it is asked once more', async () => {
  const { loop, asked, told } = started({ held: true });
  loop.show(viewOf(30), true);
  asked.splice(0).forEach(({ fail }) => fail(new RangeError('No screen of 30 lpi can be made.')));
  await until(() => told.at(-1)?.failure !== null);
  expect(told.at(-1)?.failure?.message).toBe('No screen of 30 lpi can be made.');
  await rest(40);
  expect(asked).toHaveLength(0);
  loop.retry();
  expect(told.at(-1)?.failure).toBeNull();
  for (let turn = 0; turn < 100 && told.at(-1)?.sharpness !== 'exact'; turn++) {
    asked.splice(0).forEach(({ answer }) => answer());
    await rest(2);
  }
  expect(told.at(-1)).toMatchObject({ sharpness: 'exact', failure: null });
});

it('says nothing of what has yet to arrive', async () => {
  const { loop, asked, told } = started({ held: true });
  loop.show(viewOf(30), true);
  const missing = Object.assign(new Error('The picture of “x.png” is missing.'), { name: 'MissingMaterial' });
  for (let turn = 0; turn < 20; turn++) {
    asked.splice(0).forEach(({ fail }) => fail(missing));
    await rest(2);
  }
  expect(told.every(({ failure }) => failure === null)).toBe(true);
  expect(told.at(-1)?.sharpness).toBe('nothing');
  loop.dispose();
});

it('ends: nothing is received or told after it was disposed of', async () => {
  const { loop, asked, received, told } = started({ held: true });
  loop.show(viewOf(30), true);
  const before = told.length;
  loop.dispose();
  asked.splice(0).forEach(({ answer }) => answer());
  await rest(30);
  expect([received.length, told.length, asked.length]).toEqual([0, before, 0]);
});
