import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fuzz } from '../fuzz/fuzz.ts';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'fuzz-test-'));
const server = new RealServer(4280, folder);
afterAll(async () => {
  await server.end();
  rmSync(folder, { recursive: true, force: true });
});

it('150 broken files and documents end nothing: no failure, none late', async () => {
  await server.start();
  const outcome = await fuzz({ api: server.api, seed: 2026, count: 150, most: 60_000 });
  expect(outcome.failures).toEqual([]);
  expect(outcome.taken).toBeGreaterThan(20);
  expect(outcome.refused).toBeGreaterThan(20);
  expect(server.child?.exitCode).toBeNull();
}, 300_000);
