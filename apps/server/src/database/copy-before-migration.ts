import { cpSync, readdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { MIGRATIONS_FOLDER } from '../paths.ts';

interface Journal {
  readonly entries: readonly { readonly when: number; readonly tag: string }[];
}

/** True when a database has tables that are older than this program's. */
export async function isToBeMigrated(client: PGlite): Promise<boolean> {
  const journal = JSON.parse(
    readFileSync(join(MIGRATIONS_FOLDER, 'meta', '_journal.json'), 'utf8'),
  ) as Journal;
  const { rows: tables } = await client.query(
    `SELECT 1 FROM information_schema.tables WHERE table_schema = 'drizzle' AND table_name = '__drizzle_migrations'`,
  );
  if (tables.length === 0) return false;
  const { rows } = await client.query<{ last: string | null }>(
    'SELECT max(created_at)::text AS last FROM drizzle.__drizzle_migrations',
  );
  const last = rows[0]?.last;
  return typeof last === 'string' && journal.entries.some(({ when }) => when > Number(last));
}

/**
 * Copies a closed database's folder beside it, so that a change of its tables that goes wrong costs nothing. The copy of the change before goes.
 *
 * @returns where the copy is
 */
export function copyBeforeMigration(folder: string): string {
  const name = `${basename(folder)}-before-`;
  const copy = join(dirname(folder), `${name}${new Date().toISOString().slice(0, 10)}`);
  // Under its own name only once it is whole.
  const begun = `${copy}.part`;
  rmSync(begun, { recursive: true, force: true });
  cpSync(folder, begun, { recursive: true });
  for (const other of readdirSync(dirname(folder)))
    if (other.startsWith(name) && join(dirname(folder), other) !== begun)
      rmSync(join(dirname(folder), other), { recursive: true, force: true });
  renameSync(begun, copy);
  return copy;
}
