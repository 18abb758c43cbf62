/**
 * A whole run: an A3 colour photograph at 300 ppi, separated into four process inks and made into four one-bit TIFFs at 1200
 * dpi by a built server of its own. Run by `npm run bench`; by `npm run bench:films` in pairs with a general interpreter of PDF that makes four Group 4
 * separations of the same photograph, in process inks, at the same resolution.
 */
import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  newJob,
  placeOnSheet,
  PRINTING_CONDITIONS,
  withCondition,
  type FilmSettings,
  type RunView,
} from '@brachytone/job';
import { buffer } from 'node:stream/consumers';
import PDFDocument from 'pdfkit';
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

/** Changes to runs, as a page hears them: asking again and again would take time from the films. */
async function runNews(): Promise<AsyncGenerator<RunView>> {
  const { body } = await fetch(`${url}/runs/events`);
  async function* changes(): AsyncGenerator<RunView> {
    let text = '';
    for await (const part of body!.pipeThrough(new TextDecoderStream())) {
      const events = (text + part).split('\n\n');
      text = events.pop()!;
      for (const event of events)
        if (/^event: run$/m.test(event)) yield JSON.parse(/^data: (.*)$/m.exec(event)![1]) as RunView;
    }
  }
  return changes();
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

const PAIRS = process.argv.includes('--pairs') ? 5 : 0;
const seconds = (time: number): string => `${(time / 1000).toFixed(1)} s`;
const median = (numbers: readonly number[]): number =>
  [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)];

/** A server of its own, with the job; more of its runs are warm. */
async function withServer<Result>(use: (server: Measured) => Promise<Result>): Promise<Result> {
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
  try {
    await new Promise<void>((resolve) =>
      server.stdout.on('data', (text: Buffer) => {
        if (text.includes('is at')) resolve();
      }),
    );
    return await use(await measured(server));
  } finally {
    const gone = new Promise((resolve) => server.on('exit', resolve));
    server.kill();
    await gone;
    rmSync(folder, { recursive: true, force: true });
  }
}

interface Measured {
  /** Makes the films; milliseconds from asking to their being there. */
  run(films?: Partial<FilmSettings>): Promise<number>;
  /** Most memory of the server while films were made, MB. */
  readonly memory: () => number;
}

async function measured(server: ChildProcess): Promise<Measured> {
  const resident = (): number =>
    Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]) / 1000;
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
  let most = 0;

  return {
    async run(films = {}) {
      const document = { ...job, recipe, films: { ...job.films, ...films } };
      const { id } = await json<{ id: string }>('jobs', post({ document }));
      const news = await runNews();
      const looking = setInterval(() => (most = Math.max(most, resident())), 50);
      try {
        const start = performance.now();
        const run = await json<RunView>('runs', post({ jobId: id }));
        for await (const { id, status } of news) {
          if (id !== run.id || status === 'queued' || status === 'running') continue;
          if (status === 'done') return performance.now() - start;
          throw new Error(`The run ended as ${status}.`);
        }
        throw new Error('The news ended before the run.');
      } finally {
        clearInterval(looking);
      }
    },
    memory: () => most,
  };
}

/** The photograph as a page of A3 in the four process inks, in a PDF of its own. */
async function photographPdf(path: string): Promise<void> {
  const jpeg = await sharp(await photograph())
    .toColourspace('cmyk')
    .jpeg({ quality: 92 })
    .toBuffer();
  const size: [number, number] = [(297 * 72) / 25.4, (420 * 72) / 25.4];
  const document = new PDFDocument({ size, margin: 0 });
  const whole = buffer(document);
  document.image(jpeg, 0, 0, { width: size[0], height: size[1] });
  document.end();
  writeFileSync(path, await whole);
}

/** Four Group 4 separations of a PDF by Ghostscript; milliseconds. */
function interpreted(pdf: string, folder: string): number {
  mkdirSync(folder, { recursive: true });
  const start = performance.now();
  const { status } = spawnSync('gs', [
    ...['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=tiffsep1', '-sCompression=g4', '-r1200'],
    `-sOutputFile=${join(folder, 'page.tif')}`,
    pdf,
  ]);
  if (status !== 0) throw new Error('Ghostscript could not make separations of the PDF.');
  return performance.now() - start;
}

if (PAIRS === 0) {
  await withServer(async (server) => {
    const first = await server.run();
    const rest = [await server.run(), await server.run(), await server.run()];
    console.log(
      '\nA run of four A3 films at 1200 dpi from a colour photograph at 300 ppi, both cores, whole server:',
    );
    console.log(`- the first, with everything to be read and worked out: ${seconds(first)}`);
    console.log(`- after it: ${rest.map(seconds).join(', ')} (target ≤ 5 s)`);
    console.log(
      `- memory of the server while making them: ${server.memory().toFixed(0)} MB at most (target ≤ 600 MB)`,
    );
  });
} else {
  const folder = mkdtempSync(join(tmpdir(), 'pairs-'));
  try {
    const pdf = join(folder, 'photograph.pdf');
    await photographPdf(pdf);
    const ratios: { first: number; warm: number; pdf: number }[] = [];
    let most = 0;
    console.log('\n| pair | interpreter | first run | warm run | warm, one PDF | first × | warm × |');
    console.log('| ---: | ----------: | --------: | -------: | ------------: | ------: | -----: |');
    for (let pair = 1; pair <= PAIRS; pair++) {
      const other = interpreted(pdf, join(folder, `pair-${pair}`));
      const [first, warm, one] = await withServer(async (server) => {
        const times = [await server.run(), await server.run(), await server.run({ format: 'pdf-films' })];
        most = Math.max(most, server.memory());
        return times;
      });
      ratios.push({ first: other / first, warm: other / warm, pdf: one / warm });
      console.log(
        `| ${pair} | ${seconds(other)} | ${seconds(first)} | ${seconds(warm)} | ${seconds(one)} | ${(other / first).toFixed(1)} | ${(other / warm).toFixed(1)} |`,
      );
    }
    const of = (name: keyof (typeof ratios)[number]) => median(ratios.map((one) => one[name])).toFixed(2);
    console.log(`Medians: first × ${of('first')} (aim 5), warm × ${of('warm')} (aim 10),`);
    console.log(
      `one PDF in ${of('pdf')} of the TIFFs' time (aim 1.2), ${most.toFixed(0)} MB at most (aim 600).`,
    );
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
