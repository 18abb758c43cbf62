import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync, statSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { RunView } from '@brachytone/job';
import { smallPng } from './harness.ts';

const PORT = 4287;
const api = `http://127.0.0.1:${PORT}/api`;
const folder = mkdtempSync(join(tmpdir(), 'killed-'));
let server: ChildProcess | undefined;

async function start(): Promise<void> {
  const started = spawn(process.execPath, [fileURLToPath(new URL('../dist/main.js', import.meta.url))], {
    env: {
      ...process.env,
      BRACHYTONE_DATA: folder,
      PORT: String(PORT),
      DATABASE_URL: '',
      BRACHYTONE_DEMO: 'off',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  server = started;
  await new Promise<void>((resolve, reject) => {
    started.stdout.on('data', (text) => String(text).includes('is at') && resolve());
    started.on('exit', () => reject(new Error('The server did not start.')));
  });
}

async function kill(): Promise<void> {
  const gone = new Promise((resolve) => server?.on('exit', resolve));
  server?.kill('SIGKILL');
  await gone;
}

afterAll(async () => {
  await kill();
  rmSync(folder, { recursive: true, force: true });
});

const json = async <T>(path: string, init?: RequestInit): Promise<T> => {
  const answer = await fetch(`${api}/${path}`, init);
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
};
const post = <T>(path: string, body: object): Promise<T> =>
  json(path, { method: 'POST', headers: { 'Content-Type': 'application/json' }, body: JSON.stringify(body) });

it('a run goes on after the server was killed: what was whole stays, the rest is made', async () => {
  await start();
  const { sha256 } = await json<{ sha256: string }>('files', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(await smallPng(300, 200)),
  });
  const { document } = await post<{ document: { recipe: Record<string, unknown[]>; films: object } }>(
    'jobs',
    {
      picture: { sha256, name: 'reeds.png' },
    },
  );
  const { recipe } = document;
  const names = ['ink-1', 'ink-2', 'ink-3'];
  const three = {
    ...document,
    recipe: {
      ...recipe,
      sheet: { width: 420, height: 297, bleed: 0, resolution: 1600 },
      inks: names.map((id) => ({ ...(recipe.inks[0] as object), id, name: id })),
      plates: names.map((ink, i) => ({ ...(recipe.plates[0] as object), id: `plate-${i + 1}`, ink })),
      originals: names.map((ink, i) => ({
        ...(recipe.originals[0] as object),
        id: `original-${i + 1}`,
        route: { kind: 'ink', ink },
        overprint: true,
      })),
    },
  };
  const job = await post<{ id: string }>('jobs', { document: three });
  const { id } = await post<RunView>('runs', { jobId: job.id });
  const get = () => json<RunView>(`runs/${id}`);
  // Two of the films are made by one thread, by turns: the third is whole before them.
  const whole = (run: RunView) => run.films.filter(({ bytes }) => bytes > 0);
  let run = await get();
  while (whole(run).length === 0 && run.status !== 'done') {
    await new Promise((resolve) => setTimeout(resolve, 20));
    run = await get();
  }
  expect(run.status).toBe('running');
  const [first] = whole(run);
  const path = join(folder, 'films', id, first.file);
  const { mtimeMs } = statSync(path);
  await kill();

  await start();
  run = await get();
  while (run.status === 'queued' || run.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    run = await get();
  }
  expect(run.status).toBe('done');
  expect(whole(run)).toHaveLength(3);
  expect(run.films.find(({ file }) => file === first.file)).toEqual(first);
  expect(statSync(path).mtimeMs).toBe(mtimeMs);
  for (const { file } of run.films) expect(existsSync(join(folder, 'films', id, `${file}.part`))).toBe(false);
}, 180_000);
