import { onGang, type GangPlan, type GangWish, type JobDocument, type RunView } from '@brachytone/job';
import sharp from 'sharp';
import { DemoService } from '../src/demo.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { binary, jobsOf, startServer, type Harness } from './harness.ts';

let server: Harness;
let ticket: JobDocument;
beforeAll(async () => {
  server = await startServer();
  await server.app.get(TypefacesService).load();
  await server.app.get(DemoService).load();
  const found = (await jobsOf(server)).find(({ document }) => document.name === 'Members’ ticket');
  const { recipe } = found!.document;
  ticket = { ...found!.document, recipe: { ...recipe, sheet: { ...recipe.sheet, resolution: 300 } } };
});
afterAll(() => server.close());

const jobOf = async (document: JobDocument): Promise<string> =>
  (await server.http.post('/api/jobs').send({ document }).expect(201)).body.id as string;
async function ended(id: string): Promise<RunView> {
  for (;;) {
    const { body } = await server.http.get(`/api/runs/${id}`).expect(200);
    if (body.status !== 'queued' && body.status !== 'running') return body as RunView;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
async function blackOf(run: RunView, at: number): Promise<{ data: Buffer; width: number; height: number }> {
  const { body } = await server.http
    .get(`/api/runs/${run.id}/films/${run.films[at].file}`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  const { data, info } = await sharp(body as Buffer)
    .toColourspace('b-w')
    .extractChannel(0)
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { data, ...info };
}

it('four tickets and a card share a film of each ink: every one is its own film, bit for bit', async () => {
  const { recipe } = ticket;
  // A card of one of the inks alone.
  const card: JobDocument = {
    ...ticket,
    name: 'Card',
    recipe: {
      ...recipe,
      sheet: { ...recipe.sheet, width: 90, height: 110 },
      plates: recipe.plates.map((plate, i) => ({ ...plate, printed: i === 1 })),
    },
  };
  const [a, b] = [await jobOf(ticket), await jobOf(card)];
  const wish: GangWish = {
    sheet: { width: 420, height: 400 },
    gap: 5,
    jobs: [
      { jobId: a, copies: 4 },
      { jobId: b, copies: 1 },
    ],
  };
  const { body } = await server.http.post('/api/runs/gang/plan').send(wish).expect(200);
  const plan = body as GangPlan;
  expect(plan.places).toHaveLength(5);
  expect(plan.inks).toEqual(['Lantern', 'Reed black']);
  const run = await ended(
    (await server.http.post('/api/runs/gang').send(wish).expect(201)).body.id as string,
  );
  expect(run).toMatchObject({
    status: 'done',
    isGang: true,
    changed: false,
    jobName: '4 × Members’ ticket, 1 × Card',
  });
  const alone: RunView[] = [];
  for (const document of [ticket, card]) {
    const films = { ...document.films, format: 'png' } as const;
    const id = await jobOf({ ...onGang(document), films });
    alone.push(
      await ended((await server.http.post('/api/runs').send({ jobId: id }).expect(201)).body.id as string),
    );
  }
  for (const [at, ink] of plan.inks.entries()) {
    const film = await blackOf(run, at);
    expect([film.width, film.height]).toEqual([plan.width, plan.height]);
    let held = 0;
    for (const { job, x, y, width, height } of plan.places) {
      const own = alone[job].films.findIndex((one) => one.ink === ink);
      if (own < 0) continue;
      held++;
      const single = await blackOf(alone[job], own);
      expect([single.width, single.height]).toEqual([width, height]);
      let different = 0;
      for (let v = 0; v < height; v++)
        if (
          film.data.compare(
            single.data,
            v * width,
            (v + 1) * width,
            (y + v) * plan.width + x,
            (y + v) * plan.width + x + width,
          ) !== 0
        )
          different++;
      expect([ink, job, different]).toEqual([ink, job, 0]);
    }
    expect(held).toBe(ink === 'Lantern' ? 4 : 5);
  }
  const again = await ended(
    (await server.http.post(`/api/runs/${run.id}/again`).expect(201)).body.id as string,
  );
  expect(again.films.map(({ sha256 }) => sha256)).toEqual(run.films.map(({ sha256 }) => sha256));
});

it('jobs that cannot share a film are told why', async () => {
  const a = await jobOf(ticket);
  const small = { sheet: { width: 100, height: 100 }, gap: 5, jobs: [{ jobId: a, copies: 1 }] };
  const { body } = await server.http.post('/api/runs/gang').send(small).expect(422);
  expect(body.detail).toContain('larger than the film');
  await server.http
    .post('/api/runs/gang')
    .send({ ...small, jobs: [] })
    .expect(422);
  await server.http
    .post('/api/runs/gang')
    .send({ ...small, jobs: [{ jobId: '00000000-0000-4000-8000-000000000000', copies: 1 }] })
    .expect(404);
});
