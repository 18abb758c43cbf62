import { randomBytes } from 'node:crypto';
import {
  emptyJob,
  PROOF_HEADER,
  TOKEN_HEADER,
  type MeView,
  type NewLinkView,
  type NewProofLinkView,
  type NewTokenView,
  type Role,
} from '@brachytone/job';
import request, { type Test } from 'supertest';
import { PeopleService } from '../src/studio/people.service.ts';
import { startServer, type Harness } from './harness.ts';

export const PASSPHRASE = 'four words or so here';

/** Asks as somebody. */
export type Asks = (method: string, path: string) => Test;

/** A server that people sign in to, and how each of them asks. */
export interface Studio {
  readonly harness: Harness;
  readonly owner: Asks;
  readonly maker: Asks;
  readonly viewer: Asks;
  readonly stranger: Asks;
  /** A program, by a token of the maker’s. */
  readonly program: Asks;
  /** A client, by a proof link. */
  readonly client: Asks;
  /** Somebody more. */
  join(name: string, role: Role): Promise<Asks>;
}

const bare =
  ({ app }: Harness, headers: Readonly<Record<string, string>> = {}): Asks =>
  (method, path) => {
    const agent = request(app.getHttpServer());
    const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'patch' | 'delete';
    return agent[verb](path).set(headers);
  };

/** The cookie of an answer that signs somebody in. */
export const cookieOf = (headers: Readonly<Record<string, unknown>>): string =>
  ((headers['set-cookie'] as string[] | undefined) ?? []).map((one) => one.split(';')[0]).join('; ');

/** Asks as whoever has a cookie, with what is to be sent along. */
export async function signedIn(harness: Harness, cookie: string): Promise<Asks> {
  const { body } = await bare(harness, { cookie })('GET', '/api/me').expect(200);
  return bare(harness, { cookie, [TOKEN_HEADER]: (body as MeView).token });
}

/** Follows a link and is signed in then. */
export async function follow(harness: Harness, path: string, name: string): Promise<Asks> {
  const secret = path.slice(path.indexOf('#') + 1);
  const { headers } = await bare(harness)('POST', '/api/welcome')
    .send({ secret, name, passphrase: PASSPHRASE })
    .expect(204);
  return signedIn(harness, cookieOf(headers));
}

export async function startStudio(): Promise<Studio> {
  const harness = await startServer({
    secret: randomBytes(32).toString('base64url'),
    url: 'http://localhost:4180',
    proxies: [],
  });
  const { ownerLink } = harness.app.get(PeopleService);
  const owner = await follow(harness, ownerLink ?? '', 'Olga Reed');
  const join = async (name: string, role: Role): Promise<Asks> => {
    const { body } = await owner('POST', '/api/invitations').send({ meant: name, role }).expect(201);
    return follow(harness, (body as NewLinkView).path, name);
  };
  const maker = await join('Marek Lund', 'maker');
  const { body } = await maker('POST', '/api/tokens').send({ name: 'folder', role: 'maker' }).expect(201);
  const job = await maker('POST', '/api/jobs')
    .send({ document: emptyJob('Shown', { width: 50, height: 40 }) })
    .expect(201);
  const link = await maker('POST', `/api/jobs/${job.body.id}/proof-links`)
    .send({ meant: 'Cleo', days: 7 })
    .expect(201);
  const { path } = link.body as NewProofLinkView;
  return {
    client: bare(harness, { [PROOF_HEADER]: path.slice(path.indexOf('#') + 1) }),
    harness,
    owner,
    maker,
    viewer: await join('Vera Holm', 'viewer'),
    stranger: bare(harness),
    program: bare(harness, { authorization: `Bearer ${(body as NewTokenView).token}` }),
    join,
  };
}
