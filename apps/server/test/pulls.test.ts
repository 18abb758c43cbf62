import type { JobView, JobWithDocument, PullView } from '@brachytone/job';
import { eq } from 'drizzle-orm';
import { pulls } from '../src/database/schema.ts';
import { upgradeDocuments } from '../src/database/upgrade-documents.ts';
import { startJob, startServer, type Harness } from './harness.ts';

let harness: Harness;
beforeAll(async () => {
  harness = await startServer();
});
afterAll(() => harness.close());

const path = (job: string, rest = '') => `/api/jobs/${job}/pulls${rest}`;

it('pulls are kept, named, pictured and thrown away, each its own job’s', async () => {
  const { job } = (await startJob(harness)) as { job: JobWithDocument };
  const { job: other } = (await startJob(harness, 'other.png')) as { job: JobWithDocument };
  const { document } = job;
  const first = await harness.http.post(path(job.id)).send({ name: ' Dark reeds ', document }).expect(201);
  const kept = first.body as PullView;
  expect(kept.name).toBe('Dark reeds');
  expect(kept.document).toEqual(document);
  const lighter = {
    ...document,
    recipe: { ...document.recipe, stock: { ...document.recipe.stock, lab: [60, 0, 0] } },
  };
  await harness.http.post(path(job.id)).send({ name: 'Grey stock', document: lighter }).expect(201);
  const listed = (await harness.http.get(path(job.id)).expect(200)).body as PullView[];
  expect(listed.map(({ name }) => name)).toEqual(['Dark reeds', 'Grey stock']);
  expect((await harness.http.get(path(other.id)).expect(200)).body).toEqual([]);
  await harness.http
    .patch(path(job.id, `/${kept.id}`))
    .send({ name: 'Reeds' })
    .expect(200);
  const pictures = await Promise.all(
    listed.map(({ id }) => harness.http.get(path(job.id, `/${id}/proof.png?longer=64`)).expect(200)),
  );
  expect(pictures[0].headers['content-type']).toBe('image/png');
  expect(Buffer.compare(pictures[0].body as Buffer, pictures[1].body as Buffer)).not.toBe(0);
  // The job itself is as it was.
  expect(((await harness.http.get(`/api/jobs/${job.id}`)).body as JobView).document).toEqual(document);
  await harness.http.delete(path(other.id, `/${kept.id}`)).expect(404);
  await harness.http.delete(path(job.id, `/${kept.id}`)).expect(204);
  await harness.http.get(path(job.id, `/${kept.id}/proof.png`)).expect(404);
  await harness.http
    .patch(path(job.id, `/${kept.id}`))
    .send({ name: 'Gone' })
    .expect(404);
});

it('refuses what cannot be kept with a sentence', async () => {
  const { job } = (await startJob(harness)) as { job: JobWithDocument };
  const said = async (body: object) =>
    ((await harness.http.post(path(job.id)).send(body).expect(422)).body as { detail: string }).detail;
  expect(await said({ name: '', document: job.document })).toContain('“name”');
  expect(await said({ name: 'x', document: { ...job.document, version: 99 } })).toContain('newer Brachytone');
  const nobody = '11111111-1111-4111-8111-111111111111';
  await harness.http.post(path(nobody)).send({ name: 'x', document: job.document }).expect(404);
});

it('pulls of an earlier version are brought up to date', async () => {
  const { job } = (await startJob(harness)) as { job: JobWithDocument };
  const { recipe } = job.document;
  const { route: _, overprint: _over, ...original } = recipe.originals[0];
  const old = {
    ...job.document,
    version: 4,
    recipe: {
      sheet: recipe.sheet,
      stock: { name: 'White', colour: '#ffffff' },
      originals: [{ ...original, ink: 'ink-1' }],
      inks: [{ id: 'ink-1', name: 'Black', colour: '#1b1a19', opacity: 0 }],
      plates: [{ id: 'plate-1', ink: 'ink-1', screen: recipe.plates[0].screen }],
    },
  };
  const id = '22222222-2222-4222-8222-222222222222';
  await harness.database.queries
    .insert(pulls)
    .values({ id, jobId: job.id, name: 'Old', document: old as never });
  await upgradeDocuments(harness.database);
  const [row] = await harness.database.queries.select().from(pulls).where(eq(pulls.id, id));
  expect(row.document.recipe.originals[0].route).toEqual({ kind: 'ink', ink: 'ink-1' });
});

it('inks and stocks are kept on the shelf, and what is none is refused', async () => {
  const ink = { name: 'Tide', lab: [46, -24, -30], opacity: 0.1, fountain: null };
  const stock = { name: 'Fog', lab: [93, 0, 4], texture: 'paper', soak: 0.01, yuleNielsen: 1.6 };
  for (const [shelf, item] of [
    ['inks', ink],
    ['stocks', stock],
  ] as const) {
    const { body } = await harness.http.post(`/api/shelf/${shelf}`).send(item).expect(201);
    const { id } = body as { id: string };
    expect((await harness.http.get(`/api/shelf/${shelf}`).expect(200)).body).toEqual([{ id, ...item }]);
    await harness.http.delete(`/api/shelf/${shelf}/${id}`).expect(204);
    await harness.http.delete(`/api/shelf/${shelf}/${id}`).expect(404);
    const { body: problem } = await harness.http
      .post(`/api/shelf/${shelf}`)
      .send({ ...item, lab: [300, 0, 0] })
      .expect(422);
    expect((problem as { detail: string }).detail).toContain('Nothing was changed');
  }
});
