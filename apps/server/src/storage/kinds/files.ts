import { sql } from 'drizzle-orm';
import { originalBytes, originals } from '../../database/schema.ts';
import { daysAgo, type StoredKind } from '../stored-kind.ts';
import { bytesOfFiles } from '../unused-files.ts';

/** Pictures, line art, typefaces and profiles that something uses. */
export const files: StoredKind = {
  id: 'files',
  async takes({ database: { queries }, unused: find }) {
    const unused = (await find()).map(({ sha256 }) => sha256);
    const [all] = await queries.select({ count: sql<number>`count(*)::int` }).from(originals);
    const [{ bytes }] = await queries
      .select({ bytes: sql<number>`coalesce(sum(octet_length(${originalBytes.bytes})), 0)::float8` })
      .from(originalBytes);
    return { count: all.count - unused.length, bytes: bytes - (await bytesOfFiles(queries, unused)) };
  },
};

/** Those that nothing uses, by the day they were last brought in. */
export const unused: StoredKind<string> = {
  id: 'unused',
  async takes({ database: { queries }, unused: find }) {
    const names = (await find()).map(({ sha256 }) => sha256);
    return { count: names.length, bytes: await bytesOfFiles(queries, names) };
  },
  cleaning: {
    rules: ['all', 'days'],
    usual: { by: 'all' },
    async beyond({ database: { queries }, unused: find }, rule) {
      if (rule.by !== 'days') return { count: 0, bytes: 0, items: [] };
      const old = daysAgo(rule.days);
      const items = (await find()).filter(({ touched }) => touched < old).map(({ sha256 }) => sha256);
      return { count: items.length, bytes: await bytesOfFiles(queries, items), items };
    },
    remove: ({ files: service }, items) => service.remove(items),
  },
};
