import { createHash } from 'node:crypto';
import { createInterface } from 'node:readline';
import type { Readable } from 'node:stream';
import { filesOf, readDocument } from '@brachytone/job';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import type { BytesRow, Database } from '../database/database.ts';
import { originals } from '../database/schema.ts';
import { backupSchema, MANIFEST, type BackupManifest } from './manifest.ts';
import type { FilmStore } from '../film-store/film-store.ts';
import { plainJson, rowOf, TABLES, type Row } from './tables.ts';
import { countOf, pagesOf } from './pages-of.ts';

/** A backup that cannot be restored, or not here; its message is a sentence. */
export class NotRestored extends Error {}

/** What was restored, and found to be what the backup holds. */
export interface Restored {
  readonly made: string;
  readonly jobs: number;
  readonly originals: number;
  readonly films: number;
}

/** Largest part of an original, and largest manifest. */
const MOST_OF_PART = 512 * 2 ** 20;
const MOST_OF_MANIFEST = 256 * 2 ** 20;

const PLACE =
  /^(?:tables\/([a-z_]+)\.jsonl|originals\/([0-9a-f]{64})\/(source|working|small)-(\d{1,6})|films\/([0-9a-f-]{36})\/([^/\\]{1,200}))$/;

/**
 * Restores a backup into an empty place, and compares every row, original and film with it.
 *
 * @param database with nothing in it
 * @throws NotRestored with a sentence that says what is wrong
 */
export async function restoreBackup(path: string, database: Database, films: FilmStore): Promise<Restored> {
  for (const name of ['jobs', 'originals', 'runs']) {
    const count = await countOf(database, name);
    if (count > 0)
      throw new NotRestored(
        `There are ${count} ${name} here already. Restore into an empty folder: set BRACHYTONE_DATA to a new one. Nothing was changed.`,
      );
  }
  const zip = await yauzl
    .openPromise(path, {
      lazyEntries: true,
      strictFileNames: true,
      validateEntrySizes: true,
      autoClose: false,
    })
    .catch(() => {
      throw new NotRestored(`“${path}” is not there, or is no whole backup. Nothing was changed.`);
    });
  try {
    const entries = await entriesOf(zip);
    const manifest = await manifestIn(zip, entries);
    // All of it is looked at before anything is kept.
    for (const [place, sum] of Object.entries(manifest.entries)) {
      const entry = entries.get(place);
      if (!entry || !PLACE.test(place))
        throw new NotRestored(`“${place}” is missing in the backup. Nothing was changed.`);
      if ((await sumOf(await zip.openReadStreamPromise(entry))) !== sum)
        throw new NotRestored(`“${place}” is not what it was when the backup was made. Nothing was changed.`);
    }
    await keepRows(zip, entries, manifest, database);
    const kept = await keepFiles(zip, entries, manifest, database, films);
    await compare(zip, entries, manifest, database);
    return {
      made: manifest.made,
      jobs: await countOf(database, 'jobs'),
      originals: await countOf(database, 'originals'),
      films: kept,
    };
  } finally {
    zip.close();
  }
}

async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  await new Promise<void>((resolve, reject) => {
    zip.on('error', () => reject(new NotRestored('The backup is damaged. Nothing was changed.')));
    zip.on('end', () => resolve());
    zip.on('entry', (entry: Entry) => {
      entries.set(entry.fileName, entry);
      zip.readEntry();
    });
    zip.readEntry();
  });
  return entries;
}

async function manifestIn(zip: ZipFile, entries: ReadonlyMap<string, Entry>): Promise<BackupManifest> {
  const entry = entries.get(MANIFEST);
  if (!entry)
    throw new NotRestored(`There is no ${MANIFEST} in it: it is no whole backup. Nothing was changed.`);
  const text = (await bytesIn(await zip.openReadStreamPromise(entry), MOST_OF_MANIFEST)).toString();
  const read = backupSchema.validate(parsed(text));
  if (read.error)
    throw new NotRestored(`The backup cannot be read: ${read.error.message}. Nothing was changed.`);
  return read.value;
}

/** @returns undefined for what is no JSON */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

async function bytesIn(stream: Readable, most: number): Promise<Buffer> {
  const parts: Buffer[] = [];
  let length = 0;
  for await (const part of stream as AsyncIterable<Buffer>) {
    length += part.length;
    if (length > most)
      throw new NotRestored('A part of the backup is larger than it can be. Nothing was changed.');
    parts.push(part);
  }
  return Buffer.concat(parts);
}

