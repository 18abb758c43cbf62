import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { filmFrame, plateBits, bitAt, readPam, buildPyramid } from '@brachytone/core';
import type { JobDocument, RunView, StorageView } from '@brachytone/job';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { jobs, runs } from '../src/database/schema.ts';
import { AfterRunService } from '../src/runs/after-run.service.ts';
import { RunRows } from '../src/runs/run-rows.service.ts';
import { RunsService } from '../src/runs/runs.service.ts';
import { StorageService } from '../src/storage/storage.service.ts';
import { binary, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

async function ended(id: string): Promise<RunView> {
  for (let turn = 0; turn < 600; turn++) {
    const { body } = await server.http.get(`/api/runs/${id}`).expect(200);
    if (body.status !== 'queued' && body.status !== 'running') return body as RunView;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
  throw new Error('The run does not end.');
}

/** A job on a sheet and film resolution of our choice. */
async function jobOf(sheet: JobDocument['recipe']['sheet'], films: Partial<JobDocument['films']> = {}) {
  const { job, original } = await startJob(server);
  const document: JobDocument = {
    ...job.document,
    recipe: { ...job.document.recipe, sheet },
    films: { ...job.document.films, ...films },
  };
  const { body } = await server.http.post('/api/jobs').send({ document }).expect(201);
  return { id: body.id as string, document, original };
}

/** Unpacks one file of a ZIP by Python's own reader. */
const UNZIP = 'import sys, zipfile; sys.stdout.buffer.write(zipfile.ZipFile(sys.argv[1]).read(sys.argv[2]))';

const startRun = async (jobId: string): Promise<RunView> =>
  (await server.http.post('/api/runs').send({ jobId }).expect(201)).body as RunView;

describe('runs', () => {
  it('make geometry of all plates in one file, a group for each ink that is printed', async () => {
    const { document } = await jobOf({ width: 30, height: 20, bleed: 0, resolution: 300 });
    const { recipe } = document;
    const [plate] = recipe.plates;
    const inks = ['second', 'third', 'empty'].map((id) => ({ ...recipe.inks[0], id, name: id }));
    const [original] = recipe.originals;
    const all: JobDocument = {
      ...document,
      films: { ...document.films, format: 'svg', together: true },
      recipe: {
        ...recipe,
        originals: [
          original,
          { ...original, id: 'again', route: { kind: 'ink', ink: 'second' }, overprint: true },
        ],
        inks: [...recipe.inks, ...inks],
        plates: [
          plate,
          ...inks.map(({ id }) => ({ ...plate, id: `plate-${id}`, ink: id, printed: id !== 'third' })),
        ],
      },
    };
    const { body } = await server.http.post('/api/jobs').send({ document: all }).expect(201);
    const run = await ended((await startRun((body as { id: string }).id)).id);
    expect(run).toMatchObject({ status: 'done', message: null });
    expect(run.films).toHaveLength(1);
    const [file] = run.films;
    expect(file.file).toBe('reeds-all-inks.svg');
    expect(file.inked).toBeNull();
    const made = await server.http
      .get(`/api/runs/${run.id}/films/${file.file}`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    const text = (made.body as Buffer).toString();
    expect([...text.matchAll(/<g id="([^"]*)"/g)].map(([, id]) => id)).toEqual(['Black', 'second']);
  });
  it.each(['tiff-group4', 'svg'] as const)(
    'makes no %s file of a plate that carries nothing',
    async (format) => {
      const { document } = await jobOf({ width: 30, height: 20, bleed: 0, resolution: 300 });
      const { recipe } = document;
      const ink = { ...recipe.inks[0], id: 'unused', name: 'Unused' };
      const two: JobDocument = {
        ...document,
        films: { ...document.films, format },
        recipe: {
          ...recipe,
          inks: [...recipe.inks, ink],
          plates: [...recipe.plates, { ...recipe.plates[0], id: 'plate-unused', ink: 'unused' }],
        },
      };
      const { body } = await server.http.post('/api/jobs').send({ document: two }).expect(201);
      const run = await ended((await startRun((body as { id: string }).id)).id);
      expect(run.status).toBe('done');
      expect(run.films.map(({ ink, bytes, inked }) => [ink, bytes > 0, inked === 0])).toEqual([
        ['Black', true, false],
        ['Unused', false, true],
      ]);
      await server.http.get(`/api/runs/${run.id}/films/${run.films[1].file}`).expect(404);
    },
  );
  it.each(['tiff-group4', 'tiff-deflate', 'png'] as const)(
    'make %s films whose every bit is the plate’s',
    async (format) => {
      const { id, document, original } = await jobOf(
        { width: 60, height: 40, bleed: 0, resolution: 600 },
        { format },
      );
      const seen: number[] = [];
      const watching = server.app
        .get(RunRows)
        .news()
        .subscribe(({ data }) => seen.push((data as RunView).progress));
      const run = await ended((await startRun(id)).id);
      watching.unsubscribe();
      expect(run).toMatchObject({ status: 'done', progress: 1, message: null });
      expect(seen.every((share, i) => i === 0 || share >= seen[i - 1] || seen[i - 1] === 1)).toBe(true);
      const [film] = run.films;
      expect(film.file).toBe(`reeds-black.${format === 'png' ? 'png' : 'tif'}`);
      const { body, headers } = await server.http
        .get(`/api/runs/${run.id}/films/${film.file}`)
        .buffer(true)
        .parse(binary)
        .expect(200);
      expect(headers['content-disposition']).toContain(film.file);
      expect((body as Buffer).length).toBe(film.bytes);
      const pam = await server.http
        .get(`/api/files/${original.sha256}/levels/0`)
        .buffer(true)
        .parse(binary)
        .expect(200);
      const pictures = new Map([
        [original.sha256 as string, buildPyramid(readPam(new Uint8Array(pam.body as Buffer)))],
      ]);
      const frame = filmFrame(document.recipe);
      const bits = plateBits(
        { recipe: document.recipe, pictures, drawings: new Map(), typefaces: new Map() },
        0,
        frame,
        {
          x: 0,
          y: 0,
          width: frame.width,
          height: frame.height,
        },
      );
      const { data, info } = await sharp(body as Buffer)
        .toColourspace('b-w')
        .raw()
        .toBuffer({ resolveWithObject: true });
      expect([info.width, info.height]).toEqual([frame.width, frame.height]);
      let different = 0;
      let ink = 0;
      for (let i = 0; i < frame.width * frame.height; i++) {
        const bit = bitAt(bits, i % frame.width, Math.floor(i / frame.width));
        ink += bit;
        if ((data[i * info.channels] < 128 ? 1 : 0) !== bit) different++;
      }
      expect(different).toBe(0);
      expect(film.inked).toBeCloseTo((ink / (frame.width * frame.height)) * 100, 6);
    },
  );

  it('can be cancelled while under way; no half film is left to fetch', async () => {
    const { id } = await jobOf({ width: 900, height: 900, bleed: 0, resolution: 2400 });
    const run = await startRun(id);
    await new Promise((resolve) => setTimeout(resolve, 400));
    const { body } = await server.http.post(`/api/runs/${run.id}/cancel`).expect(201);
    expect(body.status).toBe('cancelled');
    await server.http.get(`/api/runs/${run.id}/films/${run.films[0].file}`).expect(404);
    await server.http.post(`/api/runs/${run.id}/cancel`).expect(409);
    // The queue goes on, and the cancelled run stays cancelled.
    const next = await ended(
      (await startRun((await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 })).id)).id,
    );
    expect(next.status).toBe('done');
    expect((await ended(run.id)).status).toBe('cancelled');
  });

  it('can be made again, and give the same bytes', async () => {
    const { id } = await jobOf({ width: 30, height: 30, bleed: 0, resolution: 600 });
    const first = await ended((await startRun(id)).id);
    const { body } = await server.http.post(`/api/runs/${first.id}/again`).expect(201);
    const second = await ended(body.id as string);
    const digest = async (run: RunView) => {
      const answer = await server.http
        .get(`/api/runs/${run.id}/films/${run.films[0].file}`)
        .buffer(true)
        .parse(binary);
      return createHash('sha256')
        .update(answer.body as Buffer)
        .digest('hex');
    };
    expect(await digest(second)).toBe(await digest(first));
  });

  it('that the server left unfinished go on when it starts, what is whole as it is', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    const { queries } = server.database;
    const path = join(server.folder, 'films', run.id, run.films[0].file);
    const { mtimeMs } = statSync(path);
    await queries.update(runs).set({ status: 'running', ended: null }).where(eq(runs.id, run.id));
    await server.app.get(RunsService).onApplicationBootstrap();
    expect(await ended(run.id)).toMatchObject({ status: 'done', films: run.films });
    expect(statSync(path).mtimeMs).toBe(mtimeMs);
    // Without it, it is made, to the same bytes.
    const unmade = run.films.map(({ sha256: _sha256, ...film }) => ({ ...film, bytes: 0, inked: null }));
    rmSync(path);
    await queries.update(runs).set({ status: 'running', films: unmade }).where(eq(runs.id, run.id));
    await server.app.get(RunsService).onApplicationBootstrap();
    expect(await ended(run.id)).toMatchObject({ status: 'done', films: run.films });
    expect(createHash('sha256').update(readFileSync(path)).digest('hex')).toBe(run.films[0].sha256);
  });

  it('that bring the server down time after time are not begun again', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    await server.database.queries
      .update(runs)
      .set({ status: 'running', attempts: 3 })
      .where(eq(runs.id, run.id));
    await server.app.get(RunsService).onApplicationBootstrap();
    const { body } = await server.http.get(`/api/runs/${run.id}`).expect(200);
    expect(body).toMatchObject({ status: 'stopped' });
    expect(body.message).toContain('Make them again');
  });

  it('tell when their job has become another since', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    const changed = async () =>
      ((await server.http.get(`/api/runs/${run.id}`).expect(200)).body as RunView).changed;
    expect(await changed()).toBe(false);
    const { body: job } = await server.http.get(`/api/jobs/${id}`).expect(200);
    const { queries } = server.database;
    const other = { ...job.document, name: 'Another' };
    await queries.update(jobs).set({ document: other }).where(eq(jobs.id, id));
    expect(await changed()).toBe(true);
    await queries.update(jobs).set({ document: job.document }).where(eq(jobs.id, id));
    expect(await changed()).toBe(false);
  });

  it('leave as one ZIP, every film as it is', async () => {
    const { document } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const { recipe } = document;
    const two = {
      ...document,
      recipe: {
        ...recipe,
        inks: [...recipe.inks, { ...recipe.inks[0], id: 'ink-2', name: 'Tide' }],
        originals: [
          ...recipe.originals,
          { ...recipe.originals[0], id: 'o2', route: { kind: 'ink', ink: 'ink-2' }, overprint: true },
        ],
        plates: [...recipe.plates, { ...recipe.plates[0], id: 'plate-2', ink: 'ink-2' }],
      },
    };
    const { body: job } = await server.http.post('/api/jobs').send({ document: two }).expect(201);
    const run = await ended((await startRun(job.id as string)).id);
    const { body, headers } = await server.http
      .get(`/api/runs/${run.id}/films.zip`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    expect(headers['content-disposition']).toContain('reeds-films.zip');
    const path = join(server.folder, 'films.zip');
    writeFileSync(path, body as Buffer);
    const names = run.films.map(({ file }) => file);
    for (const { file, sha256 } of run.films) {
      const bytes = execFileSync('python3', ['-c', UNZIP, path, file]);
      expect(createHash('sha256').update(bytes).digest('hex')).toBe(sha256);
    }
    expect(names).toHaveLength(2);
    await server.http.get('/api/runs/00000000-0000-4000-8000-000000000000/films.zip').expect(404);
  });

  const ruleOfFilms = async () =>
    ((await server.http.get('/api/storage').expect(200)).body as StorageView).stored.find(
      ({ id }) => id === 'films',
    )?.rule;

  it('are cleaned away by the studio’s rule, which says first what it frees', async () => {
    const made: RunView[] = [];
    for (let i = 0; i < 3; i++) {
      const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
      made.push(await ended((await startRun(id)).id));
    }
    expect(await ruleOfFilms()).toEqual({ by: 'all' });
    const { body: all } = await server.http.get('/api/runs').expect(200);
    const done = (all as RunView[]).filter(({ status }) => status === 'done');
    const rule = { by: 'runs', runs: 2 };
    const { body: tried } = await server.http.post('/api/storage/films/tried').send(rule).expect(200);
    const bytes = done.slice(2).reduce((sum, { films }) => sum + films[0].bytes, 0);
    expect(tried).toMatchObject({ count: done.length - 2 });
    expect(tried.bytes).toBeGreaterThanOrEqual(bytes);
    await server.http.get(`/api/runs/${made[0].id}/films/${made[0].films[0].file}`).expect(200);
    expect((await server.http.put('/api/storage/films/rule').send(rule).expect(200)).body).toEqual(tried);
    await server.http.get(`/api/runs/${made[0].id}/films/${made[0].films[0].file}`).expect(404);
    expect((await server.http.get(`/api/runs/${made[0].id}`).expect(200)).body.status).toBe('cleaned');
    expect(existsSync(join(server.folder, 'films', made[0].id))).toBe(false);
    expect((await server.http.get(`/api/runs/${made[2].id}`).expect(200)).body.status).toBe('done');
    await server.http.put('/api/storage/films/rule').send({ by: 'days', days: 30 }).expect(200);
    expect(await ruleOfFilms()).toEqual({ by: 'days', days: 30 });
    await server.http.put('/api/storage/films/rule').send({ by: 'moon' }).expect(422);
    await server.http.put('/api/storage/films/rule').send({ by: 'runs', runs: -1 }).expect(422);
    await server.http.put('/api/storage/films/rule').send({ by: 'all' }).expect(200);
  });

  it('tell where a film is not there any more, and are made again', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    const [{ file, sha256 }] = run.films;
    rmSync(join(server.folder, 'films', run.id, file));
    for (const path of [`films/${file}`, 'films.zip']) {
      const { body, headers } = await server.http.get(`/api/runs/${run.id}/${path}`).expect(410);
      expect(headers['content-type']).toContain('application/problem+json');
      expect(body.detail).toMatch(/not there any more/);
    }
    const again = await ended(
      (await server.http.post(`/api/runs/${run.id}/again`).expect(201)).body.id as string,
    );
    expect(again.films[0].sha256).toBe(sha256);
    await server.http.get(`/api/runs/${again.id}/films/${file}`).expect(200);
  });

  it('stay, with their films, when older ones cannot be cleaned away after them', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    let asked = 0;
    const storage = server.app.get(StorageService);
    server.app.get(AfterRunService).set(() => {
      asked++;
      return Promise.reject(new Error('The disk is full.'));
    });
    const run = await ended((await startRun(id)).id);
    // The next run begins once the first is over and done with.
    await ended((await startRun(id)).id);
    await storage.onApplicationBootstrap();
    expect(asked).toBeGreaterThanOrEqual(1);
    expect((await server.http.get(`/api/runs/${run.id}`).expect(200)).body.status).toBe('done');
    await server.http.get(`/api/runs/${run.id}/films/${run.films[0].file}`).expect(200);
  });

  it('are deleted with their films, once they have ended', async () => {
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    expect(
      ((await server.http.get(`/api/runs?job=${id}`).expect(200)).body as RunView[]).map((one) => one.id),
    ).toEqual([run.id]);
    await server.http.delete(`/api/runs/${run.id}`).expect(204);
    await server.http.get(`/api/runs/${run.id}`).expect(404);
    expect(existsSync(join(server.folder, 'films', run.id))).toBe(false);
    const large = await jobOf({ width: 900, height: 900, bleed: 0, resolution: 2400 });
    const open = await startRun(large.id);
    const { body } = await server.http.delete(`/api/runs/${open.id}`).expect(409);
    expect(body.detail).toMatch(/Cancel it first/);
    await server.http.post(`/api/runs/${open.id}/cancel`).expect(201);
  });

  it('are refused for jobs that are not there, and films by other names', async () => {
    await server.http.post('/api/runs').send({ jobId: '00000000-0000-4000-8000-000000000000' }).expect(404);
    await server.http.post('/api/runs').send({ jobId: 7 }).expect(422);
    const { id } = await jobOf({ width: 20, height: 20, bleed: 0, resolution: 300 });
    const run = await ended((await startRun(id)).id);
    await server.http.get(`/api/runs/${run.id}/films/..%2F..%2Fserver.lock`).expect(422);
    await server.http.get(`/api/runs/${run.id}/films/other.tif`).expect(404);
  });
});
