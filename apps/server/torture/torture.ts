import { execFileSync } from 'node:child_process';
import { appendFileSync, mkdirSync, rmSync, statSync, truncateSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { RunView } from '@brachytone/job';
import { Random } from '../fuzz/random.ts';
import { smallPng } from '../test/harness.ts';
import { Postgres } from '../test/postgres.ts';
import { RealServer } from '../test/real-server.ts';

/** What was tried, how much the server answered, and what of it was not there afterwards. */
export interface Tortured {
  readonly name: string;
  readonly answered: Readonly<Record<string, number>>;
  readonly lost: readonly string[];
}

interface Job {
  readonly id: string;
  revision: number;
  readonly document: { name: string; recipe: { sheet: object } };
}

/** All that a server has answered so far. */
class Answered {
  readonly jobs = new Map<string, { revision: number; name: string }>();
  readonly files = new Set<string>();
  readonly runs = new Set<string>();
  readonly pulls = new Map<string, string>();
  saves = 0;

  counts(): Record<string, number> {
    const { jobs, files, runs, pulls, saves } = this;
    return { jobs: jobs.size, saves, uploads: files.size, runs: runs.size, pulls: pulls.size };
  }

  /** What of it is not there. */
  async lost(server: RealServer): Promise<string[]> {
    const lost: string[] = [];
    for (const [id, { revision, name }] of this.jobs) {
      const kept = await server.json<Job>(`jobs/${id}`).catch(() => undefined);
      // The save under way when the power went may have arrived, too.
      const isThere =
        kept && (kept.revision > revision || (kept.revision === revision && kept.document.name === name));
      if (!isThere) lost.push(`job ${id} at revision ${revision}, found ${kept?.revision ?? 'none'}`);
    }
    for (const sha256 of this.files)
      if (!(await server.json(`files/${sha256}`).catch(() => undefined))) lost.push(`file ${sha256}`);
    for (const id of this.runs)
      if (!(await server.json(`runs/${id}`).catch(() => undefined))) lost.push(`run ${id}`);
    for (const [id, job] of this.pulls) {
      const pulls = await server.json<{ id: string }[]>(`jobs/${job}/pulls`).catch(() => []);
      if (!pulls.some((one) => one.id === id)) lost.push(`pull ${id}`);
    }
    return lost;
  }
}

/** A person at work: saves, uploads, runs and pulls one after another, until the server answers no more. */
async function atWork(
  server: RealServer,
  answered: Answered,
  random: Random,
  isOver: () => boolean,
): Promise<void> {
  try {
    const bytes = await smallPng(40 + random.below(400), 30 + random.below(300));
    const { sha256 } = await server.bring(bytes);
    answered.files.add(sha256);
    const job = await server.send<Job>('POST', 'jobs', { picture: { sha256, name: 'torture.png' } });
    answered.jobs.set(job.id, { revision: job.revision, name: job.document.name });
    for (let turn = 0; !isOver(); turn++) {
      const name = `save ${turn}`;
      const document = { ...job.document, name };
      const history = { from: 0, steps: [], position: 0 };
      const { revision } = job;
      const saved = await server.send<Job>('PUT', `jobs/${job.id}`, { revision, document, history });
      job.revision = saved.revision;
      answered.jobs.set(job.id, { revision: saved.revision, name });
      answered.saves++;
      if (turn % 5 === 1) {
        const { id } = await server.send<{ id: string }>('POST', `jobs/${job.id}/pulls`, { name, document });
        answered.pulls.set(id, job.id);
      }
      if (turn % 9 === 2)
        answered.runs.add((await server.send<RunView>('POST', 'runs', { jobId: job.id })).id);
    }
  } catch {
    // The power is gone, or there is no room: what was answered until then counts.
  }
}

/** Waits until people are at work, however slow the machine is. */
async function begun(answered: Answered): Promise<void> {
  const before = answered.saves;
  for (let waited = 0; answered.saves < before + 3 && waited < 30_000; waited += 20) await pause(20);
}

/** Kills a server at work, again and again, and looks for what it had answered. */
export async function killedAtWork(
  folder: string,
  port: number,
  seed: number,
  cycles: number,
): Promise<Tortured> {
  const server = new RealServer(port, join(folder, 'killed'));
  const random = new Random(seed);
  const answered = new Answered();
  const lost: string[] = [];
  for (let cycle = 0; cycle < cycles; cycle++) {
    await server.start();
    let over = false;
    const people = [1, 2].map(() => atWork(server, answered, random, () => over));
    await begun(answered);
    await pause(random.below(1500));
    await server.end('SIGKILL');
    over = true;
    await Promise.all(people);
    if (cycle % 10 === 9 || cycle === cycles - 1) {
      await server.start();
      lost.push(...(await answered.lost(server)));
      await server.end('SIGKILL');
    }
  }
  await server.start();
  for (const id of answered.runs) {
    for (let tries = 0; ; tries++) {
      const { status } = await server.json<RunView>(`runs/${id}`);
      if (status === 'done' || status === 'stopped') break;
      if (status === 'failed' || tries > 1200) {
        lost.push(`run ${id} is ${status}`);
        break;
      }
      await pause(100);
    }
  }
  const code = await server.end('SIGTERM');
  if (code !== 0) lost.push(`stopped with ${code}`);
  return { name: `killed ${cycles} times at work`, answered: answered.counts(), lost };
}

/** True where a small disk of memory can be made. */
function mounted(at: string, megabytes: number): boolean {
  mkdirSync(at, { recursive: true });
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', at], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}

/** Takes all room on a disk but a little. */
function fill(file: string): void {
  for (let part = 1 << 20; part > 4096;) {
    try {
      appendFileSync(file, new Uint8Array(part));
    } catch {
      part >>= 1;
    }
  }
  truncateSync(file, Math.max(0, statSync(file).size - 200_000));
}

/** True where `diskFull` can do what it says. */
export function canFill(folder: string): boolean {
  const disk = join(folder, 'tried');
  if (!mounted(disk, 1)) return false;
  execFileSync('umount', ['-l', disk]);
  return true;
}

/** Fills the disk under a server at work, and makes room again; undefined where no small disk can be made. */
export async function diskFull(folder: string, port: number, seed: number): Promise<Tortured | undefined> {
  const disk = join(folder, 'disk');
  if (!mounted(disk, 220)) return undefined;
  const server = new RealServer(port, join(disk, 'data'));
  const answered = new Answered();
  const lost: string[] = [];
  let refused = 0;
  try {
    await server.start();
    const random = new Random(seed);
    let over = false;
    const before = atWork(server, answered, random, () => over);
    await pause(1500);
    over = true;
    await before;
    fill(join(disk, 'filler'));
    for (let turn = 0; refused < 8 && turn < 400; turn++) {
      const answer = await fetch(`${server.api}/files`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/octet-stream' },
        body: new Uint8Array(await smallPng(300 + turn, 300)),
      });
      if (answer.ok) answered.files.add(((await answer.json()) as { sha256: string }).sha256);
      else {
        refused++;
        const { status } = answer;
        const { detail } = (await answer.json()) as { detail: string };
        if (status !== 507 || !detail.includes('The disk is full'))
          lost.push(`refused with ${status}: ${detail}`);
      }
    }
    if (refused === 0) lost.push('the disk never filled');
    rmSync(join(disk, 'filler'));
    let again = false;
    const after = atWork(server, answered, random, () => again);
    await pause(1500);
    again = true;
    await after;
    const saves = answered.saves;
    lost.push(...(await answered.lost(server)));
    await server.end('SIGKILL');
    await server.start();
    lost.push(...(await answered.lost(server)));
    return { name: 'the disk full', answered: { ...answered.counts(), saves, refused }, lost };
  } finally {
    await server.end('SIGKILL');
    execFileSync('umount', ['-l', disk]);
  }
}

const isWell = (server: RealServer): Promise<boolean> =>
  fetch(`${server.api}/health`).then(
    ({ ok }) => ok,
    () => false,
  );

/** Restarts the database under a server at work. */
export async function databaseRestarted(
  folder: string,
  port: number,
  seed: number,
  times: number,
): Promise<Tortured> {
  const database = new Postgres(port + 1);
  database.start();
  const server = new RealServer(port, join(folder, 'restarted'), { DATABASE_URL: database.url });
  const answered = new Answered();
  const random = new Random(seed);
  const lost: string[] = [];
  try {
    await server.start();
    for (let turn = 0; turn < times; turn++) {
      let over = false;
      const people = [1, 2].map(() => atWork(server, answered, random, () => over));
      await begun(answered);
      await pause(random.below(800));
      database.stop();
      over = true;
      await Promise.all(people);
      await pause(500);
      database.start();
      for (let tries = 0; !(await isWell(server)); tries++) {
        if (tries > 300) throw new Error(`The server did not come back: ${server.output}`);
        await pause(100);
      }
      lost.push(...(await answered.lost(server)));
    }
    const code = await server.end('SIGTERM');
    if (code !== 0) lost.push(`stopped with ${code}`);
    return { name: `the database restarted ${times} times`, answered: answered.counts(), lost };
  } finally {
    await server.end('SIGKILL');
    database.end();
  }
}
