import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import type { RunView } from '@brachytone/job';
import { Random } from '../fuzz/random.ts';
import { Postgres } from '../test/postgres.ts';
import { RealServer } from '../test/real-server.ts';
import { RealWorker } from '../test/real-worker.ts';
import { Answered, atWork, begun, unmadeRuns, wellAgain, type Tortured } from './at-work.ts';

/** A worker that is silent so long is taken for gone, and comes back to find its work with another, ms. */
const SILENT = 9_000;

/** Servers and workers that share a database and a folder of films. */
class SharedStudio {
  readonly postgres: Postgres;
  readonly servers: readonly RealServer[];
  readonly workers: readonly RealWorker[];

  /** @param port the first of three that are used */
  constructor(folder: string, port: number) {
    this.postgres = new Postgres(port);
    const shared = {
      DATABASE_URL: this.postgres.url,
      BRACHYTONE_WORKERS: 'on',
      BRACHYTONE_FILMS: join(folder, 'films'),
    };
    this.servers = [1, 2].map((n) => new RealServer(port + n, join(folder, `server ${n}`), shared));
    this.workers = [1, 2, 3].map((n) => new RealWorker(join(folder, `worker ${n}`), shared));
  }

  async start(): Promise<void> {
    this.postgres.start();
    await Promise.all(this.servers.map((server) => server.start()));
    await Promise.all(this.workers.map((worker) => worker.start()));
  }

  async end(): Promise<void> {
    await Promise.all([...this.servers, ...this.workers].map((one) => one.end('SIGKILL')));
    this.postgres.end();
  }

  /** Films that workers wrote down as made, in the order of each. */
  get made(): readonly string[] {
    return this.workers.flatMap(({ made }) => made);
  }
}

/** What is done to a studio at work, and mended again; each in its turn, to one of several that chance picks. */
const HARMS: readonly ((studio: SharedStudio, random: Random) => Promise<void>)[] = [
  async ({ servers }, random) => {
    const server = servers[random.below(servers.length)];
    await server.end('SIGKILL');
    await pause(random.below(2000));
    await server.start();
  },
  async ({ workers }, random) => {
    const worker = workers[random.below(workers.length)];
    await worker.end('SIGKILL');
    await pause(random.below(2000));
    await worker.start();
  },
  async ({ workers }, random) => {
    const worker = workers[random.below(workers.length)];
    await worker.end('SIGTERM');
    await worker.start();
  },
  async ({ postgres }) => {
    postgres.stop();
    await pause(500);
    postgres.start();
  },
  async ({ workers }, random) => {
    const { child } = workers[random.below(workers.length)];
    child?.kill('SIGSTOP');
    await pause(SILENT);
    child?.kill('SIGCONT');
  },
  async ({ servers, workers }, random) => {
    await Promise.all([servers[0].end('SIGKILL'), workers[random.below(workers.length)].end('SIGKILL')]);
    await servers[0].start();
    await Promise.all(workers.filter(({ child }) => !child).map((worker) => worker.start()));
  },
];

/** Films of runs that a server does not give as they were told of. */
async function wrongFilms(
  server: RealServer,
  { runs }: Answered,
): Promise<{ count: number; wrong: string[] }> {
  const wrong: string[] = [];
  let count = 0;
  for (const id of runs)
    for (const { file, sha256 } of (await server.json<RunView>(`runs/${id}`)).films) {
      count++;
      const answer = await fetch(`${server.api}/runs/${id}/films/${file}`);
      const sum = createHash('sha256')
        .update(Buffer.from(await answer.arrayBuffer()))
        .digest('hex');
      if (sum !== sha256) wrong.push(`film ${file} of run ${id}: ${answer.status}`);
    }
  return { count, wrong };
}

/** Two servers and three workers, of which one or the other is killed while people work at both servers. */
export async function studioAtWork(
  folder: string,
  port: number,
  seed: number,
  cycles: number,
): Promise<Tortured> {
  const studio = new SharedStudio(join(folder, 'studio'), port);
  const { servers, workers } = studio;
  const random = new Random(seed);
  const answered = new Answered();
  const lost: string[] = [];
  try {
    await studio.start();
    for (let cycle = 0; cycle < cycles; cycle++) {
      let over = false;
      const people = servers.map((server) => atWork(server, answered, random, () => over));
      await begun(answered);
      await pause(random.below(1000));
      await HARMS[cycle % HARMS.length](studio, random);
      over = true;
      await Promise.all(people);
      for (const server of servers) await wellAgain(server);
    }
    // Each is asked for what either answered.
    for (const server of servers) lost.push(...(await answered.lost(server)));
    lost.push(...(await unmadeRuns(servers[0], answered)));
    const films = await wrongFilms(servers[1], answered);
    lost.push(...films.wrong);
    const { made } = studio;
    for (const film of new Set(made))
      if (made.filter((one) => one === film).length > 1) lost.push(`${film} more than once`);
    await Promise.all(workers.map((worker) => worker.end('SIGTERM')));
    for (const server of servers) {
      const code = await server.end('SIGTERM');
      if (code !== 0) lost.push(`stopped with ${code}`);
    }
    return {
      name: `two servers and three workers, harmed ${cycles} times`,
      answered: { ...answered.counts(), films: films.count },
      lost,
    };
  } finally {
    await studio.end();
  }
}
