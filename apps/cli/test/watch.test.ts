import { spawn, type ChildProcess } from 'node:child_process';
import {
  appendFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { cli, numbered, PROGRAM } from './run-cli.ts';

let folder: string;
let inside: string;
let films: string;
const ARGS = ['--treatment', 'giant-panels', '--sheet', '20', '--settle', '0.6'];

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'watch-'));
  inside = join(folder, 'in');
  films = join(inside, 'films');
  mkdirSync(inside);
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const watching = new Set<ChildProcess>();
afterAll(() => watching.forEach((child) => child.kill('SIGKILL')));

/** A watch that goes on until it is ended. */
function watch(): { child: ChildProcess; said: () => string } {
  const child = spawn(process.execPath, [PROGRAM, 'watch', inside, ...ARGS]);
  watching.add(child);
  let text = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (text += String(part)));
  return { child, said: () => text };
}

async function until(is: () => boolean): Promise<void> {
  for (const end = Date.now() + 60_000; !is();) {
    if (Date.now() > end) throw new Error('It did not come to pass.');
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}

const gone = (child: ChildProcess) =>
  new Promise<number | null>((resolve) =>
    child.exitCode !== null ? resolve(child.exitCode) : child.on('exit', (code) => resolve(code)),
  );
const named = (ending: string): string[] => {
  try {
    return readdirSync(films).filter((name) => name.endsWith(ending));
  } catch {
    return [];
  }
};
const ledger = () =>
  readFileSync(join(films, '.brachytone-watch.jsonl'), 'utf8')
    .trim()
    .split('\n')
    .map((line) => JSON.parse(line) as { name: string; state: string });

it('makes 500 pictures that come at once each exactly once, killed in the middle and begun again', async () => {
  for (let i = 0; i < 500; i++) writeFileSync(join(inside, `picture ${i}.png`), await numbered(i));
  const first = watch();
  await until(() => named('.tif').length > 60);
  first.child.kill('SIGKILL');
  await gone(first.child);
  const before = new Map(named('.tif').map((name) => [name, statSync(join(films, name)).mtimeMs]));
  const { code, out } = await cli(['watch', inside, ...ARGS, '--once']);
  expect(code).toBe(0);
  expect(named('.tif')).toHaveLength(500);
  expect(named('.part').concat(named('.txt'))).toEqual([]);
  const done = ledger().filter(({ state }) => state === 'done');
  expect(done).toHaveLength(500);
  expect(new Set(done.map(({ name }) => name)).size).toBe(500);
  // What was made before the end was not made again, but for the one it was at.
  const again = [...before].filter(([name, time]) => statSync(join(films, name)).mtimeMs !== time);
  expect(again.length).toBeLessThanOrEqual(1);
  expect(out.toString().trim().split('\n').length).toBeGreaterThanOrEqual(500 - before.size);
}, 240_000);

it('waits for what is still being copied, and takes again what stopped half way and came whole later', async () => {
  const whole = readFileSync('demo/originals/heron-shadow.png');
  const path = join(inside, 'slow.png');
  const { child, said } = watch();
  await until(() => said().includes('Watching'));
  for (let at = 0; at < 8000; at += 1000) {
    appendFileSync(path, whole.subarray(at, at + 1000));
    await new Promise((resolve) => setTimeout(resolve, 250));
    expect(named('.txt').concat(named('.tif'))).toEqual([]);
  }
  // The copying stops for so long that it passes for whole.
  await until(() => named('.problem.txt').length === 1);
  expect(readFileSync(join(films, 'slow.problem.txt'), 'utf8')).toMatch(/^slow\.png: .*\.\n$/);
  writeFileSync(path, whole);
  await until(() => named('.tif').length === 1);
  expect(named('.tif')).toEqual(['slow-black.tif']);
  expect(named('.problem.txt')).toEqual([]);
  child.kill('SIGTERM');
  expect(await gone(child)).toBe(0);
  expect(readdirSync(films)).not.toContain('.brachytone-watch.lock');
});

it('tells pictures of one name apart, leaves alone what was made, and says what cannot be read', async () => {
  const one = ['watch', inside, ...ARGS, '--once'];
  writeFileSync(join(inside, 'tide.png'), await numbered(1));
  writeFileSync(join(inside, 'tide.jpg'), await numbered(2));
  writeFileSync(join(inside, 'letter.png'), 'Dear printer');
  writeFileSync(join(inside, 'notes.txt'), 'no picture, and none that asks for films');
  expect((await cli(one)).code).toBe(0);
  expect(named('.tif').sort()).toEqual(['tide-2-black.tif', 'tide-black.tif']);
  expect(named('.txt')).toEqual(['letter.problem.txt']);
  // Another picture under the same name, and the same one copied there once more.
  writeFileSync(join(inside, 'tide.png'), await numbered(3));
  writeFileSync(join(inside, 'tide.jpg'), await numbered(2));
  const { out } = await cli(one);
  expect(named('.tif').sort()).toEqual(['tide-2-black.tif', 'tide-3-black.tif', 'tide-black.tif']);
  expect(out.toString()).toBe('tide.png: 1 film\n');
}, 120_000);

it('is one at a time', async () => {
  const { child, said } = watch();
  await until(() => said().includes('Watching'));
  const { code, err } = await cli(['watch', inside, ...ARGS, '--once']);
  expect(code).toBe(2);
  expect(err).toContain('by another program already');
  // One that was killed holds nothing.
  child.kill('SIGKILL');
  await gone(child);
  expect((await cli(['watch', inside, ...ARGS, '--once'])).code).toBe(0);
});

it('goes on where a picture is taken away before it is read', async () => {
  const { child, said } = watch();
  await until(() => said().includes('Watching'));
  for (let i = 0; i < 40; i++) writeFileSync(join(inside, `p${i}.png`), await numbered(i));
  await until(() => named('.tif').length > 2);
  for (let i = 30; i < 40; i++) rmSync(join(inside, `p${i}.png`));
  await until(() => named('.tif').length >= 30);
  expect(named('.txt')).toEqual([]);
  child.kill('SIGTERM');
  expect(await gone(child)).toBe(0);
}, 120_000);
