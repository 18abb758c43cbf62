import { inArray, ne, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { Queries } from '../database/database.ts';
import {
  jobs,
  jobSteps,
  olderDocuments,
  originalBytes,
  originals,
  pulls,
  runs,
  series,
  setAside,
  shelf,
} from '../database/schema.ts';

/** A file that was brought in and that nothing names. */
export interface UnusedFile {
  readonly sha256: string;
  readonly touched: Date;
}

/**
 * Files that no job, undo step, pull, run, press or document that was set aside names: wherever a file is used its SHA-256 stands in a document. Typefaces are
 * a shelf of their own, and never unused.
 *
 * @param without a job that does not count, with its history, pulls and runs
 */
export async function unusedFiles(queries: Queries, without?: string): Promise<UnusedFile[]> {
  const but = (column: AnyPgColumn) => (without === undefined ? sql`true` : sql`${column} <> ${without}`);
  const ofPulls = sql`select ${pulls.id} from ${pulls} where not (${but(pulls.jobId)})`;
  // Of one table after another: other queries come in between.
  const texts = [
    sql`select ${jobs.document}::text from ${jobs} where ${but(jobs.id)}`,
    sql`select ${jobSteps.step}::text from ${jobSteps} where ${but(jobSteps.jobId)}`,
    sql`select ${pulls.document}::text || coalesce(${pulls.print}::text, '') from ${pulls} where ${but(pulls.jobId)}`,
    sql`select ${runs.document}::text || coalesce(${runs.gang}::text, '') || coalesce(${runs.series}::text, '') from ${runs} where ${runs.gang} is not null or ${but(runs.jobId)}`,
    sql`select ${series.series}::text from ${series} where ${but(series.jobId)}`,
    sql`select ${shelf.item}::text from ${shelf}`,
    sql`select ${setAside.row}::text from ${setAside}`,
    sql`select ${olderDocuments.document}::text from ${olderDocuments} where ${but(olderDocuments.id)} and ${olderDocuments.id} not in (${ofPulls})`,
  ];
  const named = new Set<string>();
  for (const text of texts) {
    const rows = await queries
      .selectDistinct({
        sha256: sql<string>`(regexp_matches(document, '[0-9a-f]{64}', 'g'))[1]`,
      })
      .from(sql`(${text}) as texts(document)`);
    for (const { sha256 } of rows) named.add(sha256);
  }
  const files = await queries
    .select({
      sha256: originals.sha256,
      touched: originals.touched,
      from: sql<
        string | null
      >`coalesce(${originals.facts} #>> '{taken,from}', ${originals.facts} #>> '{painted,from}')`,
    })
    .from(originals)
    .where(ne(originals.kind, 'font'));
  // A picture that is made of a file in another way lives on that file's bytes.
  for (const { sha256, from } of files) if (from !== null && named.has(sha256)) named.add(from);
  return files.filter(({ sha256 }) => !named.has(sha256));
}

/** Bytes that files take up in the database. */
export async function bytesOfFiles(queries: Queries, names: readonly string[]): Promise<number> {
  if (names.length === 0) return 0;
  const [{ bytes }] = await queries
    .select({ bytes: sql<number>`coalesce(sum(octet_length(${originalBytes.bytes})), 0)::float8` })
    .from(originalBytes)
    .where(inArray(originalBytes.sha256, [...names]));
  return bytes;
}
