import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { Logger } from '@nestjs/common';
import { copyBeforeMigration, isToBeMigrated } from './copy-before-migration.ts';
import { dataDir as emptyDatabase } from '@electric-sql/pglite-prepopulatedfs';
import { and, eq } from 'drizzle-orm';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { drizzle as drizzleNode } from 'drizzle-orm/node-postgres';
import { migrate as migrateNode } from 'drizzle-orm/node-postgres/migrator';
import { drizzle as drizzlePglite } from 'drizzle-orm/pglite';
import { migrate as migratePglite } from 'drizzle-orm/pglite/migrator';
import pg from 'pg';
import { collectGarbage } from '../collect-garbage.ts';
import { MIGRATIONS_FOLDER } from '../paths.ts';
import { CHANNEL, holdDatabase } from './hold-database.ts';
import { copiedField, copyRow } from './copy.ts';
import { originalBytes } from './schema.ts';

export type Queries = PgDatabase<PgQueryResultHKT, Record<string, never>>;

/** One part of an original's bytes. */
export type BytesRow = typeof originalBytes.$inferInsert;

/** The database, wherever it lives. */
export interface Database {
  readonly queries: Queries;
  /** Stores parts of originals; parts already there stay as they are. */
  storeBytes(rows: readonly BytesRow[]): Promise<void>;
  /** One part of an original's bytes; undefined when it is not there. */
  readBytes(part: Omit<BytesRow, 'bytes'>): Promise<Uint8Array | undefined>;
  /** Tells all others that use it something short. */
  tell(text: string): Promise<void>;
  /** Has what others tell given to a listener; nothing is given once something may have been missed. */
  hear(listener: (text: string | undefined) => void): void;
  /** Does something that only one of all that use it may do at a time. */
  alone<Result>(work: () => Promise<Result>): Promise<Result>;
  /** True while it does not answer. */
  isAway(): boolean;
  /** Resolves once it answers. */
  back(): Promise<void>;
  /** Makes room that deleted rows took up free to be used. */
  giveBack(): Promise<void>;
  /** Cuts what is written in the tables by now off the log, which would grow for ever, and take long to be read after a power cut. */
  cutLog(): Promise<void>;
  close(): Promise<void>;
}

export const DATABASE = Symbol('database');

/** Where the database is: a folder of its own, memory (for tests), or a PostgreSQL server. */
export type DatabasePlace =
  { readonly folder: string } | { readonly url: string; readonly isShared?: boolean } | 'memory';

/** The place the settings ask for. */
export const placeOf = (settings: {
  dataFolder: string;
  databaseUrl: string | undefined;
  withWorkers: boolean;
}): DatabasePlace =>
  settings.databaseUrl
    ? { url: settings.databaseUrl, isShared: settings.withWorkers }
    : { folder: join(settings.dataFolder, 'database') };

/** Opens the database and brings its tables up to date. */
export async function openDatabase(place: DatabasePlace): Promise<Database> {
  return typeof place === 'object' && 'url' in place
    ? openServer(place.url, place.isShared ?? false)
    : openEmbedded(place);
}

/** What the embedded database keeps of its pages: one server asks little of it, and the system keeps its files at hand anyway. */
const BUFFERS = '16MB';

/** Number of the lock for what only one server may do at a time: the letters “BRAD”. */
const ALONE = 0x42524144;

/** What its log may take up once it is at rest. */
const MOST_LOG = '32MB';

/** Makes a new database, and lets go of the memory that it is unpacked in, more than a hundred megabytes. */
async function unpack(open: () => Promise<PGlite>): Promise<void> {
  const unpacking = await open();
  await unpacking.waitReady;
  await unpacking.close();
}

