import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { newScreen } from '@brachytone/core';
import type { JobView, RunView } from '@brachytone/job';
import pg from 'pg';
import sharp from 'sharp';
import { Postgres } from './postgres.ts';
import { RealServer } from './real-server.ts';
import { RealWorker } from './real-worker.ts';

const folder = mkdtempSync(join(tmpdir(), 'workers-'));
const postgres = new Postgres(4311);
const shared = {
  DATABASE_URL: postgres.url,
  BRACHYTONE_WORKERS: 'on',
  BRACHYTONE_FILMS: join(folder, 'films'),
};
const servers = [4312, 4313].map((port) => new RealServer(port, join(folder, `server ${port}`), shared));
const [one, two] = servers;

const workers = ['a', 'b', 'c'].map((name) => new RealWorker(join(folder, name), shared));
const everything = () => workers.flatMap(({ made }) => made);
/** What workers said that they made of these runs. */
const madeOf = (runs: readonly RunView[]) =>
  everything().filter((words) => runs.some(({ id }) => words.endsWith(id)));

beforeAll(async () => {
  postgres.start();
  // Both bring the tables up to date at the same time: one does.
  await Promise.all(servers.map((server) => server.start()));
  await Promise.all(workers.map((worker) => worker.start()));
});
afterAll(async () => {
  for (const worker of workers) await worker.end();
  for (const server of servers) await server.end();
  postgres.end();
  rmSync(folder, { recursive: true, force: true });
});

/** What is said of these runs once it is so much or no more comes: a film is written down a moment before it is told. */
async function saidOnceThereAre(count: number, runs: readonly RunView[]): Promise<string[]> {
  for (const end = Date.now() + 10_000; madeOf(runs).length < count && Date.now() < end;) await pause(50);
  await pause(500);
  return madeOf(runs);
}

/** A job of a photograph in so many plates of one ink each, mm a side. */
async function jobOf(plates: number, side: number): Promise<JobView> {
  const noise = await sharp({
    create: {
      width: 300,
      height: 300,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 40 },
    },
  })
    .png()
    .toBuffer();
  const { sha256 } = await one.bring(noise);
  const job = await one.send<JobView>('POST', 'jobs', { picture: { sha256, name: 'noise.png' } });
  const { recipe } = job.document;
  const [ink] = recipe.inks;
  const [plate] = recipe.plates;
  const [original] = recipe.originals;
  const each = <Part>(make: (id: string) => Part) =>
    Array.from({ length: plates }, (_, i) => make(`${i + 1}`));
  const document = {
    ...job.document,
    recipe: {
      ...recipe,
      sheet: { ...recipe.sheet, width: side, height: side },
      inks: each((n) => ({ ...ink, id: `ink-${n}`, name: `Ink ${n}` })),
      // From the top down, and so slow enough to be disturbed.
      plates: each((n) => ({ ...plate, id: `plate-${n}`, ink: `ink-${n}`, screen: newScreen('diffused') })),
      originals: each((n) => ({
        ...original,
        id: `original-${n}`,
        overprint: true,
        placement: { ...original.placement, x: side / 2, y: side / 2, width: side },
        route: { ...original.route, ink: `ink-${n}` },
      })),
    },
  };
  return one.send<JobView>('POST', 'jobs', { document });
}

const ended = async (server: RealServer, id: string): Promise<RunView> => {
  for (;;) {
    const run = await server.json<RunView>(`runs/${id}`);
    if (run.ended !== null) return run;
    await pause(150);
  }
};

/** Waits until a run is being made. */
const begun = async (id: string): Promise<void> => {
  while ((await one.json<RunView>(`runs/${id}`)).status === 'queued') await pause(30);
  await pause(200);
};

const filmOf = async (server: RealServer, run: RunView, at: number): Promise<string> => {
  const answer = await fetch(`${server.api}/runs/${run.id}/films/${run.films[at].file}`);
  expect(answer.status).toBe(200);
  return createHash('sha256')
    .update(Buffer.from(await answer.arrayBuffer()))
    .digest('hex');
};

test('films of many jobs are made by all workers, each once, and given by either server', async () => {
  const { id } = await jobOf(3, 30);
  const runs = await Promise.all(
    Array.from({ length: 6 }, (_, i) => servers[i % 2].send<RunView>('POST', 'runs', { jobId: id })),
  );
  const done = await Promise.all(runs.map((run, i) => ended(servers[(i + 1) % 2], run.id)));
  expect(done.map(({ status }) => status)).toEqual(runs.map(() => 'done'));
  const made = await saidOnceThereAre(18, runs);
  expect(made).toHaveLength(18);
  expect(new Set(made).size).toBe(18);
  expect(workers.filter(({ made }) => made.length > 0).length).toBeGreaterThan(1);
  for (const [i, { sha256 }] of done[0].films.entries()) {
    expect(await filmOf(one, done[0], i)).toBe(sha256);
    expect(await filmOf(two, done[0], i)).toBe(sha256);
  }
});

