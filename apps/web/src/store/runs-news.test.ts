import { jest } from '@jest/globals';
import type { RunView } from '@brachytone/job';
import { api } from './api.ts';
import { store } from './store.ts';

/** The page's line to the server, spoken by hand. */
class Line extends EventTarget {
  static last: Line;
  constructor() {
    super();
    Line.last = this;
  }
  close(): void {}
  say(kind: string, data = ''): void {
    this.dispatchEvent(Object.assign(new Event(kind), { data }));
  }
}

const run = (status: RunView['status']) => ({ id: 'r', jobId: 'j', status }) as RunView;
const wish = { most: 20, job: 'j' };
const shown = () =>
  api.endpoints.runs
    .select(wish)(store.getState())
    .data?.map(({ status }) => status);
const settle = () => new Promise((resolve) => setTimeout(resolve, 20));

/** Lists that the server was asked for, answered by hand. */
let asked: ((runs: readonly RunView[]) => void)[];
let watched: { unsubscribe: () => void };

beforeEach(() => {
  asked = [];
  const page = Object.assign(new EventTarget(), { visibilityState: 'visible' });
  // Addresses are the page's.
  const AtServer = class extends Request {
    constructor(address: string, init?: RequestInit) {
      super(new URL(address, 'http://localhost'), init);
    }
  };
  Object.assign(globalThis, { document: page, EventSource: Line, Request: AtServer });
  globalThis.fetch = jest.fn(
    () =>
      new Promise<Response>((resolve) => {
        asked.push((runs) => resolve(Response.json(runs)));
      }),
  );
  watched = store.dispatch(api.endpoints.runs.initiate(wish));
});
afterEach(() => watched.unsubscribe());

it('asks again once the line is open: a run may have ended between the list and the line', async () => {
  await settle();
  asked.splice(0).forEach((answer) => answer([run('running')]));
  await settle();
  Line.last.say('open');
  await settle();
  asked.splice(0).forEach((answer) => answer([run('done')]));
  await settle();
  expect(shown()).toEqual(['done']);
});

it('shows a run as the news has it, though a list that was read before comes after', async () => {
  Line.last.say('open');
  await settle();
  Line.last.say('run', JSON.stringify(run('done')));
  asked.splice(0).forEach((answer) => answer([run('running')]));
  await settle();
  asked.splice(0).forEach((answer) => answer([run('done')]));
  await settle();
  expect(shown()).toEqual(['done']);
});
