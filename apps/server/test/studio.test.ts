import { randomBytes, randomUUID } from 'node:crypto';
import { readFileSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import {
  emptyJob,
  TOKEN_HEADER,
  type AuditEntry,
  type InvitationView,
  type NewLinkView,
  type PersonView,
  type SessionView,
} from '@brachytone/job';
import { eq } from 'drizzle-orm';
import { audit, credentials, oneTimeLinks, proofLinks } from '../src/database/studio-schema.ts';
import { readSettings, UnfitSettings } from '../src/settings.ts';
import { PeopleService } from '../src/studio/people.service.ts';
import { FOLDER_KEY } from '../src/studio/sessions.service.ts';
import { startServer } from './harness.ts';
import { cookieOf, follow, PASSPHRASE, signedIn, startStudio, type Studio } from './studio.ts';

let studio: Studio;
beforeAll(async () => {
  studio = await startStudio();
});
afterAll(() => studio.harness.close());

const signIn = (name: string, passphrase = PASSPHRASE) =>
  studio.stranger('POST', '/api/session').send({ name, passphrase });
const personCalled = async (name: string): Promise<PersonView> => {
  const { body } = await studio.owner('GET', '/api/people').expect(200);
  const found = (body as PersonView[]).find((one) => one.name === name);
  if (!found) throw new Error(`Nobody is called ${name}.`);
  return found;
};

describe('settings', () => {
  const url = 'https://plates.example';
  const secret = randomBytes(32).toString('hex');
  test('alone by default; shared on any other address, and then with a secret only', () => {
    expect(readSettings({}).studio).toBeUndefined();
    expect(() => readSettings({ HOST: '0.0.0.0' })).toThrow(UnfitSettings);
    expect(() => readSettings({ BRACHYTONE_SHARED: 'on', BRACHYTONE_SECRET: 'short' })).toThrow(/32/);
    expect(readSettings({ HOST: '0.0.0.0', BRACHYTONE_SECRET: secret }).studio?.url).toBe(
      'http://0.0.0.0:4180',
    );
  });
  test('the address that people know is one it may be asked by', () => {
    const settings = readSettings({
      BRACHYTONE_SHARED: 'on',
      BRACHYTONE_SECRET: secret,
      BRACHYTONE_URL: url,
    });
    expect(settings.studio?.url).toBe(url);
    expect(settings.hosts).toContain('plates.example');
    expect(() =>
      readSettings({ HOST: '0.0.0.0', BRACHYTONE_SECRET: secret, BRACHYTONE_URL: 'plates' }),
    ).toThrow(UnfitSettings);
  });
});

test('alone nobody signs in, and what is for studios says so', async () => {
  const alone = await startServer();
  try {
    const { body } = await alone.http.get('/api/me').expect(200);
    expect(body).toEqual({ shared: false, person: null, token: '' });
    await alone.http.get('/api/jobs').expect(200);
    const { body: problem } = await alone.http
      .post('/api/invitations')
      .send({ meant: 'Ada', role: 'maker' })
      .expect(404);
    expect(problem.title).toBe('Nobody signs in here');
  } finally {
    await alone.close();
  }
});

describe('signing in', () => {
  test('by name in any letters, with a cookie that scripts and other sites never have', async () => {
    const { headers } = await signIn('  vera   HOLM').expect(204);
    const [cookie] = headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/; HttpOnly/);
    expect(cookie).toMatch(/; SameSite=Lax/);
    const asks = await signedIn(studio.harness, cookieOf(headers));
    const { body } = await asks('GET', '/api/me').expect(200);
    expect(body.person).toMatchObject({ name: 'Vera Holm', role: 'viewer' });
  });

  test('a wrong passphrase and an unknown name are answered alike', async () => {
    const wrong = await signIn('Vera Holm', 'not those four words').expect(401);
    const unknown = await signIn('Nemo', 'not those four words').expect(401);
    expect(wrong.body).toEqual(unknown.body);
    expect(wrong.headers['set-cookie']).toBeUndefined();
  });

  test('passphrases are kept as Argon2id', async () => {
    const rows = await studio.harness.database.queries.select().from(credentials);
    expect(rows.length).toBeGreaterThan(2);
    for (const { password } of rows) expect(password).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/);
  });

  test('changes need what is told to signed-in pages alone', async () => {
    const { headers } = await signIn('Marek Lund').expect(204);
    const cookie = cookieOf(headers);
    const start = () => studio.stranger('POST', '/api/page-failures').send({ message: 'x', stack: '' });
    const { body } = await start().set('cookie', cookie).expect(403);
    expect(body.title).toBe('Not from here');
    await start().set('cookie', cookie).set(TOKEN_HEADER, 'x'.repeat(43)).expect(403);
    const asks = await signedIn(studio.harness, cookie);
    await asks('POST', '/api/page-failures').send({ message: 'x', stack: '' }).expect(204);
  });

  test('too many tries are stopped, whoever they are for', async () => {
    const crowd = await startStudio();
    try {
      const statuses: number[] = [];
      for (let i = 0; i < 40; i++) {
        const { status } = await crowd
          .stranger('POST', '/api/session')
          .send({ name: `Nobody ${i}`, passphrase: 'x' });
        statuses.push(status);
      }
      expect(statuses.slice(0, 29).every((one) => one === 401)).toBe(true);
      expect(statuses.at(-1)).toBe(429);
      const { body } = await crowd
        .stranger('POST', '/api/session')
        .send({ name: 'Olga Reed', passphrase: PASSPHRASE });
      expect(body.detail).toMatch(/Try again in \d+ minutes/);
    } finally {
      await crowd.harness.close();
    }
  });
});

