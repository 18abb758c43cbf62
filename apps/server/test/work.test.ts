import { WorkService } from '../src/work/work.service.ts';
import { startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

it('work is ended when the server’s memory runs out, says so, and the next is done', async () => {
  const { job } = await startJob(server);
  const { recipe } = job.document;
  // Large enough to be looked at while it is made.
  const sheet = { ...recipe.sheet, width: 1500, height: 1500, resolution: 1200 };
  const history = { from: 0, steps: [], position: 0 };
  const saved = await server.http
    .put(`/api/jobs/${job.id}`)
    .send({ revision: job.revision, document: { ...job.document, recipe: { ...recipe, sheet } }, history })
    .expect(200);
  const ended = async () => {
    let { body } = await server.http.post('/api/runs').send({ jobId: job.id }).expect(201);
    while (body.status === 'queued' || body.status === 'running') {
      await new Promise((resolve) => setTimeout(resolve, 50));
      ({ body } = await server.http.get(`/api/runs/${body.id}`).expect(200));
    }
    return body as { status: string; message: string | null };
  };
  const work = server.app.get(WorkService);
  work.mostMemory = 1;
  const failed = await ended();
  expect(failed.status).toBe('failed');
  expect(failed.message).toMatch(/more memory than there is for it/);
  work.mostMemory = Infinity;
  await server.http
    .put(`/api/jobs/${job.id}`)
    .send({ revision: saved.body.revision, document: job.document, history })
    .expect(200);
  expect(await ended()).toMatchObject({ status: 'done' });
});
