import { isOwnHost } from '../src/http/own-pages.ts';
import { send, smallPng, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => (server = await startServer()));
afterAll(() => server.close());

it.each([
  ['localhost:4180', true],
  ['LOCALHOST', true],
  ['127.0.0.1:4180', true],
  ['127.8.9.1', true],
  ['[::1]:4180', true],
  ['brachytone.localhost:4180', true],
  ['plates.studio.example', true],
  ['evil.example', false],
  ['evil.example:4180', false],
  ['127.0.0.1.evil.example', false],
  ['localhost.evil.example', false],
  ['1270.0.0.1', false],
  ['10.0.0.7', false],
  ['', false],
  [undefined, false],
])('the host %s is its own: %s', (host, own) => {
  expect(isOwnHost(host, { host: '127.0.0.1', hosts: ['plates.studio.example'] })).toBe(own);
});

it('where it listens at every address, this machine’s own are its names, and no others', () => {
  const settings = { host: '0.0.0.0', hosts: [] };
  expect(isOwnHost('127.0.0.1', settings)).toBe(true);
  expect(isOwnHost('evil.example', settings)).toBe(false);
  expect(isOwnHost('198.51.100.7', settings)).toBe(false);
});

describe('asked by a page of another origin', () => {
  const ASKED: [string, Record<string, string>][] = [
    ['by a name of its own', { Host: 'evil.example' }],
    ['with its Origin', { Origin: 'https://evil.example' }],
    ['of another port here', { Origin: 'http://127.0.0.1:1' }],
    ['with no Origin to tell', { Origin: 'null' }],
    ['across sites', { 'Sec-Fetch-Site': 'cross-site' }],
    ['of this site', { 'Sec-Fetch-Site': 'same-site' }],
  ];
  it.each(ASKED)('%s, it tells and changes nothing', async (_name, headers) => {
    const { body: kept } = await send(server, await smallPng()).expect(201);
    const { body } = await server.http.get('/api/jobs').set(headers).expect(403);
    expect(body.detail).toMatch(/another origin|not asked by the name “evil\.example”/);
    await server.http.get(`/api/files/${kept.sha256}/source`).set(headers).expect(403);
    await server.http
      .post('/api/jobs')
      .set(headers)
      .send({ picture: { sha256: kept.sha256, name: 'a.png' } })
      .expect(403);
    const { body: jobs } = await server.http.get('/api/jobs').expect(200);
    expect(jobs).toEqual({ jobs: [], next: null, away: 0 });
  });
});

it('its own page, and programs that are no browser, may do all', async () => {
  await server.http
    .get('/api/jobs')
    .set({ Host: 'localhost:4180', Origin: 'http://localhost:4180', 'Sec-Fetch-Site': 'same-origin' })
    .expect(200);
  await server.http.get('/api/jobs').expect(200);
});

it('every answer has its policy', async () => {
  const { headers } = await server.http.get('/api/jobs').expect(200);
  expect(headers['content-security-policy']).toContain("script-src 'self' 'wasm-unsafe-eval'");
  expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
  expect(headers['referrer-policy']).toBe('no-referrer');
  expect(headers['cross-origin-opener-policy']).toBe('same-origin');
  expect(headers['cross-origin-embedder-policy']).toBe('require-corp');
  expect(headers['cross-origin-resource-policy']).toBe('same-origin');
  expect(headers['x-content-type-options']).toBe('nosniff');
});
