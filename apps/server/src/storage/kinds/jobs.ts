import { and, eq, sql, type SQL } from 'drizzle-orm';
import { jobs, jobSteps, pulls } from '../../database/schema.ts';
import { amountOf, daysAgo, type StorageContext, type StoredKind } from '../stored-kind.ts';

/** Jobs with what their documents and pulls take up; their undo history is told by itself. */
async function jobsThat({ database }: StorageContext, are: SQL | undefined) {
  return database.queries
    .select({
      id: jobs.id,
      bytes: sql<number>`(pg_column_size(${jobs.document}) + coalesce((select sum(pg_column_size(${pulls.document})) from ${pulls} where ${pulls.jobId} = ${jobs.id}), 0))::float8`,
    })
    .from(jobs)
    .where(are);
}

const sizes = async (context: StorageContext, are: SQL | undefined) =>
  amountOf((await jobsThat(context, are)).map(({ bytes }) => bytes));

/** Jobs on the board, with their pulls. */
export const onBoard: StoredKind = {
  id: 'jobs',
  takes: (context) => sizes(context, eq(jobs.putAway, false)),
};

/** Jobs that were put away, with their pulls; they go with all that is theirs. */
export const away: StoredKind<string> = {
  id: 'away',
  takes: (context) => sizes(context, eq(jobs.putAway, true)),
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const since = sql`coalesce(${jobs.putAwayChanged}, ${jobs.touched})`;
      const old = daysAgo(rule.days).toISOString();
      const rows = await jobsThat(context, and(eq(jobs.putAway, true), sql`${since} < ${old}`));
      let bytes = 0;
      for (const { id } of rows) bytes += (await context.removal.wouldRemove(id)).bytes;
      return { count: rows.length, bytes, items: rows.map(({ id }) => id) };
    },
    async remove({ removal }, items) {
      for (const id of items) await removal.remove(id);
    },
  },
};

/** The undo history of jobs, by the day they were last saved. */
export const history: StoredKind<string> = {
  id: 'history',
  takes: async (context) => {
    const rows = await histories(context, undefined);
    return {
      count: rows.reduce((sum, { steps }) => sum + steps, 0),
      bytes: amountOf(rows.map(({ bytes }) => bytes)).bytes,
    };
  },
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const rows = await histories(context, sql`${jobs.touched} < ${daysAgo(rule.days).toISOString()}`);
      return {
        count: rows.reduce((sum, { steps }) => sum + steps, 0),
        bytes: amountOf(rows.map(({ bytes }) => bytes)).bytes,
        items: rows.map(({ id }) => id),
      };
    },
    remove: ({ removal }, items) => removal.forgetHistory(items),
  },
};

const histories = ({ database }: StorageContext, are: SQL | undefined) =>
  database.queries
    .select({
      id: jobs.id,
      steps: sql<number>`count(*)::int`,
      bytes: sql<number>`sum(pg_column_size(${jobSteps.step}))::float8`,
    })
    .from(jobSteps)
    .innerJoin(jobs, eq(jobs.id, jobSteps.jobId))
    .where(are)
    .groupBy(jobs.id);
