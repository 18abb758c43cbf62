import { createHash } from 'node:crypto';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { JobView, RunView } from '@brachytone/job';
import { buffer } from 'node:stream/consumers';
import { writeBackup } from '../src/backup/write-backup.ts';
import { restoreBackup, NotRestored } from '../src/backup/restore-backup.ts';
import { openDatabase, type Database } from '../src/database/database.ts';
import { FolderStore } from '../src/film-store/folder-store.ts';
import { DemoService } from '../src/demo.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { binary, jobsOf, startJob, startServer, type Harness } from './harness.ts';
import { Postgres } from './postgres.ts';

/** Where a server keeps what is not in its database. */
const filmsAt = (folder: string) => new FolderStore(join(folder, 'films'));

let server: Harness;
let folder: string;
let jobs: JobView[];
let run: RunView;
let file: string;

const backup = async (): Promise<Buffer> =>
  (await server.http.get('/api/backup').buffer(true).parse(binary).expect(200)).body as Buffer;

/** A place with nothing in it, and what it is restored into. */
async function restored(path: string, database?: Database) {
  const into = mkdtempSync(join(tmpdir(), 'restored-'));
  const kept = database ?? (await openDatabase('memory'));
  try {
    return { into, kept, said: await restoreBackup(path, kept, filmsAt(into)) };
  } catch (error) {
    await kept.close();
    rmSync(into, { recursive: true, force: true });
    throw error;
  }
}

const rowsOf = async ({ queries }: Database, query: string): Promise<unknown[]> =>
  ((await queries.execute(query)) as { rows: unknown[] }).rows;

/** Films of the run in a folder: names with the SHA-256 of their bytes. */
const filmsIn = (place: string) =>
  readdirSync(join(place, 'films', run.id))
    .filter((name) => name !== 'half.tiff.part')
    .sort()
    .map((name) => [
      name,
      createHash('sha256')
        .update(readFileSync(join(place, 'films', run.id, name)))
        .digest('hex'),
    ]);

beforeAll(async () => {
  server = await startServer();
  folder = mkdtempSync(join(tmpdir(), 'backup-'));
  await server.app.get(TypefacesService).load();
  await server.app.get(DemoService).load();
  const { job } = await startJob(server);
  let { body } = await server.http.post('/api/runs').send({ jobId: job.id }).expect(201);
  while (body.status === 'queued' || body.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    ({ body } = await server.http.get(`/api/runs/${body.id}`).expect(200));
  }
  expect(body.status).toBe('done');
  run = body as RunView;
  jobs = await jobsOf(server);
  // What is not whole yet is nothing to be kept.
  writeFileSync(join(server.folder, 'films', run.id, 'half.tiff.part'), 'half');
  file = join(folder, 'all.zip');
  writeFileSync(file, await backup());
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('a backup', () => {
  it('is restored elsewhere to the same jobs, originals and films', async () => {
    const { into, kept, said } = await restored(file);
    expect(said).toMatchObject({ jobs: jobs.length, films: run.films.length });
    expect(said.originals).toBeGreaterThan(3);
    expect(filmsIn(into)).toEqual(filmsIn(server.folder));
    expect(readdirSync(join(into, 'films', run.id))).not.toContain('half.tiff.part');
    for (const table of ['jobs', 'job_steps', 'pulls', 'shelf', 'runs', 'original_bytes']) {
      const sum = `SELECT md5(string_agg(t::text, ',' ORDER BY t::text COLLATE "C")) AS sum FROM ${table} t`;
      const [was, is] = await Promise.all([rowsOf(server.database, sum), rowsOf(kept, sum)]);
      expect({ table, rows: is }).toEqual({ table, rows: was });
    }
    // What is there already is never written over.
    await expect(restoreBackup(file, kept, filmsAt(into))).rejects.toThrow(/already/);
    await kept.close();
    rmSync(into, { recursive: true, force: true });
  });

  it('goes to a PostgreSQL server too', async () => {
    const postgres = new Postgres(54_331);
    postgres.start();
    try {
      const database = await openDatabase({ url: postgres.url });
      const { into, said } = await restored(file, database);
      expect(said).toMatchObject({ jobs: jobs.length, films: run.films.length });
      await database.close();
      rmSync(into, { recursive: true, force: true });
    } finally {
      postgres.end();
    }
  });

  it('made while people work is what there was at one moment', async () => {
    const { job } = await startJob(server, 'busy.png');
    let stop = false;
    let saves = 0;
    const work = (async () => {
      for (let revision: number = job.revision; !stop; saves++) {
        const { body } = await server.http
          .put(`/api/jobs/${job.id}`)
          .send({
            revision,
            document: { ...job.document, name: `Busy ${saves}` },
            history: { from: 0, steps: [], position: 0 },
          })
          .expect(200);
        ({ revision } = body as { revision: number });
      }
    })();
    const path = join(folder, 'busy.zip');
    writeFileSync(path, await backup());
    stop = true;
    await work;
    expect(saves).toBeGreaterThan(1);
    const { into, kept, said } = await restored(path);
    expect(said.jobs).toBe(jobs.length + 1);
    await kept.close();
    rmSync(into, { recursive: true, force: true });
  });

  it('leaves out what was deleted while it was made, with the jobs that were made from it', async () => {
    const { job, original } = await startJob(server, 'deleted.png');
    const { database } = server;
    const without: Database = {
      ...database,
      readBytes: async (part) => (part.sha256 === original.sha256 ? undefined : database.readBytes(part)),
    };
    const path = join(folder, 'gone.zip');
    writeFileSync(path, await buffer(await writeBackup(without, filmsAt(server.folder), server.folder)));
    const { into, kept } = await restored(path);
    const ids = (await rowsOf(kept, 'SELECT id::text FROM jobs')).map((row) => (row as { id: string }).id);
    expect(ids).not.toContain(job.id);
    expect(ids).toContain(jobs.find(({ document }) => document.name === 'Season leaflet')!.id);
    expect(await rowsOf(kept, `SELECT 1 FROM originals WHERE sha256 = '${original.sha256}'`)).toEqual([]);
    await kept.close();
    rmSync(into, { recursive: true, force: true });
  });

  it('that is damaged, cut off or something else is refused in a sentence, and nothing is kept', async () => {
    const whole = readFileSync(file);
    const broken = join(folder, 'broken.zip');
    const flipped = Buffer.from(whole);
    // Within the bytes of an original, which are not packed.
    const at = flipped.indexOf('originals/') + 5000;
    flipped[at] ^= 0xff;
    for (const bytes of [flipped, whole.subarray(0, whole.length / 2), Buffer.from('no zip')]) {
      writeFileSync(broken, bytes);
      const kept = await openDatabase('memory');
      const into = mkdtempSync(join(tmpdir(), 'restored-'));
      const refusal = await restoreBackup(broken, kept, filmsAt(into)).catch((error: unknown) => error);
      expect(refusal).toBeInstanceOf(NotRestored);
      const { message } = refusal as Error;
      expect(message).toMatch(bytes === flipped ? /^“originals.* is not what it was/ : /no whole backup/);
      expect(message).toMatch(/Nothing was changed\.$/);
      expect(readdirSync(into)).toEqual([]);
      expect(await rowsOf(kept, 'SELECT id FROM jobs')).toEqual([]);
      await kept.close();
      rmSync(into, { recursive: true, force: true });
    }
  });
});
