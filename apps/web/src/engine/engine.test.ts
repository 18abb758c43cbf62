import type { Remote } from 'comlink';
import { jest } from '@jest/globals';
import type { Lane } from './lanes.ts';
import type { WorkerApi } from './worker.ts';

// Workers are a browser's; what shares work out to them is not.
jest.unstable_mockModule('./lanes.ts', () => ({ lanes: [] }));
const { Engine } = await import('./engine.ts');

/** Lanes whose workers are only told apart by their numbers. */
const lanesOf = (count: number): Lane[] =>
  Array.from({ length: count }, (_, number) => ({
    remote: number as unknown as Remote<WorkerApi>,
    busy: false,
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
    engine.run(work('a'), 1, 0),
    engine.run(work('b'), 1),
    engine.run(work('low'), 0),
    engine.run(work('upper'), 1, 0),
    engine.run(work('high'), 2),
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
