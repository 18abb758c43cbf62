import { createHash } from 'node:crypto';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newJob, SHIPPED_TREATMENTS, type JobsPage, type JobView, type RunView } from '@brachytone/job';
import sharp from 'sharp';
import { RealServer } from '../../server/test/real-server.ts';
import { cli, numbered } from './run-cli.ts';

let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'cli-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Between them: photographs, line art and lettering, a shape that keeps its dots whole, mixed screens, spot inks on cloth with a press. */
const DEMO_JOBS = ['Members’ ticket', 'Night walk badge', 'Season leaflet', 'Open Night poster', 'Dusk tote'];
/** Dots per inch. */
const COARSE = 300;

const MARSH = 'demo/originals/marsh-at-dusk.jpg';
const sum = (path: string) => createHash('sha256').update(readFileSync(path)).digest('hex');

describe('films of the command line', () => {
  it('are the server’s very bits, for demo jobs of every kind', async () => {
    const data = mkdtempSync(join(tmpdir(), 'cli-server-'));
    const server = new RealServer(4297, data, { BRACHYTONE_DEMO: 'on' });
    try {
      await server.start();
      const { jobs } = await server.json<JobsPage>('jobs');
      for (const name of DEMO_JOBS) {
        const { id } = jobs.find((job) => job.name === name)!;
        const { document } = await server.json<JobView>(`jobs/${id}`);
        const { recipe } = document;
        // On films that are coarse: all that is drawn is drawn of them too.
        const sheet = { ...recipe.sheet, resolution: COARSE };
        await server.send('PUT', `jobs/${id}`, {
          revision: 1,
          document: { ...document, recipe: { ...recipe, sheet } },
          history: { from: 0, steps: [], position: 0 },
        });
        const begun = await server.json<RunView>('runs', {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ jobId: id }),
        });
        let run = begun;
        while (run.status !== 'done') {
          expect(run.status).not.toBe('failed');
          await new Promise((resolve) => setTimeout(resolve, 200));
          run = await server.json<RunView>(`runs/${begun.id}`);
        }
        const zip = Buffer.from(await (await fetch(`${server.api}/jobs/${id}/archive.zip`)).arrayBuffer());
        const out = join(folder, id);
        // Its archive comes in by a pipe.
        const made = await cli(['make', '-', '--out', out, '--json'], zip);
        expect({ name, code: made.code, err: made.err }).toEqual({ name, code: 0, err: '' });
        const films = JSON.parse(made.out.toString()) as { file: string; sha256: string; bytes: number }[];
        // A plate that carries nothing is no film.
        expect(films.map(({ file, sha256, bytes }) => [file, bytes > 0 ? sha256 : undefined])).toEqual(
          run.films.map(({ file, sha256 }) => [file, sha256]),
        );
        for (const { file, sha256, bytes } of films) if (bytes > 0) expect(sum(join(out, file))).toBe(sha256);
        rmSync(out, { recursive: true });
      }
      // Or it has the server make them.
      const there = [
        'treat',
        MARSH,
        '--treatment',
        'stars',
        '--sheet',
        '60',
        '--server',
        'http://127.0.0.1:4297',
      ];
      const asked = await cli([...there, '--out', folder, '--json']);
      expect({ code: asked.code, err: asked.err }).toEqual({ code: 0, err: '' });
      const here = await cli([
        'treat',
        MARSH,
        '--treatment',
        'stars',
        '--sheet',
        '60',
        '--out',
        folder,
        '--json',
      ]);
      const sums = ({ out }: typeof here) =>
        (JSON.parse(out.toString()) as { films: { sha256: string }[] }[]).map(({ films }) =>
          films.map(({ sha256 }) => sha256),
        );
      expect(sums(asked)).toEqual(sums(here));
      // While it runs, all that it keeps goes into a file, and from there into another folder.
      const kept = join(folder, 'kept.zip');
      const backup = await cli(['backup', kept, '--port', '4297', '--data', data]);
      expect({ code: backup.code, err: backup.err }).toEqual({ code: 0, err: '' });
      const into = ['--data', join(folder, 'restored'), '--port', '4298'];
      const restored = await cli(['restore', kept, ...into]);
      expect(restored.out.toString()).toMatch(/Restored from .* and compared: 11 jobs/);
      const again = await cli(['restore', kept, ...into]);
      expect(again.code).toBe(1);
      expect(again.err).toContain('There are 11 jobs here already');
    } finally {
      await server.end('SIGTERM');
      rmSync(data, { recursive: true, force: true });
    }
  }, 600_000);
});