async function openEmbedded(place: { readonly folder: string } | 'memory'): Promise<Database> {
  const folder = place === 'memory' ? undefined : place.folder;
  const open = async (ready: boolean) =>
    new PGlite({
      ...(folder ? { dataDir: folder } : {}),
      // A new database starts from a ready-made empty one: making it from nothing takes ten times as long.
      ...(ready ? {} : { loadDataDir: await emptyDatabase() }),
      startParams: [
        ...PGlite.defaultStartParams,
        ...[`shared_buffers=${BUFFERS}`, `max_wal_size=${MOST_LOG}`, `min_wal_size=${MOST_LOG}`].flatMap(
          (one) => ['-c', one],
        ),
      ],
    });
  if (folder && !existsSync(join(folder, 'PG_VERSION'))) {
    await unpack(() => open(false));
    collectGarbage();
  }
  let client = await open(folder !== undefined);
  await client.waitReady;
  if (folder && (await isToBeMigrated(client))) {
    await client.close();
    const copy = copyBeforeMigration(folder);
    new Logger('Database').log(`Its tables are brought up to date; as it was, it is kept in ${copy}.`);
    client = await open(true);
    await client.waitReady;
  }
  const queries = drizzlePglite(client);
  await migratePglite(queries, { migrationsFolder: MIGRATIONS_FOLDER });
  return {
    queries: queries as unknown as Queries,
    async storeBytes(rows) {
      // Bound bytea values are about twenty times slower here than COPY from a blob. Part by part, for the database's memory
      // only ever grows.
      await client.transaction(async (tx) => {
        for (const { sha256, kind } of rows) {
          await tx.query('DELETE FROM original_bytes WHERE sha256 = $1 AND kind = $2', [sha256, kind]);
        }
        for (const row of rows) {
          await tx.query(
            "COPY original_bytes (sha256, kind, part, bytes) FROM '/dev/blob' WITH (FORMAT binary)",
            [],
            { blob: copyRow(row) },
          );
        }
      });
    },
    async readBytes({ sha256, kind, part }) {
      // As text every byte would come as two letters. COPY takes no parameters: what is named here must be a name.
      if (!/^[0-9a-f]{64}$/.test(sha256) || !/^[a-z]+$/.test(kind) || !Number.isInteger(part))
        return undefined;
      const { blob } = await client.query(
        `COPY (SELECT bytes FROM original_bytes WHERE sha256 = '${sha256}' AND kind = '${kind}' AND part = ${part}) TO '/dev/blob' WITH (FORMAT binary)`,
      );
      return blob && copiedField(new Uint8Array(await blob.arrayBuffer()));
    },
    tell: () => Promise.resolve(),
    hear: () => undefined,
    alone: (work) => work(),
    isAway: () => false,
    back: () => Promise.resolve(),
    async giveBack() {
      await client.query('VACUUM');
      await client.query('CHECKPOINT');
    },
    async cutLog() {
      await client.query('CHECKPOINT');
    },
    close: () => client.close(),
  };
}

async function openServer(url: string, isShared: boolean): Promise<Database> {
  const listeners: ((text: string | undefined) => void)[] = [];
  const hold = await holdDatabase(url, isShared, (text) => listeners.forEach((listener) => listener(text)));
  const pool = new pg.Pool({ connectionString: url, connectionTimeoutMillis: 5000, keepAlive: true });
  // A connection that waits is lost when the database goes away; whoever asks next is told by its own query.
  pool.on('error', () => undefined);
  // So is one that is in use, between two queries of a transaction.
  pool.on('connect', (client) => client.on('error', () => undefined));
  const queries = drizzleNode(pool);
  const alone = async <Result>(work: () => Promise<Result>): Promise<Result> => {
    const client = await pool.connect();
    try {
      await client.query('select pg_advisory_lock($1)', [ALONE]);
      return await work();
    } finally {
      // The lock ends with the connection, whatever became of the work.
      client.release(true);
    }
  };
  await alone(() => migrateNode(queries, { migrationsFolder: MIGRATIONS_FOLDER }));
  return {
    queries: queries as unknown as Queries,
    async storeBytes(rows) {
      await queries.transaction(async (tx) => {
        for (const row of rows) {
          await tx
            .insert(originalBytes)
            .values({ ...row, bytes: Buffer.from(row.bytes) })
            .onConflictDoNothing();
        }
      });
    },
    async readBytes({ sha256, kind, part }) {
      const [row] = await queries
        .select({ bytes: originalBytes.bytes })
        .from(originalBytes)
        .where(
          and(eq(originalBytes.sha256, sha256), eq(originalBytes.kind, kind), eq(originalBytes.part, part)),
        );
      return row?.bytes;
    },
    async tell(text) {
      await pool.query('select pg_notify($1, $2)', [CHANNEL, text]);
    },
    hear: (listener) => void listeners.push(listener),
    alone,
    isAway: hold.isAway,
    back: hold.back,
    // A server does both by itself.
    giveBack: () => Promise.resolve(),
    cutLog: () => Promise.resolve(),
    async close() {
      await hold.end();
      await pool.end();
    },
  };
}
