import { inArray, lt, sql, type SQL } from 'drizzle-orm';
import { audit, proofLinks } from '../../database/studio-schema.ts';
import { amountOf, daysAgo, type StorageContext, type StoredKind } from '../stored-kind.ts';

/** Names of rows at most that one statement has: a query has up to 65 535 values. */
const AT_ONCE = 20_000;

const entriesThat = ({ database }: StorageContext, are: SQL | undefined) =>
  database.queries
    .select({ id: audit.id, bytes: sql<number>`pg_column_size(${audit}.*)::float8` })
    .from(audit)
    .where(are);

/** Who did what in a studio. */
export const deeds: StoredKind<string> = {
  id: 'deeds',
  takes: async (context) => amountOf((await entriesThat(context, undefined)).map(({ bytes }) => bytes)),
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const rows = await entriesThat(context, lt(audit.at, daysAgo(rule.days)));
      return { ...amountOf(rows.map(({ bytes }) => bytes)), items: rows.map(({ id }) => id) };
    },
    async remove({ database }, items) {
      for (let at = 0; at < items.length; at += AT_ONCE)
        await database.queries.delete(audit).where(inArray(audit.id, items.slice(at, at + AT_ONCE)));
    },
  },
};

const linksThat = ({ database }: StorageContext, are: SQL | undefined) =>
  database.queries
    .select({ id: proofLinks.id, bytes: sql<number>`pg_column_size(${proofLinks}.*)::float8` })
    .from(proofLinks)
    .where(are);

/** Proof links that nobody can open any more, with what was said by them; an approval stands in its runs besides. */
export const links: StoredKind<string> = {
  id: 'links',
  takes: async (context) => amountOf((await linksThat(context, undefined)).map(({ bytes }) => bytes)),
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond(context, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const rows = await linksThat(context, lt(proofLinks.expires, daysAgo(rule.days)));
      return { ...amountOf(rows.map(({ bytes }) => bytes)), items: rows.map(({ id }) => id) };
    },
    async remove({ database }, items) {
      for (let at = 0; at < items.length; at += AT_ONCE)
        await database.queries
          .delete(proofLinks)
          .where(inArray(proofLinks.id, items.slice(at, at + AT_ONCE)));
    },
  },
};
