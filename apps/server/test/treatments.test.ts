import { SHIPPED_TREATMENTS, treatmentOf, type FirstLook, type JobView, type Laid } from '@brachytone/job';
import sharp from 'sharp';
import { binary, send, smallPng, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

const png = async (path: string) => {
  const { body } = await server.http.get(path).buffer().parse(binary).expect(200);
  const { data, info } = await sharp(body as Buffer)
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, width: info.width, height: info.height };
};

/** How far apart two pictures of one size are, 0–255. */
const apart = (a: Buffer, b: Buffer): number =>
  a.reduce((sum, value, i) => sum + Math.abs(value - b[i]), 0) / a.length;

describe('a first look', () => {
  it('offers twelve treatments that suit a picture, each seen on it, and begins a job in one', async () => {
    const { body: original } = await send(server, await smallPng(300, 200)).expect(201);
    const { body } = await server.http.get(`/api/first-look?original=${original.sha256}`).expect(200);
    const look = body as FirstLook;
    expect(look.look.kind).toBe('colour');
    expect(look.treatments).toHaveLength(12);
    const [first, second] = look.treatments;
    const seen = (id: string) => png(`/api/treatments/${id}/seen.png?original=${original.sha256}&longer=150`);
    const a = await seen(first.id);
    expect([a.width, a.height]).toEqual([150, 100]);
    expect(apart(a.data, (await seen(second.id)).data)).toBeGreaterThan(5);

    const start = { picture: { sha256: original.sha256, name: 'tide.png' }, treatment: first.id };
    const { body: job } = await server.http.post('/api/jobs').send({ ...start, sheet: { longest: 420 } });
    expect(job.document.name).toBe('tide');
    expect(job.document.recipe.sheet).toMatchObject({ width: 420, height: 280 });
    expect(job.document.recipe.inks).toEqual(SHIPPED_TREATMENTS[0].job.recipe.inks);
    // What was seen is what the job is: off films that are only finer.
    const usual = await server.http.post('/api/jobs').send(start);
    const proof = await png(`/api/jobs/${usual.body.id}/proof.png?longer=150`);
    expect(apart(proof.data, a.data)).toBeLessThan(4);
  });

  it('shows line art, and begins a job of it as a picture', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 40"><circle cx="30" cy="20" r="15"/></svg>';
    const { body: drawing } = await send(server, Buffer.from(svg)).expect(201);
    const { body } = await server.http.get(`/api/first-look?original=${drawing.sha256}`).expect(200);
    expect((body as FirstLook).look.kind).toBe('line');
    const { body: job } = await server.http
      .post('/api/jobs')
      .send({ picture: { sha256: drawing.sha256, name: 'disc.svg' }, treatment: 'soft-shadow' })
      .expect(201);
    expect(job.document.recipe.originals).toHaveLength(2);
    await png(`/api/treatments/soft-shadow/seen.png?original=${drawing.sha256}&longer=100`);
  });

  it('says what is wrong with a wish', async () => {
    const { original } = await startJob(server);
    const { sha256 } = original;
    for (const [path, status] of [
      [`/api/first-look?original=${'0'.repeat(64)}`, 404],
      ['/api/first-look?original=reeds', 422],
      [`/api/treatments/none/seen.png?original=${sha256}`, 404],
      [`/api/treatments/Stars!/seen.png?original=${sha256}`, 422],
      [`/api/treatments/stars/seen.png?original=${sha256}&width=100`, 422],
      [`/api/treatments/stars/seen.png?original=${sha256}&longest=99999`, 422],
      [`/api/treatments/stars/seen.png?original=${sha256}&longer=9999`, 422],
    ] as const)
      expect((await server.http.get(path)).status).toBe(status);
    const picture = { sha256, name: 'reeds.png' };
    for (const [body, status] of [
      [{ picture, treatment: 'none' }, 404],
      [{ picture, treatment: 'stars', sheet: { width: 5 } }, 422],
      [{ document: {}, treatment: 'stars' }, 422],
    ] as const)
      expect((await server.http.post('/api/jobs').send(body)).status).toBe(status);
  });
});

describe('the shelf of treatments', () => {
  it('keeps a job’s look, gives it as a file, takes that in again, and lays it on another job', async () => {
    const { job, original } = await startJob(server);
    const { document } = (await server.http.get(`/api/jobs/${job.id}`)).body as JobView;
    const red = { ...document.recipe.inks[0], name: 'Brick', lab: [45, 55, 40] };
    const own = { ...document, recipe: { ...document.recipe, inks: [red] } } as unknown as typeof document;
    const kept = treatmentOf(
      own,
      { name: 'Brick dots', says: 'Ours.', sizes: 'kept', ownLevels: true },
      new Map([[original.sha256, original]]),
    );
    const { body: view } = await server.http.post('/api/treatments').send(kept).expect(201);
    expect(view).toMatchObject({ name: 'Brick dots', isShipped: false, inks: [{ name: 'Brick' }] });
    const { body: all } = await server.http.get('/api/treatments').expect(200);
    expect(all).toHaveLength(SHIPPED_TREATMENTS.length + 1);
    expect(all[0].id).toBe(view.id);

    const file = await server.http.get(`/api/treatments/${view.id}`).expect(200);
    expect(file.headers['content-disposition']).toContain('brick-dots.treatment.json');
    const { body: again } = await server.http.post('/api/treatments').send(file.body).expect(201);

    const laid = (await server.http.post(`/api/treatments/${again.id}/laid`).send({ document }).expect(200))
      .body as Laid;
    expect(laid.document.recipe.inks[0].name).toBe('Brick');
    expect(laid.document.recipe.originals[0].tone.steps[0].kind).toBe('levels');
    // Nothing is saved by it.
    expect(((await server.http.get(`/api/jobs/${job.id}`)).body as JobView).document).toEqual(document);
    await png(`/api/treatments/${again.id}/seen.png?job=${job.id}&longer=90`);
    // Of no picture in particular: the one brought in last.
    await png('/api/treatments/stars/seen.png?longer=90');

    for (const id of [view.id, again.id]) await server.http.delete(`/api/treatments/${id}`).expect(204);
    await server.http.delete(`/api/treatments/${view.id}`).expect(404);
    // What ships stays.
    expect((await server.http.delete('/api/treatments/stars')).status).toBe(422);
  });

  it('refuses what is no treatment, with a sentence', async () => {
    const { id: _id, suits: _suits, ...sound } = SHIPPED_TREATMENTS[0];
    for (const [body, words] of [
      [{ name: 'x' }, /not a treatment/],
      [{ ...sound, treatment: 2 }, /newer/],
      [{ ...sound, name: '' }, /name/],
      [{ ...sound, job: { ...sound.job, version: 99 } }, /newer/],
    ] as const) {
      const { status, body: problem } = await server.http.post('/api/treatments').send(body);
      expect(status).toBe(422);
      expect(problem.detail).toMatch(words);
    }
  });
});
