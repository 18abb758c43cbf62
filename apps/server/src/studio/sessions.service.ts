import { createHash, createHmac, randomBytes } from 'node:crypto';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { ROLES, type Role, type SessionView } from '@brachytone/job';
import { desc, eq } from 'drizzle-orm';
import type { Request } from 'express';
import { filter, takeUntil, type MonoTypeOperatorFunction } from 'rxjs';
import { DATABASE, type Database } from '../database/database.ts';
import { people, sessions, tokens } from '../database/studio-schema.ts';
import { BulletinService } from '../live/bulletin.service.ts';
import { notFound, Problem } from '../http/problem.ts';
import { SETTINGS, type Settings } from '../settings.ts';
import { createAuth, type Auth } from './auth.ts';
import { ALONE, NOBODY, type Visitor } from './visitor.ts';

export const sha256 = (text: string): string => createHash('sha256').update(text).digest('hex');

/** A secret for a link or a token, 256 bits. */
export const newSecret = (): string => randomBytes(32).toString('base64url');

/** The file in the data folder that lets programs of this machine ask as the owner. */
export const FOLDER_KEY = 'folder-key';

/** A token's use is noted once in so long, ms. */
const NOTED_EVERY = 60_000;

const headersOf = ({ headers, ip }: Request): Headers => {
  const all = new Headers();
  for (const name of ['cookie', 'user-agent'] as const) {
    const value = headers[name];
    if (typeof value === 'string') all.set(name, value);
  }
  if (ip) all.set('x-forwarded-for', ip);
  return all;
};

/** Who is signed in. Alone, everybody is the owner and nothing is asked. */
@Injectable()
export class SessionsService implements OnModuleInit {
  private library: Auth | undefined;
  private folderKey = '';
  private readonly signing = new WeakMap<Request, string>();

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(SETTINGS) private readonly settings: Settings,
    @Inject(BulletinService) private readonly bulletin: BulletinService,
  ) {}

  async onModuleInit(): Promise<void> {
    if (!this.settings.studio) return;
    this.library = await createAuth(this.database, this.settings.studio);
    this.folderKey = newSecret();
    writeFileSync(join(this.settings.dataFolder, FOLDER_KEY), this.folderKey, { mode: 0o600 });
  }

  get isShared(): boolean {
    return this.library !== undefined;
  }

  /** The library for accounts; there only where people sign in. */
  get auth(): Auth {
    if (!this.library)
      throw new Problem(
        404,
        'Nobody signs in here',
        'This Brachytone is one person’s own. Start it with BRACHYTONE_SHARED=on to share it.',
      );
    return this.library;
  }

  async visitor(request: Request): Promise<Visitor> {
    if (!this.library) return ALONE;
    const bearer = /^Bearer ([\w-]{20,100})$/.exec(request.get('Authorization') ?? '');
    if (bearer) return this.byToken(bearer[1]);
    if (!request.headers.cookie) return NOBODY;
    const found = await this.library.api.getSession({ headers: headersOf(request) });
    if (!found) return NOBODY;
    const { session, user } = found;
    this.signing.set(request, session.token);
    return { by: 'session', role: user.role as Role, person: user.id, name: user.name, session: session.id };
  }

  private async byToken(token: string): Promise<Visitor> {
    if (token === this.folderKey)
      return { by: 'folder', role: 'owner', person: null, name: 'this machine', session: null };
    const [found] = await this.database.queries
      .select({ token: tokens, person: people })
      .from(tokens)
      .innerJoin(people, eq(people.id, tokens.person))
      .where(eq(tokens.hash, sha256(token)));
    if (!found) return NOBODY;
    const now = new Date();
    if (now.getTime() - (found.token.lastUsed?.getTime() ?? 0) > NOTED_EVERY)
      await this.database.queries.update(tokens).set({ lastUsed: now }).where(eq(tokens.id, found.token.id));
    // No more than the person may by now.
    const role = ROLES[Math.max(ROLES.indexOf(found.token.role), ROLES.indexOf(found.person.role))];
    return {
      by: 'token',
      role,
      person: found.person.id,
      name: `${found.person.name} (${found.token.name})`,
      session: null,
    };
  }

  /** What is to be sent along with changes from a browser that is signed in. */
  tokenOf(request: Request): string {
    const session = this.signing.get(request);
    return session === undefined || !this.settings.studio
      ? ''
      : createHmac('sha256', this.settings.studio.secret).update(`change ${session}`).digest('base64url');
  }

  /** Signs somebody in; gives the cookies for the browser. */
  async signIn(request: Request, name: string, passphrase: string): Promise<readonly string[] | undefined> {
    const answer = await this.auth.api.signInUsername({
      body: { username: name, password: passphrase },
      headers: headersOf(request),
      asResponse: true,
    });
    return answer.ok ? answer.headers.getSetCookie() : undefined;
  }

  /** Ends the session that asks; gives the cookies that take it out of the browser. */
  async signOut(request: Request, { session }: Visitor): Promise<readonly string[]> {
    const answer = await this.auth.api.signOut({ headers: headersOf(request), asResponse: true });
    if (session !== null) this.bulletin.tell({ kind: 'session', id: session });
    return answer.headers.getSetCookie();
  }

  /** Sessions of a person, or of all, lately begun first. */
  async list({ role, person, session: own }: Visitor): Promise<SessionView[]> {
    const rows = await this.database.queries
      .select({ session: sessions, name: people.name })
      .from(sessions)
      .innerJoin(people, eq(people.id, sessions.userId))
      .where(role === 'owner' || person === null ? undefined : eq(sessions.userId, person))
      .orderBy(desc(sessions.createdAt));
    return rows
      .filter(({ session }) => session.expiresAt.getTime() > Date.now())
      .map(({ session, name }) => ({
        id: session.id,
        person: name,
        browser: session.userAgent ?? '',
        address: session.ipAddress ?? '',
        begun: session.createdAt.toISOString(),
        ends: session.expiresAt.toISOString(),
        own: session.id === own,
      }));
  }

  /** Ends a session: one's own, or as the owner anybody's. */
  async end(id: string, { role, person }: Visitor): Promise<void> {
    const [row] = await this.database.queries.select().from(sessions).where(eq(sessions.id, id));
    if (!row || (role !== 'owner' && row.userId !== person)) throw notFound('session of this number');
    await this.database.queries.delete(sessions).where(eq(sessions.id, id));
    this.bulletin.tell({ kind: 'session', id });
  }

  /** Ends all sessions of a person, but for one. */
  async endAll(person: string, but: string | null = null): Promise<void> {
    const rows = await this.database.queries
      .select({ id: sessions.id })
      .from(sessions)
      .where(eq(sessions.userId, person));
    for (const { id } of rows.filter((row) => row.id !== but)) {
      await this.database.queries.delete(sessions).where(eq(sessions.id, id));
      this.bulletin.tell({ kind: 'session', id });
    }
  }

  /** Ends a stream once whoever listens is no longer signed in. */
  whileSignedIn<News>({ session }: Visitor): MonoTypeOperatorFunction<News> {
    return takeUntil(this.bulletin.hear('session').pipe(filter(({ id }) => id === session)));
  }
}
