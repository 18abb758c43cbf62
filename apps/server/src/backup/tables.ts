import { getTableColumns } from 'drizzle-orm';
import type { PgTable } from 'drizzle-orm/pg-core';
import {
  jobs,
  jobSteps,
  olderDocuments,
  originals,
  preferences,
  pulls,
  refusedWork,
  runs,
  series,
  setAside,
  shelf,
} from '../database/schema.ts';
import { audit, credentials, people, proofComments, proofLinks, tokens } from '../database/studio-schema.ts';

/** Tables whose rows a backup holds, by name; bytes of originals are apart. People sign in anew, and links that work once are made anew. */
export const TABLES: Readonly<Record<string, PgTable>> = {
  originals,
  jobs,
  job_steps: jobSteps,
  pulls,
  runs,
  series,
  shelf,
  preferences,
  set_aside: setAside,
  older_documents: olderDocuments,
  refused_work: refusedWork,
  people,
  credentials,
  tokens,
  audit,
  proof_links: proofLinks,
  proof_comments: proofComments,
};

export type Row = Readonly<Record<string, unknown>>;

/** Keys in one order whatever order a database gives them in, so that equal values are equal text. */
export function plainJson(value: unknown): string {
  return JSON.stringify(value, (_, part: unknown) =>
    typeof part === 'object' && part !== null && !Array.isArray(part) && !(part instanceof Date)
      ? Object.fromEntries(Object.entries(part).sort(([a], [b]) => (a < b ? -1 : 1)))
      : part,
  );
}

/** A row as it was, out of a line of a backup. */
export function rowOf(table: PgTable, line: string): Row {
  const row = JSON.parse(line) as Record<string, unknown>;
  for (const [name, column] of Object.entries(getTableColumns(table))) {
    const value = row[name];
    if (column.dataType === 'date' && typeof value === 'string') row[name] = new Date(value);
  }
  return row;
}
