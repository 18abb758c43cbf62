import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { usualMarks } from '@brachytone/core';
import { LABEL_TYPEFACE, type JobDocument, type RunView } from '@brachytone/job';
import sharp from 'sharp';
import { DemoService } from '../src/demo.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { binary, jobsOf, startServer, type Harness } from './harness.ts';

let server: Harness;
let jobs: { document: JobDocument }[];
beforeAll(async () => {
  server = await startServer();
  await server.app.get(TypefacesService).load();
  await server.app.get(DemoService).load();
  jobs = await jobsOf(server);
});
afterAll(() => server.close());

const RESOLUTION = 200;

/** The files of a run of a document. */
async function filesOf(
  document: JobDocument,
): Promise<{ document: JobDocument; run: RunView; files: Map<string, Buffer> }> {
  const { body: job } = await server.http.post('/api/jobs').send({ document }).expect(201);
  let { body: run } = await server.http.post('/api/runs').send({ jobId: job.id }).expect(201);
  while (run.status === 'queued' || run.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    ({ body: run } = await server.http.get(`/api/runs/${run.id}`).expect(200));
  }
  expect(run).toMatchObject({ status: 'done' });
  const files = new Map<string, Buffer>();
  for (const { file, bytes } of (run as RunView).films) {
    if (bytes === 0) continue;
    const made = await server.http
      .get(`/api/runs/${run.id}/films/${file}`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    files.set(file, made.body as Buffer);
  }
  return { document, run: run as RunView, files };
}

const blackOf = async (file: Buffer | string): Promise<{ width: number; height: number; rows: Buffer }> => {
  const { data, info } = await sharp(file, { limitInputPixels: false })
    .toColourspace('b-w')
    .extractChannel(0)
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, rows: data };
};

it('separations of every demo job’s PDF are its films, pixel for pixel, with their marks', async () => {
  expect(jobs).toHaveLength(10);
  let plates = 0;
  for (const [i, { document }] of jobs.entries()) {
    const marked: JobDocument = {
      ...document,
      recipe: {
        ...document.recipe,
        sheet: { ...document.recipe.sheet, resolution: RESOLUTION },
        marks: usualMarks(LABEL_TYPEFACE),
      },
    };
    const films = await filesOf({ ...marked, films: { ...marked.films, format: 'png' } });
    const pdf = await filesOf({ ...marked, films: { ...marked.films, format: 'pdf-films' } });
    const folder = join(server.folder, `pdf-${i}`);
    mkdirSync(folder);
    const [file] = pdf.files.values();
    writeFileSync(join(folder, 'all.pdf'), file);
    const order = ['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=tiffsep1', `-r${RESOLUTION}`];
    execFileSync('gs', [...order, `-sOutputFile=${join(folder, 'p.tif')}`, join(folder, 'all.pdf')]);
    expect(execFileSync('qpdf', ['--check', join(folder, 'all.pdf')], { encoding: 'utf8' })).toContain(
      'No syntax',
    );
    for (const film of films.run.films) {
      const own = films.files.get(film.file);
      if (!own) continue;
      const [made, separated] = await Promise.all([
        blackOf(own),
        blackOf(join(folder, `p(${film.ink}).tif`)),
      ]);
      expect([document.name, film.ink, separated.width, separated.height]).toEqual([
        document.name,
        film.ink,
        made.width,
        made.height,
      ]);
      expect([document.name, film.ink, Buffer.compare(made.rows, separated.rows)]).toEqual([
        document.name,
        film.ink,
        0,
      ]);
      plates++;
    }
  }
  expect(plates).toBeGreaterThan(15);
}, 600_000);
