import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  NEW_SERIES,
  type JobWithDocument,
  type OriginalView,
  type RunView,
  type SeriesView,
} from '@brachytone/job';
import sharp from 'sharp';
import { RealServer } from './real-server.ts';

const folder = mkdtempSync(join(tmpdir(), 'series-killed-'));
const server = new RealServer(4317, folder);
afterAll(async () => {
  await server.end();
  rmSync(folder, { recursive: true, force: true });
});

const post = <T>(path: string, body: object, method = 'POST') =>
  server.json<T>(path, {
    method,
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
  });

const MEMBERS = 10;

it('a series goes on after a kill from the first member that is not whole, and makes none twice', async () => {
  await server.start();
  const pictures: string[] = [];
  for (let i = 0; i < MEMBERS; i++) {
    const body = await sharp({
      create: { width: 400, height: 300, channels: 3, background: { r: 12 * i, g: 120, b: 90 } },
    })
      .png()
      .toBuffer();
    const headers = { 'Content-Type': 'application/octet-stream' };
    const { sha256 } = await server.json<OriginalView>('files', {
      method: 'POST',
      headers,
      body: new Uint8Array(body),
    });
    pictures.push(sha256);
  }
  const { id } = await post<JobWithDocument>('jobs', {
    picture: { sha256: pictures[0], name: 'tide.png' },
    treatment: 'stippled',
    sheet: { longest: 210 },
  });
  const members = pictures.map((sha256, i) => ({
    id: `m${i}`,
    picture: { sha256, name: `${i}.png` },
    fields: {},
    crop: null,
    levels: null,
  }));
  await post<SeriesView>(`jobs/${id}/series`, { revision: 0, series: { ...NEW_SERIES, members } }, 'PUT');
  const begun = await post<RunView>(`jobs/${id}/series/run`, {});
  const whole = ({ films }: RunView) => films.filter(({ bytes }) => bytes > 0);
  let run = begun;
  while (whole(run).length < 3) run = await server.json<RunView>(`runs/${begun.id}`);
  await server.end('SIGKILL');
  const path = (file: string) => join(folder, 'films', begun.id, file);
  const before = new Map(whole(run).map(({ file }) => [file, statSync(path(file)).mtimeMs]));
  await server.start();
  while (run.ended === null) {
    await new Promise((resolve) => setTimeout(resolve, 100));
    run = await server.json<RunView>(`runs/${begun.id}`);
  }
  expect(run).toMatchObject({ status: 'done', message: null, members: MEMBERS });
  expect(whole(run)).toHaveLength(MEMBERS);
  expect(new Set(run.films.map(({ sha256 }) => sha256)).size).toBe(MEMBERS);
  for (const [file, time] of before) expect(statSync(path(file)).mtimeMs).toBe(time);
}, 180_000);
