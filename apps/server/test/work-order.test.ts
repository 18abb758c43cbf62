import { MetricsService } from '../src/metrics/metrics.service.ts';
import { WorkService, type WorkOptions } from '../src/work/work.service.ts';

/** Work whose threads only say what they were given, and end when they are let. */
function slowWork() {
  const work = new WorkService(new MetricsService({} as never));
  const begun: string[] = [];
  const ends = new Map<string, () => void>();
  Object.assign(work, {
    watched: (name: string) =>
      new Promise<null>((end) => {
        begun.push(name);
        ends.set(name, () => end(null));
      }),
  });
  const ask = (name: string, options: WorkOptions = {}) =>
    void work.run(name as 'ready', null, options).catch(() => undefined);
  const turn = () => new Promise((next) => setImmediate(next));
  return {
    begun,
    ask,
    turn,
    end: async (name: string) => {
      ends.get(name)?.();
      await turn();
    },
    close: () => work.onModuleDestroy(),
  };
}

const FILMS = { isPatient: true };
const LOOK = { isUrgent: true };

it('has a proof begin at once while films take up the threads that are theirs', async () => {
  const { ask, begun, turn, close } = slowWork();
  for (const name of ['film 1', 'film 2', 'film 3']) ask(name, FILMS);
  await turn();
  expect(begun).toEqual(['film 1', 'film 2']);
  ask('proof');
  await turn();
  expect(begun).toEqual(['film 1', 'film 2', 'proof']);
  await close();
});

it('has what a person chooses by go before all else, films last of all', async () => {
  const { ask, begun, turn, end, close } = slowWork();
  for (const name of ['card 1', 'card 2', 'card 3']) ask(name);
  await turn();
  expect(begun).toEqual(['card 1', 'card 2']);
  ask('film', FILMS);
  ask('look 1', LOOK);
  ask('look 2', LOOK);
  await turn();
  // One of them has the thread that is kept for it.
  expect(begun.slice(2)).toEqual(['look 1']);
  await end('card 1');
  expect(begun.slice(3)).toEqual(['look 2']);
  await end('look 1');
  await end('look 2');
  await end('card 2');
  expect(begun.slice(4)).toEqual(['card 3', 'film']);
  await close();
});
