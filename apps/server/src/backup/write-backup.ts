import { createHash, randomUUID, type Hash } from 'node:crypto';
import { once } from 'node:events';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable, Transform } from 'node:stream';
import { finished } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import type { Database } from '../database/database.ts';
import { originalBytes } from '../database/schema.ts';
import { pagesOf } from './pages-of.ts';
import { MANIFEST, type BackupManifest } from './manifest.ts';
import type { FilmStore } from '../film-store/film-store.ts';
import { plainJson, TABLES } from './tables.ts';

interface Part {
  readonly sha256: string;
  readonly kind: 'source' | 'working' | 'small';
  readonly part: number;
}

/** The tables as they were at one moment, a file of lines each, and what bytes of originals there were. */
interface Snapshot {
  readonly folder: string;
  readonly rows: Record<string, number>;
  readonly parts: readonly Part[];
}

/** Reads all tables within one transaction into files; bytes of originals never change, and are read later. */
async function snapshotOf(database: Database, folder: string): Promise<Snapshot> {
  await mkdir(folder, { recursive: true });
  const rows: Record<string, number> = {};
  const parts = await database.queries.transaction(
    async (tx) => {
      for (const name of Object.keys(TABLES)) {
        const out = createWriteStream(join(folder, name));
        rows[name] = 0;
        for await (const row of pagesOf(tx, name)) {
          if (!out.write(`${plainJson(row)}\n`)) await once(out, 'drain');
          rows[name]++;
        }
        out.end();
        await finished(out);
      }
      const { sha256, kind, part } = originalBytes;
      return tx.select({ sha256, kind, part }).from(originalBytes).orderBy(sha256, kind, part);
    },
    { isolationLevel: 'repeatable read', accessMode: 'read only' },
  );
  return { folder, rows, parts };
}

/**
 * All that a Brachytone keeps, as a ZIP file, while people go on working: tables as they were at one moment, originals, films.
 * What is deleted while it is made may be missing in it.
 *
 * @param films      of all runs
 * @param dataFolder in which tables are put by for a while
 */
export async function writeBackup(
  database: Database,
  films: FilmStore,
  dataFolder: string,
): Promise<Readable> {
  const snapshot = await snapshotOf(database, join(dataFolder, 'incoming', `backup-${randomUUID()}`));
  const zip = new ZipFile();
  const sums = new Map<string, Hash>();
  const gone = new Set<string>();
  /** Bytes on their way into the file, which are summed as they pass. */
  const add = (path: string, compress: boolean, open: () => Readable): void =>
    zip.addReadStreamLazy(path, { compress, forceZip64Format: true }, (take) => {
      const sum = createHash('sha256');
      sums.set(path, sum);
      const passing = new Transform({
        transform(bytes: Buffer, _, done) {
          sum.update(bytes);
          done(null, bytes);
        },
      });
      const from = open();
      from.on('error', (error) => passing.destroy(error));
      take(null, from.pipe(passing));
    });
  for (const name of Object.keys(TABLES))
    add(`tables/${name}.jsonl`, true, () => createReadStream(join(snapshot.folder, name)));
  for (const one of snapshot.parts) {
    add(`originals/${one.sha256}/${one.kind}-${one.part}`, false, () =>
      Readable.from(
        (async function* () {
          const bytes = await database.readBytes(one);
          if (bytes) yield Buffer.from(bytes);
          else gone.add(one.sha256);
        })(),
      ),
    );
  }
  for (const run of await films.runs())
    for (const file of await films.files(run))
      add(`films/${run}/${file}`, false, () => filmOrNothing(films, run, file));
  zip.addReadStreamLazy(MANIFEST, {}, (take) => {
    const manifest: BackupManifest = {
      format: 'brachytone-backup',
      version: 1,
      made: new Date().toISOString(),
      entries: Object.fromEntries([...sums].map(([path, sum]) => [path, sum.digest('hex')])),
      rows: snapshot.rows,
      gone: [...gone],
    };
    take(null, Readable.from([Buffer.from(JSON.stringify(manifest))]));
  });
  zip.end();
  const out = zip.outputStream as Readable;
  void finished(out)
    .catch(() => undefined)
    .then(() => rm(snapshot.folder, { recursive: true, force: true }));
  return out;
}

/** A film's bytes; none where it was deleted in the meantime. */
const filmOrNothing = (films: FilmStore, run: string, file: string): Readable =>
  Readable.from(
    (async function* () {
      const bytes = await films.read(run, file);
      if (bytes) yield* bytes as AsyncIterable<Buffer>;
    })(),
  );
