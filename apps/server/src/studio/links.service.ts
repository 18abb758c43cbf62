import { randomUUID } from 'node:crypto';
import { Inject, Injectable } from '@nestjs/common';
import type { InvitationView, LinkKind, LinkOffer, NewLinkView, Role } from '@brachytone/job';
import { and, desc, eq, gt, isNull } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { oneTimeLinks, people } from '../database/studio-schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { newSecret, sha256 } from './sessions.service.ts';

/** How long a link works once it is made, ms. */
const LASTS: Record<LinkKind, number> = {
  owner: 86_400_000,
  invitation: 7 * 86_400_000,
  passphrase: 86_400_000,
};

type Row = typeof oneTimeLinks.$inferSelect;

/** A link to be made. */
export interface LinkWish {
  readonly kind: LinkKind;
  readonly role: Role;
  /** Whom it is meant for. */
  readonly meant: string;
  readonly person?: string;
  readonly madeBy: string | null;
}

const viewOf = ({ id, meant, role, kind, created, expires }: Row): InvitationView => ({
  id,
  meant,
  role,
  kind,
  created: created.toISOString(),
  expires: expires.toISOString(),
});

/** Links that work once. Their secrets are told when they are made, and kept as hashes. */
@Injectable()
export class LinksService {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  async make(wish: LinkWish): Promise<NewLinkView> {
    const secret = newSecret();
    const [row] = await this.database.queries
      .insert(oneTimeLinks)
      .values({
        id: randomUUID(),
        hash: sha256(secret),
        expires: new Date(Date.now() + LASTS[wish.kind]),
        ...wish,
      })
      .returning();
    // Behind the number sign, where no log of a proxy and no other page sees it.
    return { ...viewOf(row), path: `/welcome#${secret}` };
  }

  /** Links that still work, newest first. */
  async list(): Promise<InvitationView[]> {
    const rows = await this.database.queries
      .select()
      .from(oneTimeLinks)
      .where(and(isNull(oneTimeLinks.used), gt(oneTimeLinks.expires, new Date())))
      .orderBy(desc(oneTimeLinks.created));
    return rows.map(viewOf);
  }

  async withdraw(id: string): Promise<void> {
    const gone = await this.database.queries
      .delete(oneTimeLinks)
      .where(and(eq(oneTimeLinks.id, id), isNull(oneTimeLinks.used)))
      .returning();
    if (gone.length === 0) throw notFound('invitation of this number');
  }

  /** What a link offers. */
  async offer(secret: string): Promise<LinkOffer> {
    const row = await this.working(secret);
    const [person] =
      row.person === null
        ? []
        : await this.database.queries.select().from(people).where(eq(people.id, row.person));
    return { kind: row.kind, role: row.role, name: person?.name ?? row.meant };
  }

  /** Uses a link up, once: of two that come at the same moment one gets it. */
  async use(secret: string): Promise<Row> {
    const { id } = await this.working(secret);
    const [row] = await this.database.queries
      .update(oneTimeLinks)
      .set({ used: new Date() })
      .where(and(eq(oneTimeLinks.id, id), isNull(oneTimeLinks.used)))
      .returning();
    return row ?? this.working(secret);
  }

  /** Gives a link back that could not be used after all. */
  async giveBack({ id }: Row): Promise<void> {
    await this.database.queries.update(oneTimeLinks).set({ used: null }).where(eq(oneTimeLinks.id, id));
  }

  private async working(secret: string): Promise<Row> {
    const [row] = await this.database.queries
      .select()
      .from(oneTimeLinks)
      .where(eq(oneTimeLinks.hash, sha256(secret)));
    if (!row || row.used !== null || row.expires.getTime() < Date.now())
      throw new Problem(
        410,
        'Works no longer',
        'This link was used, withdrawn, or is too old. Ask whoever sent it for another.',
      );
    return row;
  }
}
