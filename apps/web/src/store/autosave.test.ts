import { jest } from '@jest/globals';
import { saveNow } from './autosave.ts';
import { closed, edit, opened } from './job-slice.ts';
import { store } from './store.ts';
import { testJob } from './testing.ts';

interface Sent {
  revision: number;
  document: { name: string };
  history: { from: number; steps: unknown[]; position: number };
}

/** Bodies the server was sent, in order, and how it answers. */
const sent: Sent[] = [];
let answer: (body: Sent) => Response | Promise<Response>;
const reply = (body: unknown, status = 200) => new Response(JSON.stringify(body), { status });
const job = () => store.getState().job!;
const rename = (name: string) => store.dispatch(edit('Rename job', (draft) => void (draft.name = name)));

beforeEach(() => {
  sent.length = 0;
  answer = ({ revision }) => reply({ revision: revision + 1 });
  globalThis.fetch = jest.fn((_url: unknown, init?: RequestInit) => {
    const body = JSON.parse(init!.body as string) as Sent;
    sent.push(body);
    return Promise.resolve(answer(body));
  });
  store.dispatch(opened(testJob));
});

describe('saving', () => {
  it('sends nothing when nothing changed', async () => {
    await saveNow();
    expect(sent).toHaveLength(0);
  });

  it('sends the document and the new steps alone, and knows the new revision', async () => {
    rename('one');
    await saveNow();
    rename('two');
    await saveNow();
    expect(sent.map(({ revision }) => revision)).toEqual([4, 5]);
    expect(sent[1].history).toMatchObject({ from: 1, position: 2 });
    expect(sent[1].history.steps).toHaveLength(1);
    expect(job()).toMatchObject({ revision: 6, save: 'saved' });
  });

  it('what changes while a save is on its way is sent after it, from its revision', async () => {
    let release = () => undefined as void;
    answer = ({ revision }) =>
      revision > 4
        ? reply({ revision: revision + 1 })
        : new Promise((resolve) => (release = () => resolve(reply({ revision: 5 }))));
    rename('one');
    const first = saveNow();
    rename('two');
    const second = saveNow();
    release();
    await Promise.all([first, second]);
    expect(sent.map(({ revision, document }) => [revision, document.name])).toEqual([
      [4, 'one'],
      [5, 'two'],
    ]);
    expect(job().save).toBe('saved');
  });

  it('keeps what could not be sent, and sends it whole the next time', async () => {
    answer = () => Promise.reject(new TypeError('away'));
    rename('one');
    await saveNow();
    expect(job()).toMatchObject({ save: 'unreachable', unsavedFrom: 0 });
    expect(job().document.name).toBe('one');
    answer = ({ revision }) => reply({ revision: revision + 1 });
    await saveNow();
    expect(sent[1].history).toMatchObject({ from: 0, position: 1 });
    expect(job().save).toBe('saved');
  });

  it('takes its own save for its own when only the answer was lost, whatever the order of members', async () => {
    answer = ({ document }) => {
      const turned = Object.fromEntries(Object.entries(document).reverse());
      return reply(
        { status: 409, detail: 'x', job: { ...testJob, revision: 5, position: 1, document: turned } },
        409,
      );
    };
    rename('one');
    await saveNow();
    expect(job()).toMatchObject({ save: 'saved', revision: 5 });
  });

  it('merges what another window saved of other parts, and saves both', async () => {
    const films = { ...testJob.document.films, negative: true };
    const document = { ...testJob.document, films };
    answer = ({ revision }) =>
      revision === 4
        ? reply({ status: 409, detail: 'x', job: { ...testJob, revision: 9, document } }, 409)
        : reply({ revision: revision + 1 });
    rename('one');
    await saveNow();
    expect(sent.map(({ revision }) => revision)).toEqual([4, 9]);
    expect(sent[1].document).toEqual({ ...document, name: 'one' });
    expect(job()).toMatchObject({ save: 'saved', revision: 10 });
  });

  it('says so when another window saved something else, and when the server refuses', async () => {
    const document = { ...testJob.document, name: 'theirs' };
    answer = () =>
      reply({ status: 409, detail: 'Saved elsewhere', job: { ...testJob, revision: 9, document } }, 409);
    rename('one');
    await saveNow();
    expect(job()).toMatchObject({ save: 'conflict', saveMessage: 'Saved elsewhere' });
    expect(job().theirs?.revision).toBe(9);
    expect(job().clashes).toEqual([
      { place: ['name'], base: testJob.document.name, mine: 'one', theirs: 'theirs' },
    ]);
    store.dispatch(opened(testJob));
    answer = () => reply({ status: 422, detail: 'Not right' }, 422);
    rename('two');
    await saveNow();
    expect(job()).toMatchObject({ save: 'refused', saveMessage: 'Not right' });
    expect(job().document.name).toBe('two');
  });
});

it('closing a job leaves another that was opened meanwhile', () => {
  store.dispatch(opened({ ...testJob, id: 'other' }));
  store.dispatch(closed('job'));
  expect(job().id).toBe('other');
  store.dispatch(closed('other'));
  expect(store.getState().job).toBeNull();
});
