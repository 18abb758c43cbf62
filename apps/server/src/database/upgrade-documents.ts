import { randomUUID } from 'node:crypto';
import {
  readDocument,
  UnreadableDocument,
  VERSION,
  withPackedStrokes,
  type JobDocument,
  type Preparation,
  type RunFilm,
} from '@brachytone/job';
import { and, eq, isNotNull, sql } from 'drizzle-orm';
import type { Database, Queries } from './database.ts';
import {
  jobs,
  jobSteps,
  olderDocuments,
  pulls,
  runs,
  setAside,
  shelf,
  type WithDocuments,
} from './schema.ts';

const TABLES = { jobs, pulls, runs } as const;

type Row = { readonly id: string; readonly document: JobDocument };

/**
 * Brings documents written by an earlier version up to date, once, before anything reads them; as they were before they are kept too. The undo history
 * of such a job speaks of a shape that is no more, so it begins anew; the job itself stays as it was left. What cannot be read, as it is damaged or was
 * written by a newer version, is set aside, and the rest works.
 */
export async function upgradeDocuments({ queries }: Database): Promise<void> {
  await queries.transaction(async (tx) => {
    await bringBack(tx);
    for (const from of Object.keys(TABLES) as WithDocuments[]) await upgrade(tx, from);
    // Up to document version 5 a film of a run named one plate, or none when it held all of them.
    for (const { id, films, document } of await tx
      .select()
      .from(runs)
      .where(sql`jsonb_path_exists(${runs.films}, '$[*].plate')`)) {
      const all = document.recipe.plates.filter(({ printed }) => printed).map((plate) => plate.id);
      const named = (films as unknown as (Omit<RunFilm, 'plates'> & { plate: string })[]).map(
        ({ plate, ...film }): RunFilm => ({ ...film, plates: plate === '' ? all : [plate] }),
      );
      await tx.update(runs).set({ films: named }).where(eq(runs.id, id));
    }
    // What jobs that share a film were is in the run as well.
    for (const { id, gang } of await tx.select().from(runs).where(isNotNull(runs.gang))) {
      if (!gang || gang.documents.every(({ version }) => version === VERSION)) continue;
      const now = gang.documents.map((document) => read(document));
      const sound = now.filter((document) => typeof document !== 'string');
      // Without all of them it can be looked at, and not made again.
      if (sound.length === now.length)
        await tx
          .update(runs)
          .set({ gang: { ...gang, documents: sound } })
          .where(eq(runs.id, id));
    }
    // Up to document version 9 a stroke's places were three numbers each, in preparations that were kept too.
    for (const { id, item } of await tx
      .select()
      .from(shelf)
      .where(and(eq(shelf.kind, 'preparation'), sql`jsonb_path_exists(${shelf.item}, '$.**.strokes[0]')`)))
      await tx
        .update(shelf)
        .set({ item: withPackedStrokes(item) as Preparation })
        .where(eq(shelf.id, id));
    // And a stock's Yule–Nielsen factor had another name.
    await tx
      .update(shelf)
      .set({
        item: sql`(${shelf.item} - 'spread') || jsonb_build_object('yuleNielsen', ${shelf.item} -> 'spread')`,
      })
      .where(and(eq(shelf.kind, 'stock'), sql`${shelf.item} ? 'spread'`));
  });
}

/** A document up to date, or a sentence that says why it cannot be. */
function read(document: unknown): JobDocument | string {
  try {
    return readDocument(document);
  } catch (error) {
    if (error instanceof UnreadableDocument) return error.message;
    return `The job document is not right: ${error instanceof Error ? error.message : String(error)}`;
  }
}

/** Brings one table's documents up to date. */
async function upgrade(tx: Queries, from: WithDocuments): Promise<void> {
  const table = TABLES[from];
  const old: readonly Row[] = await tx
    .select()
    .from(table)
    .where(sql`(${table.document} ->> 'version') is distinct from ${String(VERSION)}`);
  for (const row of old) {
    const { id, document } = row;
    const now = read(document);
    if (typeof now === 'string') {
      await tx.insert(setAside).values({ id: randomUUID(), from, row: { ...row }, reason: now });
      await tx.delete(table).where(eq(table.id, id));
      continue;
    }
    const version = Number((document as { version?: unknown }).version) || 0;
    await tx.insert(olderDocuments).values({ id, from, version, document }).onConflictDoNothing();
    await tx.update(table).set({ document: now }).where(eq(table.id, id));
    if (from !== 'jobs') continue;
    await tx.update(jobs).set({ position: 0 }).where(eq(jobs.id, id));
    await tx.delete(jobSteps).where(eq(jobSteps.jobId, id));
  }
}

const DATES = ['created', 'touched', 'ended'];

/** Puts back what was set aside and can be read by now. */
async function bringBack(tx: Queries): Promise<void> {
  for (const { id, from, row } of await tx.select().from(setAside)) {
    if (typeof read(row.document) === 'string') continue;
    const dated = Object.entries(row).map(([name, value]) => [
      name,
      DATES.includes(name) && typeof value === 'string' ? new Date(value) : value,
    ]);
    await tx
      .insert(TABLES[from])
      .values(Object.fromEntries(dated) as never)
      .onConflictDoNothing();
    await tx.delete(setAside).where(eq(setAside.id, id));
  }
}
