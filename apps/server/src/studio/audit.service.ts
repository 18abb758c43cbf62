import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { AuditEntry } from '@brachytone/job';
import { desc, eq, sql } from 'drizzle-orm';
import { LRUCache } from 'lru-cache';
import { DATABASE, type Database } from '../database/database.ts';
import { jobs } from '../database/schema.ts';
import { audit } from '../database/studio-schema.ts';

/** Of changes to a job by one person one an hour is listed: a save comes with every stroke. */
const ONCE_AN_HOUR = new Set(['changed a job']);
const HOUR = 3_600_000;

type Row = typeof audit.$inferSelect;

const entryOf = ({ id, at, name, did, subject }: Row): AuditEntry => ({
  id,
  at: at.toISOString(),
  name,
  did,
  subject,
});

/** A cell of CSV (RFC 4180); one that a spreadsheet would take for a formula begins with an apostrophe. */
const cell = (text: string): string => `"${text.replace(/^[=+\-@\t\r]/, "'$&").replaceAll('"', '""')}"`;

/** Who did what. */
@Injectable()
export class AuditService {
  private readonly lately = new LRUCache<string, true>({ max: 5000, ttl: HOUR });

  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** Name of a job, for what is done to it. */
  async nameOf(job: string): Promise<string> {
    const [row] = await this.database.queries
      .select({ name: sql<string>`${jobs.document} ->> 'name'` })
      .from(jobs)
      .where(eq(jobs.id, job));
    return row?.name ?? '';
  }

  /** True where it is to be listed. */
  isNews(person: string, did: string, subject: string): boolean {
    if (!ONCE_AN_HOUR.has(did)) return true;
    const key = `${person} ${did} ${subject}`;
    if (this.lately.has(key)) return false;
    this.lately.set(key, true);
    return true;
  }

  async add(entry: Omit<Row, 'id' | 'at' | 'detail'>): Promise<void> {
    // Whole milliseconds, as pages of the list begin by them.
    await this.database.queries.insert(audit).values({ id: randomUUID(), at: new Date(), ...entry });
  }

  /** Newest first, after an entry. */
  async list(most: number, after?: Pick<AuditEntry, 'at' | 'id'>): Promise<AuditEntry[]> {
    const rows = await this.database.queries
      .select()
      .from(audit)
      .where(after && sql`(${audit.at}, ${audit.id}) < (${after.at}::timestamptz, ${after.id}::uuid)`)
      .orderBy(desc(audit.at), desc(audit.id))
      .limit(most);
    return rows.map(entryOf);
  }

  /** The whole list as CSV, newest first, a part at a time. */
  async *csv(): AsyncGenerator<string> {
    yield 'at,who,did,subject\r\n';
    let last: AuditEntry | undefined;
    for (;;) {
      const part = await this.list(1000, last);
      last = part.at(-1);
      if (!last) return;
      yield part
        .map(({ at, name, did, subject }) => `${[at, name, did, subject].map(cell).join(',')}\r\n`)
        .join('');
    }
  }
}
