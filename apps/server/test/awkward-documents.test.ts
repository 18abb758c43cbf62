import { readDocument, VERSION } from '@brachytone/job';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { jobs, olderDocuments, setAside } from '../src/database/schema.ts';
import { upgradeDocuments } from '../src/database/upgrade-documents.ts';
import { binary, startJob, startServer, type Harness } from './harness.ts';

const sizeOf = async (png: Buffer) => {
  const { width, height } = await sharp(png).metadata();
  return [width, height];
};

let server: Harness;
beforeAll(async () => (server = await startServer()));
afterAll(() => server.close());

const post = (body: unknown) => server.http.post('/api/jobs').send(body as object);

describe('a document that cannot be read when the server starts', () => {
  it('is set aside with a sentence, can be downloaded, and comes back once it can be read; the rest works', async () => {
    const { job: well } = await startJob(server, 'well.png');
    const { job: ill } = await startJob(server, 'ill.png');
    const { queries } = server.database;
    // With something that this version has no word for.
    const newer = { ...ill.document, version: VERSION + 1, varnish: { gloss: 0.8 } };
    await queries
      .update(jobs)
      .set({ document: newer as never })
      .where(eq(jobs.id, ill.id));
    await upgradeDocuments(server.database);
    const { body: board } = await server.http.get('/api/jobs').expect(200);
    expect(board.jobs.map(({ id }: { id: string }) => id)).toEqual([well.id]);
    const { body: aside } = await server.http.get('/api/set-aside').expect(200);
    expect(aside).toEqual([
      {
        id: expect.any(String),
        from: 'jobs',
        name: 'ill',
        reason: expect.stringMatching(/saved by a newer Brachytone/),
        canBeSeen: true,
      },
    ]);
    const { body: document, headers } = await server.http
      .get(`/api/set-aside/${aside[0].id}/document`)
      .expect(200);
    expect(document).toEqual(newer);
    expect(headers['content-disposition']).toBe('attachment; filename=ill.json');
    const { body: png } = await server.http
      .get(`/api/set-aside/${aside[0].id}/proof.png?longer=120`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    expect(Math.max(...(await sizeOf(png as Buffer)))).toBe(120);
    // Another start, of a program that knows the version.
    const [{ row }] = await queries.select().from(setAside);
    await queries.update(setAside).set({ row: { ...row, document: ill.document } });
    await upgradeDocuments(server.database);
    const { body: back } = await server.http.get(`/api/jobs/${ill.id}`).expect(200);
    expect([back.document, back.revision]).toEqual([ill.document, ill.revision]);
    expect((await server.http.get('/api/set-aside').expect(200)).body).toEqual([]);
  });
  it('of an earlier version is brought up to date, and kept as it was too', async () => {
    const { job } = await startJob(server, 'old.png');
    const { queries } = server.database;
    const { marks: _marks, ...recipe } = job.document.recipe;
    const { panels: _panels, pages: _pages, depth: _depth, ppi: _ppi, ...films } = job.document.films;
    const old = { ...job.document, version: 8, recipe, films };
    expect(readDocument(old).version).toBe(VERSION);
    await queries
      .update(jobs)
      .set({ document: old as never })
      .where(eq(jobs.id, job.id));
    await upgradeDocuments(server.database);
    const [kept] = await queries.select().from(olderDocuments).where(eq(olderDocuments.id, job.id));
    expect([kept.from, kept.version, kept.document]).toEqual(['jobs', 8, old]);
    const { body } = await server.http.get(`/api/jobs/${job.id}`).expect(200);
    expect(body.document.version).toBe(VERSION);
  });
});

describe('what no job can be made of is refused with a sentence, and never with a failure', () => {
  it.each([
    ['version 1 without a recipe', { version: 1 }],
    ['version 1 whose originals are none', { version: 1, recipe: { originals: [null] } }],
    ['every version without anything', { version: 5, name: 'x', recipe: null, films: null }],
  ])('%s', async (_name, document) => {
    const { body } = await post({ document }).expect(422);
    expect(body.detail).toMatch(/not right/);
  });
  it('a NUL in any text, and half of a letter', async () => {
    const { job } = await startJob(server, 'text.png');
    for (const bad of ['a\0b', 'a\ud83c']) {
      const document = structuredClone(job.document);
      document.recipe.originals[0].name = bad;
      const { body } = await post({ document }).expect(422);
      expect(body.detail).toMatch(/cannot be kept/);
    }
  });
  it('names cut off within a letter lose that letter whole', async () => {
    const { job } = await startJob(server, `${'🦆'.repeat(80)}.png`);
    expect(job.document.name).toMatch(/^(🦆)+$/u);
    await server.http.post(`/api/jobs/${job.id}/duplicate`).expect(201);
  });
  it('bodies of plain text, and lists 200 000 deep', async () => {
    const plain = await server.http
      .post('/api/jobs')
      .set('Content-Type', 'text/plain')
      .send('{}')
      .expect(415);
    expect(plain.body.detail).toMatch(/Send JSON/);
    const { body } = await server.http
      .post('/api/jobs')
      .set('Content-Type', 'application/json')
      .send(`{"document": ${'['.repeat(200_000)}${']'.repeat(200_000)}}`)
      .expect(422);
    expect(body.detail).toMatch(/100 deep/);
  });
  it('undo histories that do not fit the job', async () => {
    const { job } = await startJob(server, 'history.png');
    const save = (history: object, revision = job.revision) =>
      server.http.put(`/api/jobs/${job.id}`).send({ revision, document: job.document, history });
    const step = { label: 'Step', forward: [], backward: [] };
    await save({ from: 500, steps: [step], position: 501 }).expect(422);
    await save({ from: 0, steps: [], position: 99_999 }).expect(422);
    await save({ from: 0, steps: [], position: 2 ** 33 }).expect(422);
    await save({ from: 0, steps: [], position: 0 }, 2 ** 33).expect(422);
    await save({ from: 0, steps: Array.from({ length: 22_000 }, () => step), position: 22_000 }).expect(422);
    const { body } = await save({
      from: 0,
      steps: Array.from({ length: 4000 }, () => step),
      position: 4000,
    }).expect(200);
    expect(body.revision).toBe(job.revision + 1);
  });
  it('a job that is too large, by its own measure', async () => {
    const { body } = await post({ document: 'x'.repeat(33 * 2 ** 20) }).expect(413);
    expect(body.detail).toMatch(/The job is larger .*\(32 MB\)/);
  });
});
