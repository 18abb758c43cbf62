import type { JobsPage } from '@brachytone/job';
import { execFileSync, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FolderInUse, lockFolder } from '../src/data-lock.ts';
import { smallPng } from './harness.ts';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'stopping-'));
const server = new RealServer(4285, join(folder, 'data'));
const second = new RealServer(4284, join(folder, 'data'));
afterAll(async () => {
  await server.end();
  await second.end();
  rmSync(folder, { recursive: true, force: true });
});

it('a server is gone within five seconds of SIGTERM, whoever listens, and what it answered is there again', async () => {
  await server.start();
  const { sha256 } = await server.bring(await smallPng());
  const { id } = await server.send<{ id: string }>('POST', 'jobs', {
    picture: { sha256, name: 'reeds.png' },
  });
  const events = await fetch(`${server.api}/runs/events`);
  expect(events.headers.get('content-type')).toMatch(/event-stream/);
  const began = Date.now();
  expect(await server.end('SIGTERM')).toBe(0);
  expect(Date.now() - began).toBeLessThan(5000);
  for (const left of ['server.lock', 'server.sock'])
    expect(existsSync(join(folder, 'data', left))).toBe(false);
  await server.start();
  expect((await server.json<{ id: string }>(`jobs/${id}`)).id).toBe(id);
});

it('a second server on its folder is told who has it, and the first one lives on', async () => {
  await expect(second.start()).rejects.toThrow(
    new RegExp(`process ${server.child?.pid} on .*, since 20.*is already using`),
  );
  expect((await server.json<JobsPage>('jobs')).jobs).toHaveLength(1);
});

it('what a killed server has left is taken over at once', async () => {
  await server.end('SIGKILL');
  expect(existsSync(join(folder, 'data', 'server.lock'))).toBe(true);
  await second.start();
  expect((await second.json<JobsPage>('jobs')).jobs).toHaveLength(1);
  await second.end('SIGKILL');
});

describe('a folder’s lock', () => {
  const at = (name: string) => join(folder, name);
  it('goes to one of those that ask at the same moment', async () => {
    const asked = await Promise.allSettled([1, 2, 3, 4].map(() => lockFolder(at('race'))));
    const held = asked.filter((one) => one.status === 'fulfilled');
    expect(held).toHaveLength(1);
    for (const one of asked) if (one.status === 'rejected') expect(one.reason).toBeInstanceOf(FolderInUse);
    held.forEach((one) => one.value());
    (await lockFolder(at('race')))();
  });
  it('whose number another process has by now is taken over', async () => {
    const unlock = await lockFolder(at('stale'));
    const words = readFileSync(join(at('stale'), 'server.lock'), 'utf8');
    unlock();
    writeFileSync(join(at('stale'), 'server.lock'), words);
    (await lockFolder(at('stale')))();
  });
  it('of a server on another machine stands while it says that it lives, and falls once it is silent', async () => {
    const file = join(at('shared'), 'server.lock');
    execFileSync('mkdir', [at('shared')]);
    writeFileSync(
      file,
      JSON.stringify({ host: 'another-machine', pid: 7, since: '2026-01-01T00:00:00.000Z' }),
    );
    const saying = setInterval(() => utimesSync(file, new Date(), new Date()), 500);
    await expect(lockFolder(at('shared'))).rejects.toThrow(/process 7 on another-machine/);
    clearInterval(saying);
    utimesSync(file, new Date(Date.now() - 60_000), new Date(Date.now() - 60_000));
    (await lockFolder(at('shared')))();
  });
  it('of a process that is held up, and does not answer, stands', async () => {
    const code = `import('node:net').then(({ createServer }) => createServer(() => {}).listen(process.argv[1], () => { console.log('held'); }));`;
    execFileSync('mkdir', [at('held')]);
    const child = spawn(process.execPath, ['-e', code, join(at('held'), 'server.sock')]);
    await new Promise((resolve) => child.stdout.once('data', resolve));
    child.kill('SIGSTOP');
    await expect(lockFolder(at('held'))).rejects.toThrow(FolderInUse);
    child.kill('SIGKILL');
  });
});
