import { expect, test } from '@playwright/test';
import { softPicture } from './pictures.ts';
import { Server } from './server.ts';

const server = new Server(4292);
test.beforeEach(() => server.start());
test.afterEach(() => server.kill());
test.afterAll(() => server.stop());

interface Job {
  id: string;
  revision: number;
  document: { name: string; recipe: { sheet: { width: number; height: number; resolution: number } } };
}

const json = (method: string, body: unknown): RequestInit => ({
  method,
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

async function startJob(): Promise<Job> {
  const { sha256 } = await server.json<{ sha256: string }>('files', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(await softPicture(300, 300)),
  });
  return server.json<Job>('jobs', json('POST', { picture: { sha256, name: 'cut.png' } }));
}

test('killed while saving, the server loses nothing it had answered', async () => {
  const job = await startJob();
  let answered = 0;
  let stop = false;
  const saving = (async () => {
    for (let revision = 1; !stop; revision++) {
      const document = { ...job.document, name: `save ${revision}` };
      await server.json(
        `jobs/${job.id}`,
        json('PUT', { revision, document, history: { from: 0, steps: [], position: 0 } }),
      );
      answered = revision;
    }
  })().catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, 1500));
  await server.kill();
  stop = true;
  await saving;
  expect(answered).toBeGreaterThan(3);
  await server.start();
  const kept = await server.json<Job>(`jobs/${job.id}`);
  // The one under way when the power went may or may not have arrived; every answered one has.
  expect(kept.revision).toBeGreaterThanOrEqual(answered + 1);
  expect(kept.revision).toBeLessThanOrEqual(answered + 2);
  expect(kept.document.name).toBe(`save ${kept.revision - 1}`);
});

test('killed while making films, the run goes on when the server is back', async () => {
  const job = await startJob();
  const large = await server.json<Job>(
    'jobs',
    json('POST', {
      document: {
        ...job.document,
        recipe: { ...job.document.recipe, sheet: { width: 400, height: 400, bleed: 0, resolution: 1200 } },
      },
    }),
  );
  const run = await server.json<{ id: string }>('runs', json('POST', { jobId: large.id }));
  const status = async (id: string) => (await server.json<{ status: string }>(`runs/${id}`)).status;
  while ((await status(run.id)) === 'queued') await new Promise((resolve) => setTimeout(resolve, 20));
  expect(await status(run.id)).toBe('running');
  await server.kill();
  await server.start();
  expect(['queued', 'running', 'done']).toContain(await status(run.id));
  await expect.poll(() => status(run.id)).toBe('done');
});