describe('links that work once', () => {
  const invite = async (name: string): Promise<NewLinkView> =>
    (await studio.owner('POST', '/api/invitations').send({ meant: name, role: 'maker' }).expect(201))
      .body as NewLinkView;
  const welcome = (path: string, name: string, passphrase = PASSPHRASE) =>
    studio.stranger('POST', '/api/welcome').send({ secret: path.split('#')[1], name, passphrase });

  test('tell what they offer, and bring in one person', async () => {
    const { path } = await invite('Nils');
    const { body } = await studio
      .stranger('POST', '/api/welcome/offer')
      .send({ secret: path.split('#')[1] })
      .expect(200);
    expect(body).toEqual({ kind: 'invitation', role: 'maker', name: 'Nils' });
    const answers = await Promise.all(['Nils One', 'Nils Two'].map((name) => welcome(path, name)));
    expect(answers.map(({ status }) => status).sort()).toEqual([204, 410]);
  });

  test('are there again where joining failed: a name that is taken, a passphrase that is short', async () => {
    const { path } = await invite('Second Marek');
    await welcome(path, 'MAREK lund').expect(409);
    const { body } = await welcome(path, 'Marek Berg', 'short').expect(422);
    expect(body.detail).toMatch(/four words/);
    await welcome(path, 'Marek Berg').expect(204);
  });

  test('can be withdrawn, and grow old', async () => {
    const [first, second] = [await invite('A'), await invite('B')];
    await studio.owner('DELETE', `/api/invitations/${first.id}`).expect(204);
    await welcome(first.path, 'A').expect(410);
    await studio.harness.database.queries
      .update(oneTimeLinks)
      .set({ expires: new Date(Date.now() - 1000) })
      .where(eq(oneTimeLinks.id, second.id));
    await welcome(second.path, 'B').expect(410);
    const { body } = await studio.owner('GET', '/api/invitations').expect(200);
    expect((body as InvitationView[]).some(({ meant }) => meant === 'A' || meant === 'B')).toBe(false);
  });

  test('change a passphrase, and end all sessions begun with the old one', async () => {
    const asks = await studio.join('Tilde Ask', 'maker');
    await asks('GET', '/api/jobs').expect(200);
    const { id } = await personCalled('Tilde Ask');
    const { body } = await studio.owner('POST', `/api/people/${id}/passphrase-link`).expect(201);
    const secret = (body as NewLinkView).path.split('#')[1];
    await studio
      .stranger('POST', '/api/welcome')
      .send({ secret, name: 'Tilde Ask', passphrase: 'another four words here' })
      .expect(204);
    await asks('GET', '/api/jobs').expect(401);
    await signIn('Tilde Ask').expect(401);
    await signIn('Tilde Ask', 'another four words here').expect(204);
  });
});