describe('treating pictures', () => {
  it('lists the treatments that ship', async () => {
    const { code, out } = await cli(['treatments', '--json']);
    expect(code).toBe(0);
    expect(JSON.parse(out.toString())).toEqual(SHIPPED_TREATMENTS.map(({ id, name }) => ({ id, name })));
  });

  it('makes films and proofs of each; one that cannot be read stops no other, and is told in a line', async () => {
    const [a, b] = [join(folder, 'a.png'), join(folder, 'b.png')];
    writeFileSync(a, await numbered(1));
    writeFileSync(b, 'no picture at all');
    const out = join(folder, 'films');
    const args = ['treat', b, a, MARSH, '--treatment', 'two-inks', '--out', out, '--sheet', '40', '--proof'];
    const { code, out: said, err } = await cli([...args, '--pixels', '120', '--dpi', '600']);
    expect(code).toBe(1);
    expect(err).toMatch(/^.*b\.png: This is not a picture Brachytone can read.*\n$/);
    expect(said.toString().trim().split('\n')).toHaveLength(4);
    const files = readdirSync(out).sort();
    expect(files).toEqual([
      'a-lantern-plate-1.tif',
      'a-night-blue-plate-2.tif',
      'a-proof.png',
      'marsh-at-dusk-lantern-plate-1.tif',
      'marsh-at-dusk-night-blue-plate-2.tif',
      'marsh-at-dusk-proof.png',
    ]);
    // 40 mm at 600 dpi, one bit a pixel.
    const film = await sharp(join(out, 'marsh-at-dusk-lantern-plate-1.tif')).metadata();
    expect(film).toMatchObject({ width: 945, height: 945, bitsPerSample: 1 });
    expect(Math.round(film.density!)).toBe(600);
    expect((await sharp(join(out, 'marsh-at-dusk-proof.png')).metadata()).width).toBe(120);
  });

  it('keeps pictures of one name apart, and reads one from a pipe', async () => {
    const bytes = await numbered(2);
    writeFileSync(join(folder, 'a.png'), bytes);
    const args = ['treat', '-', join(folder, 'a.png'), join(folder, 'a.png'), '--treatment', 'stars'];
    const { code, out } = await cli([...args, '--out', folder, '--sheet', '30x20', '--json'], bytes);
    expect(code).toBe(0);
    const made = JSON.parse(out.toString()) as { films: { file: string; sha256: string }[] }[];
    const out2 = join(folder, 'alone');
    expect(made.flatMap(({ films }) => films.map(({ file }) => file))).toEqual([
      'picture-night-blue.tif',
      'a-night-blue.tif',
      'a-2-night-blue.tif',
    ]);
    // Several are shared out to threads, one is made by itself: to the very bit the same.
    const alone = await cli([
      'treat',
      join(folder, 'a.png'),
      ...args.slice(4),
      '--out',
      out2,
      '--sheet',
      '30x20',
      '--json',
    ]);
    const [{ films }] = JSON.parse(alone.out.toString()) as { films: { sha256: string }[] }[];
    expect(films.map(({ sha256 }) => sha256)).toEqual(made[1].films.map(({ sha256 }) => sha256));
  });

  it.each([
    ['no command of that name', ['tread']],
    ['no treatment asked for', ['treat', MARSH]],
    ['a treatment that is not there', ['treat', MARSH, '--treatment', 'none']],
    ['a picture that is not there', ['treat', 'none.jpg', '--treatment', 'stars']],
    ['a sheet that is none', ['treat', MARSH, '--treatment', 'stars', '--sheet', 'huge']],
    ['a format that is none', ['treat', MARSH, '--treatment', 'stars', '--format', 'gif']],
    ['a resolution that is none', ['treat', MARSH, '--treatment', 'stars', '--dpi', '1']],
    ['no server there', ['treat', MARSH, '--treatment', 'stars', '--server', 'http://127.0.0.1:9']],
    ['an address that is none', ['make', MARSH, '--server', 'plates']],
    ['a press that is none', ['check', MARSH, '--press', 'none']],
    ['a folder that is not there', ['watch', 'none', '--treatment', 'stars']],
  ])('says in a line what was asked wrongly: %s', async (_, args) => {
    const { code, out, err } = await cli(args);
    expect(code).toBe(2);
    expect(out.length).toBe(0);
    expect(err).not.toMatch(/\n\s+at /);
    expect(err.trim().split('\n').length).toBeLessThanOrEqual(3);
  });
});

describe('jobs', () => {
  it('are proved, into a pipe, and checked for a press', async () => {
    const document = newJob({ sha256: 'f'.repeat(64), name: 'marsh.jpg', width: 2200, height: 2200 });
    const job = join(folder, 'marsh.json');
    writeFileSync(job, JSON.stringify(document));
    // What a document names and is not here has its file named.
    const bare = await cli(['make', job, '--out', folder]);
    expect([bare.code, bare.err.trim().split('\n').length]).toEqual([1, 1]);
    expect(bare.err).toContain('--original');
    const proof = await cli(['proof', job, '--original', MARSH, '--out', '-', '--pixels', '200']);
    expect(proof).toMatchObject({ code: 0, err: '' });
    expect(await sharp(proof.out).metadata()).toMatchObject({ format: 'png', width: 200, height: 200 });
    // Fine dots on cloth do not hold.
    const fine = structuredClone(document) as unknown as {
      recipe: { plates: { screen: { settings: object } }[] };
    };
    Object.assign(fine.recipe.plates[0].screen.settings, { ruling: 150 });
    writeFileSync(job, JSON.stringify(fine));
    const check = ['check', job, '--original', MARSH, '--press', 'hand-table-cloth'];
    const found = await cli([...check, '--json']);
    expect(found.code).toBe(1);
    const findings = JSON.parse(found.out.toString()) as { severity: string; says: string }[];
    expect(findings.some(({ severity }) => severity === 'fail')).toBe(true);
    expect((await cli(['check', job, '--original', MARSH])).code).toBe(2);
  });

  it('tells its version and what it can do', async () => {
    expect((await cli(['--version'])).out.toString()).toMatch(/^\d+\.\d+\.\d+\n$/);
    const { code, out } = await cli(['treat', '--help']);
    expect(code).toBe(0);
    for (const word of ['--treatment', '--out', '--sheet', 'Examples:'])
      expect(out.toString()).toContain(word);
    expect(existsSync(join(folder, 'films'))).toBe(false);
  });
});
