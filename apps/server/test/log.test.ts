import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'log-'));
const server = new RealServer(4308, folder, { BRACHYTONE_LOG: 'json' });
afterAll(async () => {
  await server.end();
  rmSync(folder, { recursive: true, force: true });
});

test('a log for programs is JSON to the last line, and tells of every request with its id', async () => {
  await server.start();
  const found = await fetch(`${server.api}/jobs`, { headers: { 'X-Request-Id': 'from-a-proxy-1' } });
  const missing = await fetch(`${server.api}/jobs/00000000-0000-4000-8000-000000000000?secret=1`);
  expect(found.headers.get('x-request-id')).toBe('from-a-proxy-1');
  await server.end('SIGTERM');
  const lines = server.output
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as Record<string, unknown>);
  expect(lines.every(({ level, timestamp }) => level !== undefined && timestamp !== undefined)).toBe(true);
  const requests = lines.filter(({ context }) => context === 'Request');
  expect(requests.map(({ request, message }) => [request, message])).toEqual([
    ['from-a-proxy-1', { method: 'GET', route: '/api/jobs', status: 200, ms: expect.any(Number) }],
    [
      missing.headers.get('x-request-id'),
      { method: 'GET', route: '/api/jobs/:id', status: 404, ms: expect.any(Number) },
    ],
  ]);
  // Nothing that was asked with is in it.
  expect(server.output).not.toContain('secret');
});