describe('people', () => {
  test('a role holds from the next request on, of tokens too', async () => {
    const asks = await studio.join('Ines Falk', 'maker');
    const { body } = await asks('POST', '/api/tokens').send({ name: 'script', role: 'maker' }).expect(201);
    const byToken = () =>
      studio.stranger('POST', '/api/runs/gang/plan').set('authorization', `Bearer ${body.token}`);
    expect((await byToken().send({})).status).toBe(422);
    const { id } = await personCalled('Ines Falk');
    await studio.owner('PATCH', `/api/people/${id}`).send({ role: 'viewer' }).expect(200);
    await asks('POST', '/api/runs/gang/plan').send({}).expect(403);
    await byToken().send({}).expect(403);
  });

  test('whoever is taken out is out at once, and a stream ends', async () => {
    const { app } = studio.harness;
    const { headers } = await studio
      .stranger('POST', '/api/session')
      .send({ name: 'Nils One', passphrase: PASSPHRASE });
    const name = headers['set-cookie'] ? 'Nils One' : 'Nils Two';
    const cookie = cookieOf((await signIn(name).expect(204)).headers);
    const server = app.getHttpServer();
    if (!server.listening)
      await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', () => resolve()));
    const { port } = server.address() as AddressInfo;
    const stream = await fetch(`http://127.0.0.1:${port}/api/runs/events`, { headers: { cookie } });
    expect(stream.status).toBe(200);
    const { id } = await personCalled(name);
    await studio.owner('DELETE', `/api/people/${id}`).expect(204);
    // Ends by itself: else this waits until the test is given up.
    await stream.text();
    await studio.stranger('GET', '/api/jobs').set('cookie', cookie).expect(401);
  });

  test('the only owner stays one', async () => {
    const { id } = await personCalled('Olga Reed');
    await studio.owner('PATCH', `/api/people/${id}`).send({ role: 'maker' }).expect(409);
    await studio.owner('DELETE', `/api/people/${id}`).expect(409);
  });

  test('sessions are listed and ended: one’s own, an owner everybody’s', async () => {
    const asks = await studio.join('Jon Vik', 'viewer');
    const more = await signedIn(studio.harness, cookieOf((await signIn('Jon Vik').expect(204)).headers));
    const { body } = await asks('GET', '/api/sessions').expect(200);
    const list = body as SessionView[];
    expect(list.map(({ person }) => person)).toEqual(['Jon Vik', 'Jon Vik']);
    const other = list.find(({ own }) => !own);
    await studio.viewer('DELETE', `/api/sessions/${other?.id ?? ''}`).expect(404);
    await asks('DELETE', `/api/sessions/${other?.id ?? ''}`).expect(204);
    await more('GET', '/api/jobs').expect(401);
    await asks('GET', '/api/jobs').expect(200);
    const all = (await studio.owner('GET', '/api/sessions').expect(200)).body as SessionView[];
    expect(new Set(all.map(({ person }) => person)).size).toBeGreaterThan(2);
  });

  test('a passphrase is changed by whoever knows the old one', async () => {
    const asks = await studio.join('Rut Dahl', 'viewer');
    const passphrase = 'yet another four words';
    await asks('PUT', '/api/me/passphrase').send({ old: 'not the old one', passphrase }).expect(403);
    await asks('PUT', '/api/me/passphrase').send({ old: PASSPHRASE, passphrase }).expect(204);
    await signIn('Rut Dahl', passphrase).expect(204);
  });
});

