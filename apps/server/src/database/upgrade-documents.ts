import { readDocument, VERSION, type RunFilm } from '@brachytone/job';
import { and, eq, ne, sql } from 'drizzle-orm';
import type { Database } from './database.ts';
import { jobs, jobSteps, pulls, runs, shelf } from './schema.ts';

/**
 * Brings job documents written by an earlier version up to date, once, before anything reads them. The undo history of
 * such a job speaks of a shape that is no more, so it begins anew; the job itself stays as it was left.
 */
export async function upgradeDocuments({ queries }: Database): Promise<void> {
  const isOld = (column: typeof jobs.document | typeof runs.document | typeof pulls.document) =>
    ne(sql`(${column} ->> 'version')::int`, VERSION);
  await queries.transaction(async (tx) => {
    for (const { id, document } of await tx.select().from(jobs).where(isOld(jobs.document))) {
      await tx
        .update(jobs)
        .set({ document: readDocument(document), position: 0 })
        .where(eq(jobs.id, id));
      await tx.delete(jobSteps).where(eq(jobSteps.jobId, id));
    }
    for (const { id, document } of await tx.select().from(runs).where(isOld(runs.document))) {
      await tx
        .update(runs)
        .set({ document: readDocument(document) })
        .where(eq(runs.id, id));
    }
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
    // And a stock's Yule–Nielsen factor had another name.
    await tx
      .update(shelf)
      .set({
        item: sql`(${shelf.item} - 'spread') || jsonb_build_object('yuleNielsen', ${shelf.item} -> 'spread')`,
      })
      .where(and(eq(shelf.kind, 'stock'), sql`${shelf.item} ? 'spread'`));
    for (const { id, document } of await tx.select().from(pulls).where(isOld(pulls.document))) {
      await tx
        .update(pulls)
        .set({ document: readDocument(document) })
        .where(eq(pulls.id, id));
    }
  });
}
