import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { setTimeout as pause } from 'node:timers/promises';
import type { JobView, RunView } from '@brachytone/job';
import S3rver from 's3rver';
import { restoreBackup } from '../src/backup/restore-backup.ts';
import { writeBackup } from '../src/backup/write-backup.ts';
import { openDatabase } from '../src/database/database.ts';
import { filmStoreOf } from '../src/film-store/film-store-of.ts';
import { ObjectStore } from '../src/film-store/object-store.ts';
import { readSettings, UnfitSettings } from '../src/settings.ts';
import { smallPng } from './harness.ts';
import { Postgres } from './postgres.ts';
import { RealServer } from './real-server.ts';
import { RealWorker } from './real-worker.ts';

const folder = mkdtempSync(join(tmpdir(), 'film-store-'));
const PORT = 4318;
const objects = new S3rver({
  port: PORT,
  address: '127.0.0.1',
  silent: true,
  directory: join(folder, 'objects'),
  configureBuckets: [{ name: 'plates' }],
});
/** What the store that was started takes. */
const KEYS = {
  AWS_ENDPOINT_URL: `http://127.0.0.1:${PORT}`,
  AWS_REGION: 'us-east-1',
  AWS_ACCESS_KEY_ID: 'S3RVER',
  AWS_SECRET_ACCESS_KEY: 'S3RVER',
};
const sum = (bytes: Uint8Array) => createHash('sha256').update(bytes).digest('hex');

beforeAll(async () => {
  await objects.run();
  Object.assign(process.env, KEYS);
});
afterAll(async () => {
  for (const name of Object.keys(KEYS)) delete process.env[name];
  await objects.close();
  rmSync(folder, { recursive: true, force: true });
});

describe.each([
  ['a folder', join(folder, 'films')],
  ['a bucket of an object store', 's3://plates/first/films/'],
])('films in %s', (_name, place) => {
  const dataFolder = join(folder, randomUUID());
  const { films } = readSettings({ BRACHYTONE_FILMS: place });
  const opened = () => filmStoreOf({ films, dataFolder });

  it('are made here, put there, read, listed and thrown away', async () => {
    const store = await opened();
    const [run, other] = [randomUUID(), randomUUID()];
    // Larger than what goes at once.
    const film = randomBytes(12 << 20);
    const making = await store.making(run);
    writeFileSync(join(making, 'black.tif'), film);
    writeFileSync(join(making, 'red.tif.part'), 'not whole yet');
    await store.put(run, 'black.tif');
    await store.write(other, 'with room – ß.tif', Readable.from([Buffer.from('film')]));
    // Whoever else opens it finds the same.
    const elsewhere = await opened();
    expect(sum(await buffer((await elsewhere.read(run, 'black.tif'))!))).toBe(sum(film));
    expect((await buffer((await elsewhere.read(other, 'with room – ß.tif'))!)).toString()).toBe('film');
    expect(await elsewhere.has(run, 'black.tif')).toBe(true);
    expect(await elsewhere.has(run, 'blue.tif')).toBe(false);
    expect(await elsewhere.read(run, 'blue.tif')).toBeUndefined();
    expect(await store.files(run)).toEqual(['black.tif']);
    expect(new Set(await store.runs())).toEqual(new Set([run, other]));
    await store.drop(run);
    expect(await store.runs()).toEqual([other]);
    expect(await store.has(run, 'black.tif')).toBe(false);
    expect(existsSync(making)).toBe(false);
    await store.drop(other);
    expect(await store.runs()).toEqual([]);
  });
});

it('a place that is neither is refused in a sentence', () => {
  for (const place of ['s3://', 's3://No_Bucket/x', 'https://example.org/films'])
    expect(() => readSettings({ BRACHYTONE_FILMS: place })).toThrow(UnfitSettings);
});

it('films made by a worker reach an object store, and leave it by either server, in an archive and in a backup', async () => {
  const postgres = new Postgres(4320);
  const shared = {
    ...KEYS,
    DATABASE_URL: postgres.url,
    BRACHYTONE_WORKERS: 'on',
    BRACHYTONE_FILMS: 's3://plates/studio',
  };
  const servers = [4319, 4321].map((port) => new RealServer(port, join(folder, `server ${port}`), shared));
  const [one, two] = servers;
  const worker = new RealWorker(join(folder, 'worker'), shared);
  postgres.start();
  try {
    await Promise.all(servers.map((server) => server.start()));
    await worker.start();
    const { sha256 } = await one.bring(await smallPng(300, 200));
    const job = await one.send<JobView>('POST', 'jobs', { picture: { sha256, name: 'reeds.png' } });
    // One plate more, which carries nothing and so is no film.
    const { recipe } = job.document;
    const bare = { ...recipe.inks[0], id: 'ink-bare', name: 'Bare' };
    const withBare = await one.send<JobView>('POST', 'jobs', {
      document: {
        ...job.document,
        recipe: {
          ...recipe,
          inks: [...recipe.inks, bare],
          plates: [...recipe.plates, { ...recipe.plates[0], id: 'plate-bare', ink: bare.id }],
        },
      },
    });
    const { id } = await one.send<RunView>('POST', 'runs', { jobId: withBare.id });
    const run = await (async () => {
      for (;;) {
        const now = await two.json<RunView>(`runs/${id}`);
        if (now.ended !== null) return now;
        await pause(100);
      }
    })();
    expect(run.status).toBe('done');
    const [film] = run.films.filter(({ bytes }) => bytes > 0);
    for (const server of servers) {
      const answer = await fetch(`${server.api}/runs/${id}/films/${film.file}`);
      expect(sum(Buffer.from(await answer.arrayBuffer()))).toBe(film.sha256);
    }
    // Nothing of it stays on a machine.
    expect(readdirSync(join(folder, 'worker', 'making', id))).toEqual([]);
    const zip = await fetch(`${two.api}/runs/${id}/films.zip`);
    expect(Buffer.from(await zip.arrayBuffer()).length).toBeGreaterThan(film.bytes);
    const archive = await fetch(`${two.api}/jobs/${withBare.id}/archive.zip`);
    expect(Buffer.from(await archive.arrayBuffer()).includes(`films/${film.file}`)).toBe(true);

    const store = new ObjectStore({ name: 'plates', prefix: 'studio/' }, join(folder, 'making'));
    const database = await openDatabase({ url: postgres.url, isShared: true });
    const path = join(folder, 'backup.zip');
    writeFileSync(path, await buffer(await writeBackup(database, store, folder)));
    await database.close();
    const into = await openDatabase('memory');
    const restored = new ObjectStore({ name: 'plates', prefix: 'restored/' }, join(folder, 'making'));
    expect(await restoreBackup(path, into, restored)).toMatchObject({ jobs: 2, films: 1 });
    await into.close();
    expect(sum(await buffer((await restored.read(id, film.file))!))).toBe(film.sha256);

    expect((await fetch(`${one.api}/runs/${id}`, { method: 'DELETE' })).status).toBe(204);
    expect(await store.runs()).toEqual([]);
  } finally {
    await worker.end();
    for (const server of servers) await server.end();
    postgres.end();
  }
});
