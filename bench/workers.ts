/**
 * What a second worker adds: films of an A3 photograph in four process inks, made by one worker and by two, each process held to a core of its own. Run by
 * `npm run bench:workers`; it takes a PostgreSQL server of the system's packages.
 */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { filmFrame } from '@brachytone/core';
import {
  newJob,
  placeOnSheet,
  PRINTING_CONDITIONS,
  withCondition,
  type JobView,
  type RunView,
} from '@brachytone/job';
import sharp from 'sharp';
import { Postgres } from '../apps/server/test/postgres.ts';
import { RealServer } from '../apps/server/test/real-server.ts';

/** Runs of four films that are asked for at once. */
const RUNS = 6;
/** Of the system's clock, in a second. */
const TICKS = 100;
const TURNS = 3;
const SIZE = { width: 3508, height: 4961 };
const WHOLE = { width: 1, height: 1 };

const folder = mkdtempSync(join(tmpdir(), 'bench-workers-'));
const postgres = new Postgres(4314);
postgres.start();
const shared = {
  DATABASE_URL: postgres.url,
  BRACHYTONE_WORKERS: 'on',
  BRACHYTONE_FILMS: join(folder, 'films'),
};
const server = new RealServer(4315, join(folder, 'server'), shared);

async function workerOn(core: number): Promise<ChildProcess> {
  const child = spawn('taskset', ['-c', String(core), process.execPath, 'apps/server/dist/film-worker.js'], {
    env: {
      ...process.env,
      ...shared,
      BRACHYTONE_DATA: join(folder, `worker ${core}`),
      BRACHYTONE_PLACES: '1',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => {
    child.stdout.on('data', (text: Buffer) => text.includes('makes films') && resolve());
  });
  return child;
}

async function photographJob(): Promise<JobView> {
  const noise = await sharp({
    create: { ...SIZE, channels: 3, background: '#888', noise: { type: 'gaussian', mean: 128, sigma: 30 } },
  })
    .blur(2)
    .jpeg({ quality: 90 })
    .toBuffer();
  const { sha256 } = await server.bring(noise);
  const job = newJob({ sha256, name: 'photograph.jpg', ...SIZE });
  const sheet = { ...job.recipe.sheet, width: 297, height: 420, bleed: 0, resolution: 1200 };
  const [original] = job.recipe.originals;
  const placed = {
    ...job.recipe,
    sheet,
    originals: [{ ...original, placement: placeOnSheet(sheet, SIZE, WHOLE) }],
  };
  const recipe = withCondition(placed, original.id, PRINTING_CONDITIONS[0]);
  return server.send<JobView>('POST', 'jobs', { document: { ...job, recipe } });
}

/** Seconds that runs take, from the first asked for to the last film. */
async function timeOf(job: string): Promise<number> {
  const begun = performance.now();
  const runs: RunView[] = [];
  for (let i = 0; i < RUNS; i++) runs.push(await server.send<RunView>('POST', 'runs', { jobId: job }));
  for (const { id } of runs) {
    let run: RunView;
    do {
      await pause(50);
      run = await server.json<RunView>(`runs/${id}`);
    } while (run.ended === null);
    if (run.status !== 'done') throw new Error(`${run.status}: ${run.message}`);
  }
  return (performance.now() - begun) / 1000;
}

/** Seconds that processes have worked, all their threads together. */
function cpuSeconds(processes: readonly ChildProcess[]): number {
  const ticks = processes.map(({ pid }) => {
    const fields = readFileSync(`/proc/${pid}/stat`, 'utf8')
      .replace(/^.*\) /, '')
      .split(' ');
    return Number(fields[11]) + Number(fields[12]);
  });
  return ticks.reduce((sum, one) => sum + one, 0) / TICKS;
}

try {
  if (spawnSync('taskset', ['--version']).error) throw new Error('There is no taskset here.');
  await server.start();
  const { id, document } = await photographJob();
  const { width, height } = filmFrame(document.recipe);
  const pixels = RUNS * 4 * width * height;
  const cores = Math.min(4, availableParallelism());
  const rates: number[] = [];
  for (let count = 1; count <= cores; count *= 2) {
    const workers: ChildProcess[] = [];
    for (let core = 0; core < count; core++) workers.push(await workerOn(core));
    // The first time they read the photograph.
    await timeOf(id);
    const times: number[] = [];
    const before = cpuSeconds(workers);
    for (let turn = 0; turn < TURNS; turn++) times.push(await timeOf(id));
    const worked = (cpuSeconds(workers) - before) / TURNS;
    const time = times.sort((a, b) => a - b)[TURNS >> 1];
    rates.push(pixels / time);
    console.log(
      `${count} worker${count > 1 ? 's' : ''}: ${RUNS * 4} films in ${time.toFixed(1)} s, ${Math.round(pixels / worked / 1e6)} Mpx for each second that a core worked, ${Math.round((100 * worked) / time / count)} % of the cores’ time, × ${(rates.at(-1)! / rates[0]).toFixed(2)} of one`,
    );
    for (const worker of workers) worker.kill('SIGKILL');
    await pause(8000);
  }
} finally {
  await server.end();
  postgres.end();
  rmSync(folder, { recursive: true, force: true });
}