async function sumOf(stream: Readable): Promise<string> {
  const sum = createHash('sha256');
  for await (const part of stream as AsyncIterable<Buffer>) sum.update(part);
  return sum.digest('hex');
}

/** True for what is made from an original that was deleted while the backup was made: it was deleted too. */
function isGone(row: Row, gone: ReadonlySet<string>): boolean {
  if (gone.size === 0) return false;
  if (typeof row.sha256 === 'string') return gone.has(row.sha256);
  if (!row.document) return false;
  try {
    return filesOf(readDocument(structuredClone(row.document)).recipe).some(({ sha256 }) => gone.has(sha256));
  } catch {
    return false;
  }
}

/** The rows of a table in a backup that are to be restored, with their text. */
async function* rowsIn(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  name: string,
  gone: ReadonlySet<string>,
): AsyncGenerator<{ row: Row; line: string }> {
  const entry = entries.get(`tables/${name}.jsonl`);
  if (!entry) return;
  const lines = createInterface({ input: await zip.openReadStreamPromise(entry), crlfDelay: Infinity });
  for await (const line of lines) {
    if (line === '') continue;
    const row = rowOf(TABLES[name], line);
    if (!isGone(row, gone)) yield { row, line };
  }
}

/** Rows put in at once. */
const AT_ONCE = 50;

async function keepRows(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  { gone }: BackupManifest,
  database: Database,
): Promise<void> {
  const missing = new Set(gone);
  for (const [name, table] of Object.entries(TABLES)) {
    let waiting: Row[] = [];
    const put = async () => {
      if (waiting.length > 0) await database.queries.insert(table).values(waiting);
      waiting = [];
    };
    for await (const { row } of rowsIn(zip, entries, name, missing)) {
      waiting.push(row);
      if (waiting.length === AT_ONCE) await put();
    }
    await put();
  }
}

/** Bytes of originals and films, in their places; how many films there are. */
async function keepFiles(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  manifest: BackupManifest,
  database: Database,
  store: FilmStore,
): Promise<number> {
  const gone = new Set(manifest.gone);
  let waiting: BytesRow[] = [];
  let films = 0;
  const put = async () => {
    if (waiting.length > 0) await database.storeBytes(waiting);
    waiting = [];
  };
  for (const place of Object.keys(manifest.entries).sort()) {
    const [, , sha256, kind, part, run, film] = PLACE.exec(place) ?? [];
    const entry = entries.get(place);
    if (!entry) continue;
    if (sha256 && !gone.has(sha256)) {
      // All parts of one kind go in together.
      if (waiting[0] && (waiting[0].sha256 !== sha256 || waiting[0].kind !== kind)) await put();
      const bytes = await bytesIn(await zip.openReadStreamPromise(entry), MOST_OF_PART);
      waiting.push({ sha256, kind: kind as BytesRow['kind'], part: Number(part), bytes });
    } else if (run && film && entry.uncompressedSize > 0) {
      await store.write(run, film, await zip.openReadStreamPromise(entry));
      const written = await store.read(run, film);
      if (!written || (await sumOf(written)) !== manifest.entries[place])
        throw new NotRestored(
          `The film “${film}” is not what the backup holds: its place does not keep what is written.`,
        );
      films++;
    }
  }
  await put();
  return films;
}

const textSum = (text: string): string => createHash('sha256').update(text).digest('hex');

/** Compares every row, and every original as it was brought in, with the backup. */
async function compare(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  manifest: BackupManifest,
  database: Database,
): Promise<void> {
  for (const name of Object.keys(TABLES)) {
    const wanted: string[] = [];
    for await (const { line } of rowsIn(zip, entries, name, new Set(manifest.gone)))
      wanted.push(textSum(line));
    const kept: string[] = [];
    for await (const row of pagesOf(database.queries, name)) kept.push(textSum(plainJson(row)));
    // In no order: databases sort words differently.
    if (wanted.sort().join() !== kept.sort().join())
      throw new NotRestored(
        `Rows of ${name} are not what the backup holds. Delete this folder, and try again.`,
      );
  }
  const kept = await database.queries.select({ sha256: originals.sha256 }).from(originals);
  for (const { sha256 } of kept) {
    const sum = createHash('sha256');
    for (let part = 0; ; part++) {
      const bytes = await database.readBytes({ sha256, kind: 'source', part });
      if (!bytes) break;
      sum.update(bytes);
    }
    if (sum.digest('hex') !== sha256)
      throw new NotRestored(
        `An original is not what the backup holds (${sha256}). Delete this folder, and try again.`,
      );
  }
}
