import { mkdtempSync, rmSync, statSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RunView } from '@brachytone/job';
import { smallPng } from './harness.ts';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'killed-'));
const server = new RealServer(4287, folder);
afterAll(async () => {
  await server.end();
  rmSync(folder, { recursive: true, force: true });
});

it('a run goes on after the server was killed: what was whole stays, the rest is made', async () => {
  await server.start();
  const { sha256 } = await server.bring(await smallPng(300, 200));
  const { document } = await server.send<{ document: { recipe: Record<string, unknown[]>; films: object } }>(
    'POST',
    'jobs',
    { picture: { sha256, name: 'reeds.png' } },
  );
  const { recipe } = document;
  const names = ['ink-1', 'ink-2', 'ink-3'];
  const three = {
    ...document,
    recipe: {
      ...recipe,
      sheet: { width: 420, height: 297, bleed: 0, resolution: 2800 },
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
  const job = await server.send<{ id: string }>('POST', 'jobs', { document: three });
  const { id } = await server.send<RunView>('POST', 'runs', { jobId: job.id });
  const get = () => server.json<RunView>(`runs/${id}`);
  // Films of 1.5 Gpx are packed two at a time: two are whole while the third is made.
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
  await server.end();

  await server.start();
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
