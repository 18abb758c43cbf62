import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobDocument, JobView, PullView, RunView, StorageView, StoredId } from '@brachytone/job';
import { eq, sql } from 'drizzle-orm';
import sharp from 'sharp';
import { jobs, olderDocuments, originals, runs } from '../src/database/schema.ts';
import { proofPictures } from '../src/storage/kinds/pictures.ts';
import type { StorageContext } from '../src/storage/stored-kind.ts';
import { clearLeftovers } from '../src/storage/leftovers.ts';
import { send, smallPng, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.close());

/** A picture of its own kind. */
const picture = (shade: number) =>
  sharp({ create: { width: 30, height: 20, channels: 3, background: { r: shade, g: 9, b: 9 } } })
    .png()
    .toBuffer();
const broughtIn = async (shade: number) =>
  (await send(server, await picture(shade)).expect(201)).body.sha256 as string;
const stored = async (id: StoredId) =>
  ((await server.http.get('/api/storage').expect(200)).body as StorageView).stored.find(
    (one) => one.id === id,
  )!;
const start = async (sha256: string, name: string) =>
  (await server.http.post('/api/jobs').send({ picture: { sha256, name } }).expect(201)).body as JobView;
const putAway = (id: string) => server.http.patch(`/api/jobs/${id}`).send({ putAway: true }).expect(200);
const without = (document: JobDocument): JobDocument => ({
  ...document,
  recipe: { ...document.recipe, originals: [] },
});
const isHere = async (sha256: string) => (await server.http.get(`/api/files/${sha256}`)).status === 200;
async function made(jobId: string): Promise<RunView> {
  let { body } = await server.http.post('/api/runs').send({ jobId }).expect(201);
  while (body.status === 'queued' || body.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 30));
    ({ body } = await server.http.get(`/api/runs/${body.id}`).expect(200));
  }
  return body as RunView;
}
/** A job of a picture on a small film. */
async function small(sha256: string, name: string): Promise<JobView> {
  const job = await start(sha256, name);
  const { recipe } = job.document;
  const document = {
    ...job.document,
    recipe: { ...recipe, sheet: { ...recipe.sheet, width: 30, height: 20, bleed: 0, resolution: 300 } },
  };
  const history = { from: 0, steps: [{ label: 'Sheet', forward: [], backward: [] }], position: 1 };
  await server.http.put(`/api/jobs/${job.id}`).send({ revision: 1, document, history }).expect(200);
  return (await server.http.get(`/api/jobs/${job.id}`).expect(200)).body as JobView;
}

describe('a job that was put away', () => {
  it('is deleted with all that is its own, after it was said what goes; what others use stays', async () => {
    const own = await broughtIn(1);
    const shared = await broughtIn(2);
    const inUndo = await broughtIn(3);
    const keeper = await start(shared, 'keeper.png');
    const doomed = await small(own, 'doomed.png');
    // A pull names the shared picture, an undo step one that the document does not.
    const { document } = await start(shared, 'other.png').then((job) => job);
    const { body: pull } = await server.http
      .post(`/api/jobs/${doomed.id}/pulls`)
      .send({ name: 'one', document })
      .expect(201);
    const step = {
      label: 'Swap',
      forward: [],
      backward: [{ op: 'replace', path: ['recipe', 'x'], value: inUndo }],
    };
    await server.http
      .put(`/api/jobs/${doomed.id}`)
      .send({
        revision: doomed.revision,
        document: doomed.document,
        history: { from: 1, steps: [step], position: 2 },
      })
      .expect(200);
    const run = await made(doomed.id);
    const { body: wrong } = await server.http.delete(`/api/jobs/${doomed.id}`).expect(409);
    expect(wrong.detail).toMatch(/Put it away first/);
    const { body: goes } = await server.http.get(`/api/jobs/${doomed.id}/removal`).expect(200);
    expect(goes).toMatchObject({ pulls: 1, runs: 1, files: 2 });
    const films = run.films.reduce((sum, { bytes }) => sum + bytes, 0);
    expect(goes.bytes).toBeGreaterThan(films + (await picture(1)).length + (await picture(3)).length);
    await putAway(doomed.id);
    await server.http.delete(`/api/jobs/${doomed.id}`).expect(204);
    await server.http.get(`/api/jobs/${doomed.id}`).expect(404);
    await server.http.get(`/api/runs/${run.id}`).expect(404);
    await server.http.get(`/api/jobs/${doomed.id}/pulls/${(pull as PullView).id}/proof.png`).expect(404);
    expect(existsSync(join(server.folder, 'films', run.id))).toBe(false);
    expect(await Promise.all([own, inUndo, shared].map(isHere))).toEqual([false, false, true]);
    const proof = await server.http.get(`/api/jobs/${keeper.id}/proof.png?longer=40`).expect(200);
    expect(proof.headers['content-type']).toBe('image/png');
    // What is gone can be brought in again.
    await send(server, await picture(1)).expect(201);
    expect(await isHere(own)).toBe(true);
  });

  it('that is being made stops being made', async () => {
    const { id, document } = await small(await broughtIn(5), 'large.png');
    const sheet = { ...document.recipe.sheet, width: 900, height: 900, resolution: 2400 };
    await server.http
      .put(`/api/jobs/${id}`)
      .send({
        revision: 2,
        document: { ...document, recipe: { ...document.recipe, sheet } },
        history: { from: 1, steps: [], position: 1 },
      })
      .expect(200);
    const { body: run } = await server.http.post('/api/runs').send({ jobId: id }).expect(201);
    const folder = join(server.folder, 'films', run.id as string);
    while (!existsSync(folder)) await new Promise((resolve) => setTimeout(resolve, 10));
    await putAway(id);
    await server.http.delete(`/api/jobs/${id}`).expect(204);
    // The next one is made all the same, and nothing of the first comes back.
    const next = await small(await broughtIn(6), 'next.png');
    expect((await made(next.id)).status).toBe('done');
    expect(existsSync(folder)).toBe(false);
  });
});

