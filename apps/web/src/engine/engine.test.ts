import type { Remote } from 'comlink';
import { jest } from '@jest/globals';
import { KeptRecipes } from './kept-recipes.ts';
import type { Lane } from './lanes.ts';
import type { WorkerApi } from './worker.ts';

// Workers are a browser's; what shares work out to them is not.
jest.unstable_mockModule('./lanes.ts', () => ({ lanes: [] }));
const { Engine } = await import('./engine.ts');

/** Lanes whose workers are only told apart by their numbers. */
const lanesOf = (count: number): Lane[] =>
  Array.from({ length: count }, (_, number) => ({
    remote: number as unknown as Remote<WorkerApi>,
    recipes: new KeptRecipes(),
    given: 0,
    end: jest.fn(),
  }));

it('gives what waits to the next free worker, the highest rank first, and an end of a sheet to its own', async () => {
  const engine = new Engine(lanesOf(2));
  const began: string[] = [];
  const release: (() => void)[] = [];
  const work = (name: string) => (worker: unknown) =>
    new Promise<void>((resolve) => {
      began.push(`${name} in ${String(worker)}`);
      release.push(resolve);
    });
  const all = [
    engine.run(work('a'), { rank: 1, end: 0 }),
    engine.run(work('b'), { rank: 1 }),
    engine.run(work('low'), { rank: 0 }),
    engine.run(work('upper'), { rank: 1, end: 0 }),
    engine.run(work('high'), { rank: 2 }),
  ];
  expect(began).toEqual(['a in 0', 'b in 1']);
  for (let turn = 0; turn < 20 && began.length < 5; turn++) {
    release.splice(0, 1)[0]?.();
    await new Promise((resolve) => setTimeout(resolve, 2));
  }
  expect(began[2]).toBe('high in 0');
  expect(began.filter((one) => one.startsWith('upper'))).toEqual(['upper in 0']);
  expect(began.indexOf('low in 1')).toBeGreaterThan(-1);
  release.splice(0).forEach((resolve) => resolve());
  await Promise.all(all);
});

it('ends its workers, and refuses what waits', async () => {
  const lanes = lanesOf(1);
  const engine = new Engine(lanes);
  void engine.run(() => new Promise(() => undefined));
  const waiting = engine.run(() => Promise.resolve());
  engine.dispose();
  await expect(waiting).rejects.toThrow('have been ended');
  expect(lanes[0].end).toHaveBeenCalledTimes(1);
});

it('gives a piece of much to a worker that is at another, but no more, and none before what goes first', async () => {
  const engine = new Engine(lanesOf(1));
  const began: string[] = [];
  const release = new Map<string, () => void>();
  const work = (name: string) => () =>
    new Promise<void>((resolve) => {
      began.push(name);
      release.set(name, resolve);
    });
  const strips = ['one', 'two', 'three'].map((name) =>
    engine.run(work(name), { rank: 1, end: 0, ahead: true }),
  );
  expect(began).toEqual(['one', 'two']);
  const draft = engine.run(work('draft'), { rank: 2, end: 0 });
  const later = engine.run(work('later'), { rank: 1, end: 0, ahead: true });
  const finish = async (name: string) => {
    release.get(name)?.();
    await new Promise((resolve) => setTimeout(resolve, 2));
  };
  await finish('one');
  expect(began).toEqual(['one', 'two']);
  await finish('two');
  expect(began).toEqual(['one', 'two', 'draft', 'three']);
  await finish('draft');
  await finish('three');
  await finish('later');
  await Promise.all([...strips, draft, later]);
});

it('is waited for until its workers rest, or for so long', async () => {
  const engine = new Engine(lanesOf(2));
  await engine.rest(60_000);
  let release = (): void => undefined;
  const work = engine.run(() => new Promise<void>((resolve) => (release = resolve)));
  let rests = false;
  const rest = engine.rest(60_000).then(() => (rests = true));
  await engine.rest(5);
  expect(rests).toBe(false);
  release();
  await Promise.all([work, rest]);
  expect(rests).toBe(true);
});
