import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobDocument, RunView } from '@brachytone/job';
import { smallPng } from './harness.ts';
import { Postgres } from './postgres.ts';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'away-'));
const database = new Postgres(5441);
const server = new RealServer(4283, join(folder, 'one'), { DATABASE_URL: database.url });
const second = new RealServer(4282, join(folder, 'two'), { DATABASE_URL: database.url });
afterAll(async () => {
  await server.end();
  await second.end();
  database.end();
  rmSync(folder, { recursive: true, force: true });
});

interface Job {
  readonly id: string;
  readonly revision: number;
  readonly document: JobDocument;
}

const health = async () => (await fetch(`${server.api}/health`)).status;
const until = async (what: () => Promise<boolean>, seconds = 60) => {
  for (const end = Date.now() + seconds * 1000; !(await what());) {
    if (Date.now() > end) throw new Error(`It did not come to pass. ${server.output}`);
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
};
const renamed = (job: Job, name: string) =>
  server.send<Job>('PUT', `jobs/${job.id}`, {
    revision: job.revision,
    document: { ...job.document, name },
    history: { from: 0, steps: [], position: 0 },
  });

it('a server waits for its database at its start', async () => {
  const started = server.start();
  await until(() => Promise.resolve(/does not answer; trying again in/.test(server.output)));
  database.start();
  await started;
  expect(await health()).toBe(200);
});

it('while its database is away it says so; once it is back it goes on by itself, and nothing answered is lost', async () => {
  const { sha256 } = await server.bring(await smallPng(400, 300));
  const job = await server.send<Job>('POST', 'jobs', { picture: { sha256, name: 'reeds.png' } });
  const large = {
    ...job.document,
    recipe: { ...job.document.recipe, sheet: { width: 594, height: 420, bleed: 0, resolution: 2400 } },
  };
  const { revision } = await server.send<Job>('PUT', `jobs/${job.id}`, {
    revision: job.revision,
    document: large,
    history: { from: 0, steps: [], position: 0 },
  });
  const run = await server.send<RunView>('POST', 'runs', { jobId: job.id });
  await until(async () => (await server.json<RunView>(`runs/${run.id}`)).status === 'running');
  let last: Job = { ...job, document: large, revision };
  for (let turn = 0; turn < 3; turn++) {
    database.stop();
    await until(async () => (await health()) === 503);
    const refused = await fetch(`${server.api}/jobs`);
    expect(refused.status).toBe(503);
    expect(((await refused.json()) as { detail: string }).detail).toMatch(/saved as soon as it is back/);
    database.start();
    await until(async () => (await health()) === 200);
    await until(async () => (await fetch(`${server.api}/jobs`)).ok);
    const kept = await server.json<Job>(`jobs/${job.id}`);
    expect([kept.revision, kept.document.name]).toEqual([last.revision, last.document.name]);
    await renamed(kept, `Saved after ${turn}`);
    last = await server.json<Job>(`jobs/${job.id}`);
    expect(last.document.name).toBe(`Saved after ${turn}`);
  }
  await until(async () => (await server.json<RunView>(`runs/${run.id}`)).status === 'done', 120);
  expect(server.child?.exitCode).toBeNull();
});

it('a second server on its database is told who has it', async () => {
  await expect(second.start()).rejects.toThrow(
    new RegExp(
      `Another server \\(brachytone ${server.child?.pid} on .*since 20.*already using this database`,
    ),
  );
  expect(await health()).toBe(200);
});
