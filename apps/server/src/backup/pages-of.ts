import { getTableColumns, sql } from 'drizzle-orm';
import type { Database, Queries } from '../database/database.ts';
import { TABLES, type Row } from './tables.ts';

/** Rows read at once. */
const PAGE = 100;

/** All rows of a table, a page at a time. */
export async function* pagesOf(queries: Pick<Queries, 'select'>, name: string): AsyncGenerator<Row> {
  const table = TABLES[name];
  const [first, second] = Object.values(getTableColumns(table));
  for (let at = 0; ; at += PAGE) {
    const page = await queries.select().from(table).orderBy(first, second).limit(PAGE).offset(at);
    yield* page as Row[];
    if (page.length < PAGE) return;
  }
}

/** How many rows a table has. */
export async function countOf(database: Database, name: string): Promise<number> {
  const [{ count }] = await database.queries.select({ count: sql<string>`count(*)` }).from(TABLES[name]);
  return Number(count);
}
