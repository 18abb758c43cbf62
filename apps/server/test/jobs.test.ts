import { randomUUID } from 'node:crypto';
import type { JobDocument, JobsPage } from '@brachytone/job';
import sharp from 'sharp';
import { ProofsService } from '../src/jobs/proofs.service.ts';
import { WorkService } from '../src/work/work.service.ts';
import { startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

const renamed = (document: JobDocument, name: string): JobDocument => ({ ...document, name });
const step = (name: string) => ({
  label: 'Rename job',
  forward: [{ op: 'replace', path: ['name'], value: name }],
  backward: [{ op: 'replace', path: ['name'], value: 'before' }],
});

describe('jobs', () => {
  it('start from an original, are listed, copied and put away', async () => {
    const { job } = await startJob(server, 'Low tide.png');
    expect(job).toMatchObject({ revision: 1, putAway: false, document: { name: 'Low tide' } });
    const { body: copy } = await server.http.post(`/api/jobs/${job.id}/duplicate`).expect(201);
    expect(copy.document.name).toBe('Low tide (copy)');
    await server.http.patch(`/api/jobs/${copy.id}`).send({ putAway: true }).expect(200);
    const listed = async (away: boolean) =>
      ((await server.http.get(`/api/jobs?away=${away}`).expect(200)).body as JobsPage).jobs.map(
        ({ id }) => id,
      );
    expect(await listed(true)).toEqual([copy.id]);
    expect(await listed(false)).toContain(job.id);
    expect(await listed(false)).not.toContain(copy.id);
  });

  it('are listed page by page in the order asked for, with what a card shows and no more', async () => {
    const other = await startServer();
    const { job } = await startJob(other, 'Reeds.png');
    for (const name of ['Oak 10', 'elm', 'Birch', 'Élan', 'Oak 9 reeds'])
      await other.http
        .post('/api/jobs')
        .send({ document: { ...job.document, name } })
        .expect(201);
    const page = async (query: string) =>
      (await other.http.get(`/api/jobs?${query}`).expect(200)).body as JobsPage;
    const first = await page('order=name&most=4');
    expect(first.jobs.map(({ name }) => name)).toEqual(['Birch', 'Élan', 'elm', 'Oak 9 reeds']);
    expect(first.next).toBe(4);
    const rest = await page(`order=name&most=4&from=${first.next}`);
    expect(rest.jobs.map(({ name }) => name)).toEqual(['Oak 10', 'Reeds']);
    expect(rest.next).toBeNull();
    expect((await page('find=REED')).jobs.map(({ name }) => name)).toEqual(['Oak 9 reeds', 'Reeds']);
    expect((await page('find=100%25')).jobs).toEqual([]);
    expect((await page('find=ÉL')).jobs.map(({ name }) => name)).toEqual(['Élan']);
    const { recipe } = job.document;
    expect(rest.jobs[1]).toEqual({
      id: job.id,
      revision: 1,
      putAway: false,
      touched: job.touched,
      changedBy: null,
      name: 'Reeds',
      sheet: {
        width: recipe.sheet.width,
        height: recipe.sheet.height,
        resolution: recipe.sheet.resolution,
      },
      stock: { name: recipe.stock.name, lab: recipe.stock.lab },
      inks: recipe.inks.map(({ name }: { name: string }) => name),
      plates: recipe.plates.map(({ screen, printed }: { screen: object; printed: boolean }) => ({
        ink: recipe.inks[0].name,
        screen,
        printed,
      })),
    });
    await other.http.get('/api/jobs?from=-1').expect(422);
    await other.http.get('/api/jobs?most=500').expect(422);
    await other.close();
  });

  it('come with what is known of the files they name', async () => {
    const { job } = await startJob(server);
    const { body } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    const { picture } = job.document.recipe.originals[0].content as { picture: string };
    const { body: file } = await server.http.get(`/api/files/${picture}`).expect(200);
    expect(body.files).toEqual([file]);
    const bare = { ...job.document, recipe: { ...job.document.recipe, originals: [] } };
    const { body: empty } = await server.http.post('/api/jobs').send({ document: bare }).expect(201);
    expect((await server.http.get(`/api/jobs/${empty.id}`).expect(200)).body.files).toEqual([]);
  });

  it('keep document and undo history; undone steps stay until something else is done', async () => {
    const { job } = await startJob(server);
    const save = (revision: number, name: string, history: object) =>
      server.http
        .put(`/api/jobs/${job.id}`)
        .send({ revision, document: renamed(job.document, name), history });
    await save(1, 'two', { from: 0, steps: [step('one'), step('two')], position: 2 }).expect(200);
    await save(2, 'one', { from: 2, steps: [], position: 1 }).expect(200);
    const { body: undone } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(undone).toMatchObject({ revision: 3, position: 1, document: { name: 'one' } });
    expect(undone.steps).toHaveLength(2);
    await save(3, 'other', { from: 1, steps: [step('other')], position: 2 }).expect(200);
    const { body: after } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(after.steps.map((one: ReturnType<typeof step>) => one.forward[0].value)).toEqual(['one', 'other']);
  });

  it('refuse a stale save with the newer document; nothing is lost', async () => {
    const { job } = await startJob(server);
    const body = (revision: number, name: string) => ({
      revision,
      document: renamed(job.document, name),
      history: { from: 0, steps: [step(name)], position: 1 },
    });
    await server.http.put(`/api/jobs/${job.id}`).send(body(1, 'theirs')).expect(200);
    const { body: problem } = await server.http.put(`/api/jobs/${job.id}`).send(body(1, 'mine')).expect(409);
    expect(problem.job).toMatchObject({ revision: 2, document: { name: 'theirs' } });
    const { body: kept } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(kept.document.name).toBe('theirs');
    expect(kept.steps[0].forward[0].value).toBe('theirs');
  });

  it('refuse malformed documents with a sentence and keep what there was', async () => {
    const { job } = await startJob(server);
    const history = { from: 0, steps: [], position: 0 };
    const broken = { ...job.document, recipe: { ...job.document.recipe, plates: [] } };
    const { body: first } = await server.http
      .put(`/api/jobs/${job.id}`)
      .send({ revision: 1, document: broken, history })
      .expect(422);
    expect(first.detail).toContain('plates');
    const stranger = structuredClone(job.document);
    Object.assign(stranger.recipe.originals[0].content, { picture: 'f'.repeat(64) });
    const { body: second } = await server.http.post('/api/jobs').send({ document: stranger }).expect(422);
    expect(second.detail).toContain('never brought in');
    await server.http.put(`/api/jobs/${job.id}`).send({ revision: 1, document: job.document }).expect(422);
    await server.http
      .put(`/api/jobs/${job.id}`)
      .set('Content-Type', 'application/json')
      .send('{"revision":')
      .expect(400);
    await server.http.post('/api/jobs').send({}).expect(422);
    const { body: kept } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(kept).toMatchObject({ revision: 1, document: job.document });
  });

  it('that are not there are said not to be', async () => {
    await server.http.get(`/api/jobs/${randomUUID()}`).expect(404);
    await server.http.get('/api/jobs/nonsense').expect(422);
    await server.http.patch(`/api/jobs/${randomUUID()}`).send({ putAway: true }).expect(404);
  });

  it('show their exact proof, made once', async () => {
    const { job } = await startJob(server);
    const get = () => server.http.get(`/api/jobs/${job.id}/proof.png?longer=120`).buffer(true).expect(200);
    const { body } = await get();
    const meta = await sharp(body as Buffer).metadata();
    expect(Math.max(meta.width, meta.height)).toBe(120);
    expect(Buffer.compare((await get()).body as Buffer, body as Buffer)).toBe(0);
    await server.http.get(`/api/jobs/${job.id}/proof.png?longer=9`).expect(422);
  });
});

it('the API describes itself', async () => {
  const { body } = await server.http.get('/api/docs-json').expect(200);
  expect(Object.keys(body.paths)).toEqual(
    expect.arrayContaining(['/api/jobs', '/api/files', '/api/runs', '/api/runs/events']),
  );
  const { body: problem } = await server.http.get('/api/nowhere').expect(404);
  expect(problem).toMatchObject({ type: 'about:blank', status: 404 });
});

it('pictures that nobody waits for any more are not begun: what somebody asks for then comes sooner', async () => {
  const other = await startServer();
  const { work, made } = { work: other.app.get(WorkService), made: [] as number[] };
  const { job } = await startJob(other);
  const proofs = other.app.get(ProofsService);
  const { recipe } = job.document as JobDocument;
  const run = work.run.bind(work);
  work.run = ((name: never, given: { longer: number }, options: never) =>
    run(name, given as never, options).then((result) => {
      if (name === 'proof') made.push(given.longer);
      return result;
    })) as typeof work.run;
  const left = new AbortController();
  const board = Array.from({ length: 8 }, (_, i) => proofs.picture(recipe, 900 + i, left.signal));
  const settled = Promise.allSettled(board);
  // One of them is wanted elsewhere, too.
  const wanted = proofs.picture(recipe, 907);
  left.abort();
  const mine = await proofs.picture(recipe, 300);
  expect(mine.length).toBeGreaterThan(100);
  expect((await wanted).length).toBeGreaterThan(100);
  const outcomes = await settled;
  // Two threads may have been at the first two.
  expect(outcomes.slice(2, 7).map(({ status }) => status)).toEqual(Array(5).fill('rejected'));
  expect(made).toEqual(expect.arrayContaining([300, 907]));
  expect(made.length).toBeLessThanOrEqual(4);
  // Wanted again, they are made.
  expect((await proofs.picture(recipe, 903)).length).toBeGreaterThan(100);
  await other.close();
});
