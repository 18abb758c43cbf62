import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { and, asc, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { shelf, type ShelfItems } from '../database/schema.ts';
import { notFound } from '../http/problem.ts';

type Kind = keyof ShelfItems;
type Kept<K extends Kind> = ShelfItems[K] & { readonly id: string };

/** What designers keep to use again. */
@Injectable()
export class ShelfService {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** What was kept of a kind, the oldest first. */
  async all<K extends Kind>(kind: K): Promise<Kept<K>[]> {
    const rows = await this.database.queries
      .select()
      .from(shelf)
      .where(eq(shelf.kind, kind))
      .orderBy(asc(shelf.created), asc(shelf.id));
    return rows.map(({ id, item }) => ({ id, ...(item as ShelfItems[K]) }));
  }

  async get<K extends Kind>(kind: K, id: string): Promise<ShelfItems[K]> {
    const [row] = await this.database.queries
      .select()
      .from(shelf)
      .where(and(eq(shelf.id, id), eq(shelf.kind, kind)));
    if (!row) throw notFound(`${kind} of this number`);
    return row.item as ShelfItems[K];
  }

  async keep<K extends Kind>(kind: K, item: ShelfItems[K]): Promise<Kept<K>> {
    const id = randomUUID();
    await this.database.queries.insert(shelf).values({ id, kind, item });
    return { id, ...item };
  }

  /** Puts another in the place of what was kept. */
  async replace<K extends Kind>(kind: K, id: string, item: ShelfItems[K]): Promise<Kept<K>> {
    const changed = await this.database.queries
      .update(shelf)
      .set({ item })
      .where(and(eq(shelf.id, id), eq(shelf.kind, kind)))
      .returning({ id: shelf.id });
    if (changed.length === 0) throw notFound(`${kind} of this number`);
    return { id, ...item };
  }

  async drop(kind: Kind, id: string): Promise<void> {
    const dropped = await this.database.queries
      .delete(shelf)
      .where(and(eq(shelf.id, id), eq(shelf.kind, kind)))
      .returning({ id: shelf.id });
    if (dropped.length === 0) throw notFound(`${kind} of this number`);
  }
}
