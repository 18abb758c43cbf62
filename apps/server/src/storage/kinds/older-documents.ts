import { inArray, lt, sql, type SQL } from 'drizzle-orm';
import { olderDocuments } from '../../database/schema.ts';
import { amountOf, daysAgo, type StorageContext, type StoredKind } from '../stored-kind.ts';

const rowsThat = ({ database }: StorageContext, are: SQL | undefined) =>
  database.queries
    .select({
      id: olderDocuments.id,
      bytes: sql<number>`pg_column_size(${olderDocuments.document})::float8`,
    })
    .from(olderDocuments)
    .where(are);

/** Documents as they were before an upgrade of the program changed them. */
export const older: StoredKind<string> = {
  id: 'older',
  takes: async (context) => amountOf((await rowsThat(context, undefined)).map(({ bytes }) => bytes)),
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const rows = await rowsThat(context, lt(olderDocuments.created, daysAgo(rule.days)));
      return { ...amountOf(rows.map(({ bytes }) => bytes)), items: [...new Set(rows.map(({ id }) => id))] };
    },
    async remove({ database }, items) {
      await database.queries.delete(olderDocuments).where(inArray(olderDocuments.id, [...items]));
    },
  },
};