describe('storage', () => {
  it('tells what there is, and a rule what it would free before it is kept to', async () => {
    const used = await broughtIn(10);
    const unused = await broughtIn(11);
    const recent = await broughtIn(12);
    const job = await start(used, 'used.png');
    const { queries } = server.database;
    const monthAgo = new Date(Date.now() - 30 * 24 * 3600 * 1000);
    await queries
      .update(originals)
      .set({ touched: monthAgo })
      .where(sql`${originals.sha256} in (${used}, ${unused})`);
    expect(await stored('unused')).toMatchObject({ count: 2, rule: { by: 'all' }, rules: ['all', 'days'] });
    expect(await stored('files')).toMatchObject({ count: 1, rule: null, rules: [] });
    const rule = { by: 'days', days: 7 };
    const { body: tried } = await server.http.post('/api/storage/unused/tried').send(rule).expect(200);
    expect(tried.count).toBe(1);
    expect(tried.bytes).toBeGreaterThanOrEqual((await picture(11)).length);
    expect(await isHere(unused)).toBe(true);
    await server.http.put('/api/storage/unused/rule').send(rule).expect(200);
    expect(await Promise.all([used, unused, recent].map(isHere))).toEqual([true, false, true]);
    expect((await stored('unused')).rule).toEqual(rule);
    // Brought in again it counts as new.
    await queries.update(originals).set({ touched: monthAgo }).where(eq(originals.sha256, recent));
    await send(server, await picture(12)).expect(201);
    expect((await server.http.post('/api/storage/unused/tried').send(rule).expect(200)).body.count).toBe(0);
    // A file is in use as long as any undone step, pull or run names it.
    const history = {
      from: 0,
      steps: [{ label: 'x', forward: [], backward: [{ op: 'add', path: ['a'], value: used }] }],
      position: 1,
    };
    await server.http
      .put(`/api/jobs/${job.id}`)
      .send({ revision: 1, document: without(job.document), history })
      .expect(200);
    expect((await stored('unused')).count).toBe(1);
    await server.http.post('/api/storage/history/clean').send({ by: 'days', days: 0 }).expect(200);
    expect((await stored('unused')).count).toBe(2);
  });

  it('forgets undo histories; the job stays, and a window that has it open sends its own anew', async () => {
    const { job } = await startJob(server);
    const step = (n: number) => ({ label: `step ${n}`, forward: [], backward: [] });
    const save = (revision: number, from: number, steps: object[]) =>
      server.http.put(`/api/jobs/${job.id}`).send({
        revision,
        document: job.document,
        history: { from, steps, position: from + steps.length },
      });
    await save(1, 0, [step(1), step(2), step(3)]).expect(200);
    expect((await stored('history')).count).toBe(3);
    const { body } = await server.http
      .post('/api/storage/history/clean')
      .send({ by: 'days', days: 0 })
      .expect(200);
    expect(body.count).toBe(3);
    const { body: now } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(now).toMatchObject({ steps: [], position: 0, document: job.document });
    await save(2, 3, [step(4)]).expect(422);
    await save(2, 0, [step(1), step(2), step(3), step(4)]).expect(200);
  });

  it('keeps pictures of proofs up to a size, those shown lately', async () => {
    const { job } = await startJob(server);
    const proof = (longer: number) =>
      server.http.get(`/api/jobs/${job.id}/proof.png?longer=${longer}`).expect(200);
    const folder = join(server.folder, 'proofs');
    const ago = (seconds: number) => new Date(Date.now() - seconds * 1000);
    for (const [i, longer] of [100, 120, 140].entries()) {
      const before = new Set(existsSync(folder) ? readdirSync(folder) : []);
      await proof(longer);
      const [name] = readdirSync(folder).filter((one) => !before.has(one));
      utimesSync(join(folder, name), ago(100 - i), ago(100 - i));
    }
    await proof(100);
    const sizes = readdirSync(folder).map((name) => statSync(join(folder, name)));
    const byTime = sizes.sort((a, b) => b.mtimeMs - a.mtimeMs);
    expect((await stored('pictures')).count).toBe(3);
    expect(await stored('pictures')).toMatchObject({ rule: { by: 'size', megabytes: 500 } });
    // Room for two: the one shown longest ago goes.
    const context = { dataFolder: server.folder } as StorageContext;
    const both = byTime[0].size + byTime[1].size;
    const { items } = await proofPictures.cleaning!.beyond(context, {
      by: 'size',
      megabytes: (both + 1) / 1e6,
    });
    const oldest = readdirSync(folder).find(
      (name) => statSync(join(folder, name)).mtimeMs === byTime[2].mtimeMs,
    );
    expect(items).toEqual([join(folder, oldest!)]);
    const { body } = await server.http
      .post('/api/storage/pictures/clean')
      .send({ by: 'days', days: 0 })
      .expect(200);
    expect(body).toEqual({ count: 3, bytes: byTime.reduce((sum, { size }) => sum + size, 0) });
    expect(readdirSync(folder)).toEqual([]);
    await proof(100);
  });

  it('cleans jobs away so many days after they were put away, and documents of before upgrades', async () => {
    const { job } = await startJob(server, 'old.png');
    const { job: fresh } = await startJob(server, 'fresh.png');
    await putAway(job.id);
    await putAway(fresh.id);
    const { queries } = server.database;
    const monthAgo = new Date(Date.now() - 30 * 24 * 3600 * 1000);
    await queries.update(jobs).set({ putAwayChanged: monthAgo }).where(eq(jobs.id, job.id));
    await queries.insert(olderDocuments).values({
      id: job.id,
      version: 3,
      from: 'jobs',
      document: { name: 'before' },
      created: monthAgo,
    });
    const rule = { by: 'days', days: 20 };
    expect((await server.http.post('/api/storage/older/tried').send(rule).expect(200)).body.count).toBe(1);
    const { body } = await server.http.put('/api/storage/away/rule').send(rule).expect(200);
    expect(body.count).toBe(1);
    await server.http.get(`/api/jobs/${job.id}`).expect(404);
    await server.http.get(`/api/jobs/${fresh.id}`).expect(200);
    expect((await stored('older')).count).toBe(0);
  });

  it('refuses rules that cannot be', async () => {
    for (const [kind, rule] of [
      ['films', { by: 'moon' }],
      ['films', { by: 'size', megabytes: 3 }],
      ['unused', { by: 'runs', runs: 1 }],
      ['files', { by: 'days', days: 1 }],
      ['pictures', { by: 'days', days: -1 }],
      ['moon', { by: 'all' }],
    ] as const) {
      const { body } = await server.http.put(`/api/storage/${kind}/rule`).send(rule).expect(422);
      expect(body.detail.length).toBeGreaterThan(10);
    }
  });
});

