import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import { mayAll, type NewTokenView, type Role, type TokenView } from '@brachytone/job';
import { desc, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { tokens } from '../database/studio-schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { newSecret, sha256 } from './sessions.service.ts';
import type { Visitor } from './visitor.ts';

const viewOf = ({ id, name, role, created, lastUsed }: typeof tokens.$inferSelect): TokenView => ({
  id,
  name,
  role,
  created: created.toISOString(),
  lastUsed: lastUsed?.toISOString() ?? null,
});

/** Tokens that programs ask with, in place of a person. */
@Injectable()
export class TokensService {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  async list({ person }: Visitor): Promise<TokenView[]> {
    if (person === null) return [];
    const rows = await this.database.queries
      .select()
      .from(tokens)
      .where(eq(tokens.person, person))
      .orderBy(desc(tokens.created));
    return rows.map(viewOf);
  }

  async make(visitor: Visitor, name: string, role: Role): Promise<NewTokenView> {
    // A token that made tokens could not be ended.
    if (visitor.by !== 'session' || visitor.person === null || visitor.role === undefined)
      throw new Problem(403, 'Not allowed', 'Tokens are made by people who are signed in.');
    if (!mayAll(visitor.role, role))
      throw new Problem(403, 'Not allowed', 'A token may do no more than whoever makes it.');
    const token = newSecret();
    const [row] = await this.database.queries
      .insert(tokens)
      .values({ id: randomUUID(), hash: sha256(token), name, role, person: visitor.person })
      .returning();
    return { ...viewOf(row), token };
  }

  async end({ person, role }: Visitor, id: string): Promise<void> {
    const [row] = await this.database.queries.select().from(tokens).where(eq(tokens.id, id));
    if (!row || (row.person !== person && role !== 'owner')) throw notFound('token of this number');
    await this.database.queries.delete(tokens).where(eq(tokens.id, id));
  }
}
