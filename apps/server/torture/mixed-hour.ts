import { setTimeout as pause } from 'node:timers/promises';
import type { JobsPage, JobView, RunView } from '@brachytone/job';
import sharp from 'sharp';
import { Random } from '../fuzz/random.ts';
import { residentBytes } from '../src/readers/resident-bytes.ts';
import { RealServer } from '../test/real-server.ts';

/** What a studio does in an hour. */
const AN_HOUR = { edits: 200, proofs: 200, runs: 30, vectors: 20, uploads: 50 } as const;
type Deed = keyof typeof AN_HOUR;

/** People at it at once. */
const PEOPLE = 3;
/** Rest after which memory is looked at, ms. */
const REST = 150_000;

/** The server's memory after an hour's work, and its most while at it, bytes. */
export interface Hour {
  readonly answered: Readonly<Record<Deed, number>>;
  readonly failed: readonly string[];
  readonly most: number;
  readonly ends: number;
}

/** A photograph of no meaning: noise over a slope, which takes up room as one from a camera does. */
function photograph(random: Random): Promise<Buffer> {
  const [width, height] = [1500 + random.below(2500), 1000 + random.below(2000)];
  return sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#888',
      noise: { type: 'gaussian', mean: 128, sigma: 30 },
    },
  })
    .jpeg({ quality: 85 })
    .toBuffer();
}

/** Hours' work, or a share of one hour's, as fast as it goes, on a server with the demo's jobs; what each left behind. */
export async function mixedHours(folder: string, port: number, seed: number, hours: number): Promise<Hour[]> {
  const server = new RealServer(port, folder, { BRACHYTONE_DEMO: 'on' });
  await server.start();
  const memory = () => residentBytes(server.child?.pid ?? 0) ?? 0;
  const random = new Random(seed);
  const { jobs } = await server.json<JobsPage>('jobs');
  const names = jobs.map(({ id }) => id);
  const pick = () => names[random.below(names.length)];
  /** Saves of one job come one after another, as from one window. */
  const turns = new Map<string, Promise<unknown>>();
  const save = (id: string, change: (job: JobView) => object): Promise<unknown> => {
    const next = (turns.get(id) ?? Promise.resolve()).then(async () => {
      const job = await server.json<JobView>(`jobs/${id}`);
      const history = { from: job.steps.length, steps: [], position: job.steps.length };
      await server.send('PUT', `jobs/${id}`, { revision: job.revision, document: change(job), history });
    });
    turns.set(
      id,
      next.catch(() => undefined),
    );
    return next;
  };
  const edit = (id: string) =>
    save(id, ({ document }) => {
      const [first, ...rest] = document.recipe.plates;
      return {
        ...document,
        recipe: { ...document.recipe, plates: [{ ...first, weight: random.below(40) - 20 }, ...rest] },
      };
    });
  const films = async (id: string, format: string): Promise<void> => {
    await save(id, ({ document }) => ({ ...document, films: { ...document.films, format } }));
    let run = await server.send<RunView>('POST', 'runs', { jobId: id });
    while (run.status === 'queued' || run.status === 'running') {
      await pause(100);
      run = await server.json<RunView>(`runs/${run.id}`);
    }
    if (run.status !== 'done') throw new Error(`run ${run.status}: ${run.message}`);
  };
  const deeds: Record<Deed, () => Promise<unknown>> = {
    edits: () => edit(pick()),
    async proofs() {
      const id = pick();
      const answer = await fetch(`${server.api}/jobs/${id}/proof.png?longer=448`);
      if (!answer.ok) throw new Error(`proof: ${answer.status} ${await answer.text()}`);
      await answer.arrayBuffer();
    },
    runs: () => films(pick(), 'tiff-group4'),
    vectors: () => films(pick(), 'svg'),
    uploads: async () => server.bring(await photograph(random)),
  };
  const told: Hour[] = [];
  for (let hour = 0; hour < hours; hour++) {
    const list = (Object.keys(AN_HOUR) as Deed[]).flatMap((deed) =>
      Array<Deed>(Math.ceil(AN_HOUR[deed] * Math.min(1, hours))).fill(deed),
    );
    const order = list.map((deed) => ({ deed, at: random.below(1e6) })).sort((a, b) => a.at - b.at);
    const answered: Record<Deed, number> = { edits: 0, proofs: 0, runs: 0, vectors: 0, uploads: 0 };
    const failed: string[] = [];
    let most = 0;
    const watch = setInterval(() => (most = Math.max(most, memory())), 500);
    await Promise.all(
      Array.from({ length: PEOPLE }, async () => {
        for (let next = order.pop(); next; next = order.pop()) {
          try {
            await deeds[next.deed]();
            answered[next.deed]++;
          } catch (error) {
            failed.push(`${next.deed}: ${String(error)}`);
          }
        }
      }),
    );
    await pause(REST);
    clearInterval(watch);
    told.push({ answered, failed, most, ends: memory() });
  }
  await server.end('SIGTERM');
  return told;
}