test('the audit list tells who did what, and leaves as CSV', async () => {
  const { body: job } = await studio
    .maker('POST', '/api/jobs')
    .send({ document: emptyJob('=Tide', { width: 100, height: 80 }) })
    .expect(201);
  await studio.maker('PATCH', `/api/jobs/${job.id}`).send({ putAway: true }).expect(200);
  await studio.viewer('DELETE', `/api/jobs/${job.id}`).expect(403);
  await studio.maker('DELETE', `/api/jobs/${job.id}`).expect(204);
  const { body } = await studio.owner('GET', '/api/audit').expect(200);
  const entries = (body as AuditEntry[]).filter(({ subject }) => subject.includes(job.id));
  expect(entries.map(({ name, did }) => `${name} ${did}`)).toEqual([
    'Marek Lund deleted a job',
    'Marek Lund put a job away or took it out',
  ]);
  expect(entries[0].subject).toContain('“=Tide”');
  const { text } = await studio.owner('GET', '/api/audit.csv').expect(200);
  const lines = text.trim().split('\r\n');
  expect(lines[0]).toBe('at,who,did,subject');
  expect(lines.length).toBeGreaterThan(20);
  expect(new Set(lines).size).toBe(lines.length);
});

test('behind a proxy with TLS, cookies go by TLS alone', async () => {
  const tls = await startServer({
    secret: randomBytes(32).toString('hex'),
    url: 'https://plates.example',
    proxies: [],
  });
  try {
    const { ownerLink = '' } = tls.app.get(PeopleService);
    expect(ownerLink).toMatch(/^https:\/\/plates\.example\/welcome#/);
    const { headers } = await tls.http
      .post('/api/welcome')
      .send({ secret: ownerLink.split('#')[1], name: 'Olga', passphrase: PASSPHRASE })
      .expect(204);
    const [cookie] = headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/^__Secure-.*; HttpOnly; Secure; SameSite=Lax/);
  } finally {
    await tls.close();
  }
});

test('a program that can read the data folder asks as the owner, and no other key does', async () => {
  const backup = (key: string) =>
    studio.stranger('GET', '/api/storage').set('authorization', `Bearer ${key}`);
  await backup(readFileSync(join(studio.harness.folder, FOLDER_KEY), 'utf8')).expect(200);
  await backup(randomBytes(32).toString('base64url')).expect(401);
});

test('a name follows its link, whatever it is called', async () => {
  const { body } = await studio
    .owner('POST', '/api/invitations')
    .send({ meant: 'Ö', role: 'viewer' })
    .expect(201);
  const asks = await follow(studio.harness, (body as NewLinkView).path, '鈴木 ・ Ö');
  await asks('GET', '/api/me').expect(200);
  await studio.owner('DELETE', `/api/people/${randomUUID()}`).expect(404);
});

it('cleans away who did what, and proof links, so many days after they ended', async () => {
  const { queries } = studio.harness.database;
  const { body: job } = await studio.maker('POST', '/api/jobs').send({
    document: emptyJob('Old', { width: 90, height: 60 }),
  });
  const link = async (meant: string) => {
    const { body } = await studio
      .maker('POST', `/api/jobs/${job.id}/proof-links`)
      .send({ meant, days: 7 })
      .expect(201);
    return body.id as string;
  };
  const [old, now] = [await link('Cleo Ash'), await link('Ines Marsh')];
  const longAgo = new Date(Date.now() - 90 * 24 * 3600 * 1000);
  await queries.update(proofLinks).set({ expires: longAgo }).where(eq(proofLinks.id, old));
  const [entry] = await queries.select().from(audit).limit(1);
  await queries.update(audit).set({ at: longAgo }).where(eq(audit.id, entry.id));
  const rule = { by: 'days', days: 30 };
  for (const kind of ['links', 'deeds']) {
    const { body } = await studio.owner('PUT', `/api/storage/${kind}/rule`).send(rule).expect(200);
    expect({ kind, count: body.count }).toEqual({ kind, count: 1 });
  }
  const left = await queries.select({ id: proofLinks.id }).from(proofLinks);
  expect(left.map(({ id }) => id)).toContain(now);
  expect(left.map(({ id }) => id)).not.toContain(old);
  expect(await queries.select().from(audit).where(eq(audit.id, entry.id))).toEqual([]);
  await studio.maker('PUT', '/api/storage/deeds/rule').send(rule).expect(403);
});