it('what a killed server was in the middle of goes at the next start; what is whole stays', async () => {
  const proofs = join(server.folder, 'proofs');
  const films = join(server.folder, 'films');
  const whole = `${'ab'.repeat(32)}.png`;
  for (const folder of [proofs, join(server.folder, 'incoming'), join(films, randomUUID())])
    mkdirSync(folder, { recursive: true });
  for (const name of [whole, `${whole}.part`, `${randomUUID()}.tif.bands`, `${randomUUID()}.tif`])
    writeFileSync(join(proofs, name), 'x');
  writeFileSync(join(server.folder, 'incoming', 'half.zip'), 'x');
  await clearLeftovers(server.folder);
  expect(readdirSync(proofs)).toEqual([whole]);
  expect(existsSync(join(server.folder, 'incoming'))).toBe(false);
  const { id } = await small(
    await smallPng().then(async (png) => (await send(server, png)).body.sha256 as string),
    'a.png',
  );
  const run = await made(id);
  // One that a run has, though it is not finished, and one of a run that failed.
  const { queries } = server.database;
  const [row] = await queries.select().from(runs).where(eq(runs.id, run.id));
  const open = randomUUID();
  const failed = randomUUID();
  await queries.insert(runs).values([
    { ...row, id: open, status: 'cancelled' },
    { ...row, id: failed, status: 'failed' },
  ]);
  for (const one of [open, failed]) mkdirSync(join(films, one), { recursive: true });
  const { RunsService } = await import('../src/runs/runs.service.ts');
  await server.app.get(RunsService).onApplicationBootstrap();
  expect(readdirSync(films)).toEqual([run.id]);
});
