/**
 * A whole run: an A3 colour photograph at 300 ppi, separated into four process inks and made into four one-bit TIFFs at 1200
 * dpi by a built server of its own. Run by `npm run bench`.
 */
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newJob, placeOnSheet, PRINTING_CONDITIONS, withCondition, type RunView } from '@brachytone/job';
import sharp from 'sharp';

const PORT = 4297;
const url = `http://127.0.0.1:${PORT}/api`;
const SIZE = { width: 3508, height: 4961 };

async function json<Answer>(path: string, init?: RequestInit): Promise<Answer> {
  // A connection that was kept open may have been closed by the server in the meantime.
  const ask = () => fetch(`${url}/${path}`, init);
  const response = await ask().catch(ask);
  if (!response.ok) throw new Error(`${path}: ${response.status} ${await response.text()}`);
  return (await response.json()) as Answer;
}

const post = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'Content-Type': 'application/json' },
  body: JSON.stringify(body),
});

function photograph(): Promise<Buffer> {
  const { width, height } = SIZE;
  const data = Buffer.alloc(width * height * 3);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i += 3) {
      const grain = ((Math.imul(x * 7919 + y * 104729, 2654435761) >>> 24) - 128) / 16;
      data[i] = 128 + 90 * Math.sin(x / 410) * Math.cos(y / 270) + grain;
      data[i + 1] = 120 + 80 * Math.cos(x / 300 + y / 500) + grain;
      data[i + 2] = 128 + 100 * Math.sin((x + y) / 700) + grain;
    }
  }
  return sharp(data, { raw: { width, height, channels: 3 } })
    .jpeg({ quality: 92 })
    .toBuffer();
}

const folder = mkdtempSync(join(tmpdir(), 'films-'));
const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
  env: {
    // As `npm start` has them.
    MALLOC_ARENA_MAX: '2',
    MALLOC_MMAP_THRESHOLD_: '262144',
    ...process.env,
    BRACHYTONE_DATA: folder,
    PORT: String(PORT),
    BRACHYTONE_DEMO: 'off',
    DATABASE_URL: '',
  },
  stdio: ['ignore', 'pipe', 'inherit'],
});
/** A figure of the server's memory, MB: VmRSS at present, VmHWM at its highest. */
const memory = (name: string): number =>
  Number(new RegExp(`${name}:\\s+(\\d+)`).exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]) /
  1000;
try {
  await new Promise<void>((resolve) =>
    server.stdout.on('data', (text: Buffer) => {
      if (text.includes('is at')) resolve();
    }),
  );
  const { sha256 } = await json<{ sha256: string }>('files', {
    method: 'POST',
    headers: { 'Content-Type': 'application/octet-stream' },
    body: new Uint8Array(await photograph()),
  });
  const facts = { sha256, name: 'photograph.jpg', ...SIZE };
  const job = newJob(facts);
  const sheet = { width: 297, height: 420, bleed: 0, resolution: 1200 };
  const [original] = job.recipe.originals;
  const crop = { x: 0, y: 0, width: 1, height: 1, turn: 0 };
  const placed = {
    ...job.recipe,
    sheet,
    originals: [
      {
        ...original,
        content: { kind: 'picture' as const, picture: sha256, crop, line: null, cut: null },
        placement: placeOnSheet(sheet, facts, crop),
      },
    ],
    plates: job.recipe.plates.map((plate) => ({
      ...plate,
      screen: { ...plate.screen, settings: { ...plate.screen.settings, ruling: 65 } },
    })),
  };
  const recipe = withCondition(placed, original.id, PRINTING_CONDITIONS[0]);
  const { id } = await json<{ id: string }>('jobs', post({ document: { ...job, recipe } }));
  const times: number[] = [];
  let most = 0;
  for (let turn = 0; turn < 4; turn++) {
    const start = performance.now();
    const run = await json<RunView>('runs', post({ jobId: id }));
    for (;;) {
      const { status } = await json<RunView>(`runs/${run.id}`);
      most = Math.max(most, memory('VmRSS'));
      if (status === 'done') break;
      if (status !== 'queued' && status !== 'running') throw new Error(`The run ended as ${status}.`);
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
    times.push(performance.now() - start);
  }
  const [first, ...rest] = times;
  const seconds = (time: number) => `${(time / 1000).toFixed(1)} s`;
  console.log(
    '\nA run of four A3 films at 1200 dpi from a colour photograph at 300 ppi, both cores, whole server:',
  );
  console.log(`- the first, with everything to be read and worked out: ${seconds(first)}`);
  console.log(`- after it: ${rest.map(seconds).join(', ')} (target ≤ 5 s)`);
  console.log(`- memory of the server while making them: ${most.toFixed(0)} MB at most (target ≤ 600 MB)`);
} finally {
  server.kill();
  rmSync(folder, { recursive: true, force: true });
}
