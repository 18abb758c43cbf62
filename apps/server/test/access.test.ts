/** Who may ask what: every endpoint there is, asked by everybody. */
import { randomUUID } from 'node:crypto';
import { mayAll, type Role } from '@brachytone/job';
import { RULES } from '../src/studio/rules.ts';
import { startStudio, type Asks, type Studio } from './studio.ts';

interface Layer {
  readonly route?: { readonly path: string; readonly methods: Readonly<Record<string, boolean>> };
}

let studio: Studio;
let endpoints: readonly string[];

beforeAll(async () => {
  studio = await startStudio();
  const { router } = studio.harness.app.getHttpAdapter().getInstance() as unknown as {
    router: { stack: Layer[] };
  };
  endpoints = router.stack.flatMap(({ route }) =>
    route && (route.path.startsWith('/api/') || route.path === '/metrics')
      ? Object.keys(route.methods).map((method) => `${method.toUpperCase()} ${route.path}`)
      : [],
  );
});
afterAll(() => studio.harness.close());

/** An address of an endpoint, of things that are not there: who may ask is told 404 or 422, who may not 401 or 403. */
const addressOf = (endpoint: string): string =>
  endpoint
    .split(' ')[1]
    .replace(':sha256', 'a'.repeat(64))
    .replace(/:(id|pull)/g, () => randomUUID())
    .replace(':kind', 'none')
    .replace(':comment', () => randomUUID())
    .replace(':level', '0')
    .replace(':name', 'k.tif')
    .replace(/:\w+/g, 'x');

/** Ends sessions of whoever asks, or says what no asker may say. */
const LEFT_OUT = new Set(['DELETE /api/session', 'GET /api/runs/events', 'GET /api/live']);

const isRefused = async (asks: Asks, endpoint: string): Promise<boolean> => {
  const { status, body } = await asks(endpoint.split(' ')[0], addressOf(endpoint));
  const { title } = body as { title?: string };
  return status === 401 ? title === 'Not signed in' : status === 403 && title === 'Not allowed';
};

test('every endpoint has a rule, and every rule an endpoint', () => {
  const described = endpoints.filter((one) => !one.startsWith('GET /api/docs'));
  expect(described.length).toBeGreaterThan(90);
  expect([...described].sort()).toEqual(Object.keys(RULES).sort());
});

test.each<[keyof Omit<Studio, 'harness' | 'join'>, Role | undefined]>([
  ['stranger', undefined],
  ['client', undefined],
  ['viewer', 'viewer'],
  ['maker', 'maker'],
  ['program', 'maker'],
  ['owner', 'owner'],
])('what the %s may ask, and no more', async (who, role) => {
  const wrong: string[] = [];
  for (const [endpoint, { needs }] of Object.entries(RULES)) {
    if (LEFT_OUT.has(endpoint)) continue;
    const may = needs === 'anyone' || (role !== undefined && mayAll(role, needs));
    // Tokens are not made by programs, whatever they may do.
    if (who === 'program' && endpoint === 'POST /api/tokens') continue;
    if ((await isRefused(studio[who], endpoint)) === may) wrong.push(endpoint);
  }
  expect(wrong).toEqual([]);
});

test('what strangers may ask is little, and what changes anything is for makers', () => {
  const of = (needed: string) =>
    Object.entries(RULES).flatMap(([endpoint, { needs }]) => (needs === needed ? [endpoint] : []));
  expect(of('anyone').sort()).toEqual([
    'GET /api/health',
    'GET /api/health/ready',
    'GET /api/me',
    'GET /api/proof',
    'GET /api/proof/tiles/:level/:x/:y',
    'GET /api/proof/whole',
    'POST /api/proof/answer',
    'POST /api/proof/comments',
    'POST /api/session',
    'POST /api/welcome',
    'POST /api/welcome/offer',
  ]);
  expect(
    of('viewer')
      .filter((one) => !one.startsWith('GET '))
      .sort(),
  ).toEqual([
    // Their own, or nothing.
    'DELETE /api/session',
    'DELETE /api/sessions/:id',
    'DELETE /api/tokens/:id',
    'POST /api/page-failures',
    'PUT /api/me/passphrase',
  ]);
  for (const endpoint of Object.keys(RULES))
    if (/people|invitations|storage|audit|backup/.test(endpoint) && !endpoint.startsWith('GET '))
      expect(`${endpoint}: ${RULES[endpoint].needs}`).toBe(`${endpoint}: owner`);
});
