import { setTimeout as pause } from 'node:timers/promises';
import type { RunView } from '@brachytone/job';
import type { Random } from '../fuzz/random.ts';
import { smallPng } from '../test/harness.ts';
import type { RealServer } from '../test/real-server.ts';

/** What was tried, how much the server answered, and what of it was not there afterwards. */
export interface Tortured {
  readonly name: string;
  readonly answered: Readonly<Record<string, number>>;
  readonly lost: readonly string[];
}

export interface Job {
  readonly id: string;
  revision: number;
  readonly document: { name: string; recipe: { sheet: object } };
}

/** All that a server has answered so far. */
export class Answered {
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
export async function atWork(
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
export async function begun(answered: Answered): Promise<void> {
  const before = answered.saves;
  for (let waited = 0; answered.saves < before + 3 && waited < 30_000; waited += 20) await pause(20);
}

/** Runs that were answered and are not made in the end. */
export async function unmadeRuns(server: RealServer, { runs }: Answered): Promise<string[]> {
  const lost: string[] = [];
  for (const id of runs) {
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
  return lost;
}

/** Waits until a server answers that it is well. */
export async function wellAgain(server: RealServer): Promise<void> {
  for (let tries = 0; ; tries++) {
    const isWell = await fetch(`${server.api}/health`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (isWell) return;
    if (tries > 300) throw new Error(`The server did not come back: ${server.output}`);
    await pause(100);
  }
}