test('news crosses from server to server', async () => {
  const events = await fetch(`${two.api}/runs/events`);
  const reader = events.body!.pipeThrough(new TextDecoderStream()).getReader();
  const { id } = await jobOf(1, 20);
  const run = await one.send<RunView>('POST', 'runs', { jobId: id });
  let text = '';
  while (!/"status":"done"/.test(text)) text += (await reader.read()).value ?? '';
  expect(text).toContain(run.id);
  await reader.cancel();
});

test('a worker that is pulled out of the wall loses nothing: within ten seconds another goes on', async () => {
  const { id } = await jobOf(4, 500);
  const run = await one.send<RunView>('POST', 'runs', { jobId: id });
  const [a] = workers;
  // Each of the three has one film by then; the fourth waits.
  await begun(run.id);
  await a.end('SIGKILL');
  const done = await ended(two, run.id);
  expect(done.status).toBe('done');
  expect(a.made.filter((words) => words.endsWith(run.id))).toEqual([]);
  const made = await saidOnceThereAre(4, [run]);
  expect(made).toHaveLength(4);
  expect(new Set(made).size).toBe(made.length);
  for (const [i, { sha256 }] of done.films.entries()) expect(await filmOf(one, done, i)).toBe(sha256);
  const log = `${one.output}${two.output}`;
  expect(log).toContain('is gone; what it was at is made by another');
  await a.start();
});

test('a worker that is stopped gives back what it is at, and one that comes back from a pause spoils nothing', async () => {
  const { id } = await jobOf(3, 500);
  const run = await two.send<RunView>('POST', 'runs', { jobId: id });
  const [, b, c] = workers;
  await begun(run.id);
  c.child?.kill('SIGSTOP');
  await b.end('SIGTERM');
  await b.start();
  // Longer than a worker may be silent.
  await pause(9000);
  c.child?.kill('SIGCONT');
  const done = await ended(one, run.id);
  expect(done.status).toBe('done');
  await pause(3000);
  const made = await saidOnceThereAre(3, [run]);
  expect(made).toHaveLength(3);
  expect(new Set(made).size).toBe(made.length);
  for (const [i, { sha256 }] of done.films.entries()) expect(await filmOf(two, done, i)).toBe(sha256);
});

test('a run is cancelled wherever it is made', async () => {
  const { id } = await jobOf(3, 500);
  const run = await one.send<RunView>('POST', 'runs', { jobId: id });
  await begun(run.id);
  await two.send('POST', `runs/${run.id}/cancel`, {});
  await pause(4000);
  expect((await one.json<RunView>(`runs/${run.id}`)).status).toBe('cancelled');
  expect(madeOf([run])).toEqual([]);
  // The workers are free again.
  const small = await jobOf(1, 20);
  const next = await two.send<RunView>('POST', 'runs', { jobId: small.id });
  expect((await ended(one, next.id)).status).toBe('done');
});

test('a restart of a server, and of the database, loses nothing that was answered', async () => {
  const { id } = await jobOf(4, 200);
  const run = await one.send<RunView>('POST', 'runs', { jobId: id });
  await one.end('SIGKILL');
  postgres.stop();
  await pause(1500);
  postgres.start();
  await one.start();
  const done = await ended(one, run.id);
  expect(done.status).toBe('done');
  expect((await two.json<JobView>(`jobs/${id}`)).document.recipe.plates).toHaveLength(4);
  expect(new Set(everything()).size).toBe(everything().length);
});

test('a run whose server was gone before it asked for its films is made all the same', async () => {
  const { id } = await jobOf(2, 20);
  const run = await one.send<RunView>('POST', 'runs', { jobId: id });
  await ended(one, run.id);
  // The run as it is when nothing was asked for yet.
  const client = new pg.Client({ connectionString: postgres.url });
  await client.connect();
  try {
    const films = run.films.map((film) => ({ ...film, bytes: 0, inked: null }));
    await client.query("update runs set status = 'queued', ended = null, films = $2 where id = $1", [
      run.id,
      JSON.stringify(films),
    ]);
    await client.query("notify brachytone, 'nothing that anybody understands'");
  } finally {
    await client.end();
  }
  expect((await ended(two, run.id)).status).toBe('done');
});
