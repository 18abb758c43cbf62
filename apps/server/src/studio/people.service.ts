import { randomUUID } from 'node:crypto';
import { Inject, Injectable, Logger, type OnApplicationBootstrap } from '@nestjs/common';
import type { NewLinkView, PersonView, Role } from '@brachytone/job';
import { and, asc, eq } from 'drizzle-orm';
import { DATABASE, type Database } from '../database/database.ts';
import { credentials, people } from '../database/studio-schema.ts';
import { notFound, Problem } from '../http/problem.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { plainPersonName } from './auth.ts';
import { LinksService } from './links.service.ts';
import { SessionsService } from './sessions.service.ts';
import type { Visitor } from './visitor.ts';

const viewOf = ({ id, name, role, createdAt }: typeof people.$inferSelect): PersonView => ({
  id,
  name,
  role,
  created: createdAt.toISOString(),
});

/** The people of a studio. */
@Injectable()
export class PeopleService implements OnApplicationBootstrap {
  private readonly log = new Logger('People');

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(SessionsService) private readonly sessions: SessionsService,
    @Inject(LinksService) private readonly links: LinksService,
  ) {}

  /** A link to become the owner, while there is none; told to whoever can read what the server prints. */
  ownerLink: string | undefined;

  async onApplicationBootstrap(): Promise<void> {
    if (!this.settings.studio || (await this.owners()).length > 0) return;
    const { path } = await this.links.make({ kind: 'owner', role: 'owner', meant: '', madeBy: null });
    this.ownerLink = this.settings.studio.url + path;
  }

  async list(): Promise<PersonView[]> {
    const rows = await this.database.queries.select().from(people).orderBy(asc(people.createdAt));
    return rows.map(viewOf);
  }

  async get(id: string): Promise<PersonView> {
    const [row] = await this.database.queries.select().from(people).where(eq(people.id, id));
    if (!row) throw notFound('person of this number');
    return viewOf(row);
  }

  /** Somebody who has just come in. */
  async visitorNamed(username: string): Promise<Visitor> {
    const [row] = await this.database.queries.select().from(people).where(eq(people.username, username));
    return { by: 'session', role: row.role, person: row.id, name: row.name, session: null };
  }

  /** Follows a link: joins, or takes another passphrase. Gives the name to sign in with. */
  async comeIn(secret: string, name: string, passphrase: string): Promise<string> {
    const link = await this.links.use(secret);
    try {
      if (link.kind === 'passphrase' && link.person !== null) {
        const person = await this.get(link.person);
        await this.setPassphrase(person.id, passphrase);
        return person.name;
      }
      if (link.kind === 'owner' && (await this.owners()).length > 0)
        throw new Problem(410, 'Works no longer', 'This studio has an owner. Ask them for an invitation.');
      await this.add(name, link.role, passphrase);
      return name;
    } catch (error) {
      await this.links.giveBack(link);
      throw error;
    }
  }

  async changePassphrase(visitor: Visitor, old: string, passphrase: string): Promise<void> {
    if (visitor.person === null) throw notFound('person who asks');
    const [row] = await this.credential(visitor.person);
    const { password } = await this.sessions.auth.$context;
    if (!row?.password || !(await password.verify({ hash: row.password, password: old })))
      throw new Problem(403, 'Not that', 'The passphrase you have now is another one. Nothing was changed.');
    await this.setPassphrase(visitor.person, passphrase, visitor.session);
  }

  /** A link by which somebody chooses another passphrase. */
  async passphraseLink(id: string, madeBy: string | null): Promise<NewLinkView> {
    const { name, role } = await this.get(id);
    return this.links.make({ kind: 'passphrase', role, meant: name, person: id, madeBy });
  }

  async setRole(id: string, role: Role): Promise<PersonView> {
    await this.get(id);
    if (role !== 'owner') await this.keepAnOwner(id);
    await this.database.queries.update(people).set({ role, updatedAt: new Date() }).where(eq(people.id, id));
    return this.get(id);
  }

  /** Takes somebody out: what they did stays, with their name. */
  async remove(id: string): Promise<void> {
    await this.get(id);
    await this.keepAnOwner(id);
    await this.sessions.endAll(id);
    await this.database.queries.delete(people).where(eq(people.id, id));
  }

  private async owners(): Promise<{ id: string }[]> {
    return this.database.queries.select({ id: people.id }).from(people).where(eq(people.role, 'owner'));
  }

  private async keepAnOwner(id: string): Promise<void> {
    const owners = await this.owners();
    if (owners.length === 1 && owners[0].id === id)
      throw new Problem(409, 'The only owner', 'A studio has an owner. Make somebody else one first.');
  }

  private async add(name: string, role: Role, passphrase: string): Promise<void> {
    const username = plainPersonName(name);
    const [there] = await this.database.queries.select().from(people).where(eq(people.username, username));
    if (there)
      throw new Problem(
        409,
        'A name that is taken',
        `Somebody here is called ${there.name}. Choose another name.`,
      );
    const { internalAdapter, password } = await this.sessions.auth.$context;
    const hashed = await password.hash(passphrase);
    const id = randomUUID();
    await internalAdapter.createUser(
      {
        id,
        name,
        username,
        displayUsername: name,
        email: `${id}@people.invalid`,
        emailVerified: true,
        role,
      },
      { method: 'email' },
    );
    await internalAdapter.linkAccount({
      userId: id,
      providerId: 'credential',
      accountId: id,
      password: hashed,
    });
    this.log.log(`${name} has joined.`);
  }

  private credential(person: string) {
    return this.database.queries
      .select()
      .from(credentials)
      .where(and(eq(credentials.userId, person), eq(credentials.providerId, 'credential')));
  }

  /** Sessions begun with the old one end, but for the one that changes it. */
  private async setPassphrase(person: string, passphrase: string, but: string | null = null): Promise<void> {
    const { internalAdapter, password } = await this.sessions.auth.$context;
    await internalAdapter.updatePassword(person, await password.hash(passphrase));
    await this.sessions.endAll(person, but);
  }
}
