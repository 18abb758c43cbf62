import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { KeptPreparation, Preparation } from '@brachytone/job';
import { and, asc, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { shelf } from '../database/schema.ts';
import { notFound } from '../http/problem.ts';

/** What designers keep to use again. */
@Injectable()
export class ShelfService {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  async preparations(): Promise<KeptPreparation[]> {
    const rows = await this.database.queries
      .select()
      .from(shelf)
      .where(eq(shelf.kind, 'preparation'))
      .orderBy(asc(shelf.created), asc(shelf.id));
    return rows.map(({ id, item }) => ({ id, ...item }));
  }

  async keepPreparation(item: Preparation): Promise<KeptPreparation> {
    const id = randomUUID();
    await this.database.queries.insert(shelf).values({ id, kind: 'preparation', item });
    return { id, ...item };
  }

  async dropPreparation(id: string): Promise<void> {
    const dropped = await this.database.queries
      .delete(shelf)
      .where(and(eq(shelf.id, id), eq(shelf.kind, 'preparation')))
      .returning({ id: shelf.id });
    if (dropped.length === 0) throw notFound('preparation of this number');
  }
}
