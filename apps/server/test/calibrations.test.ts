import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { newScreen, type Calibration, type ToneReading } from '@brachytone/core';
import { SHIPPED_STOCKS, type JobWithDocument, type KeptCalibration, type PullView } from '@brachytone/job';
import sharp from 'sharp';
import { binary, send, smallPng, startJob, startServer, type Harness } from './harness.ts';

let harness: Harness;
beforeAll(async () => {
  harness = await startServer();
});
afterAll(() => harness.close());

const [stock] = SHIPPED_STOCKS;
const begun: Calibration = {
  press: 'hand-table-paper',
  stock,
  resolution: 300,
  inks: [
    {
      ink: { id: 'ink-1', name: 'Night blue', lab: [22, 8, -34], opacity: 0.1, fountain: null },
      screen: newScreen('dots', { ruling: 25, angle: 20 }),
      readings: [],
      without: [],
      ladders: null,
    },
  ],
  source: null,
  simulatedGain: null,
  scan: null,
  made: '2026-11-20T10:00:00.000Z',
  taken: null,
};
const keep = async (calibration: object = begun): Promise<KeptCalibration> =>
  (await harness.http.post('/api/calibrations').send(calibration).expect(201)).body as KeptCalibration;
const path = (id: string, rest = '') => `/api/calibrations/${id}${rest}`;
const detailOf = (body: unknown): string => (body as { detail: string }).detail;

it('calibrations are kept, changed, listed and thrown away', async () => {
  const { id, ...kept } = await keep();
  expect(kept).toEqual(begun);
  const readings = [10, 30, 50, 70, 90, 100].map((film) => ({ film, printed: film }));
  const changed = { ...begun, source: 'typed', inks: [{ ...begun.inks[0], readings, without: [2] }] };
  await harness.http.put(path(id)).send(changed).expect(200);
  const all = (await harness.http.get('/api/calibrations').expect(200)).body as KeptCalibration[];
  expect(all).toContainEqual({ id, ...changed });
  await harness.http.delete(path(id)).expect(204);
  await harness.http.put(path(id)).send(changed).expect(404);
  await harness.http.get(path(id, '/target.pdf')).expect(404);
});

it.each([
  ['no ink', { ...begun, inks: [] }],
  ['two inks of one name', { ...begun, inks: [begun.inks[0], begun.inks[0]] }],
  [
    'seven inks',
    {
      ...begun,
      inks: Array.from({ length: 7 }, (_, i) => ({
        ...begun.inks[0],
        ink: { ...begun.inks[0].ink, name: `Ink ${i}` },
      })),
    },
  ],
  ['a reading of 120 %', { ...begun, inks: [{ ...begun.inks[0], readings: [{ film: 50, printed: 120 }] }] }],
  ['a reading left out that is not there', { ...begun, inks: [{ ...begun.inks[0], without: [0] }] }],
  ['no date', { ...begun, made: 'yesterday' }],
  [
    'a screen of no kind',
    { ...begun, inks: [{ ...begun.inks[0], screen: { ...begun.inks[0].screen, kind: 'knit' } }] },
  ],
])('%s is refused with a sentence', async (_name, calibration) => {
  const { body } = await harness.http.post('/api/calibrations').send(calibration).expect(422);
  expect(detailOf(body)).toMatch(/Nothing was changed\.$/);
});

it('a target leaves as TIFF and as PDF, of the size of its sheet', async () => {
  const { id } = await keep();
  const { body: tiff } = await harness.http.get(path(id, '/films/0.tif')).parse(binary).expect(200);
  const meta = await sharp(tiff as Buffer).metadata();
  expect([meta.format, meta.depth, Math.round((meta.width / 300) * 25.4)]).toEqual(['tiff', 'uchar', 210]);
  expect(meta.density).toBe(300);
  const { body: pdf, headers } = await harness.http.get(path(id, '/target.pdf')).parse(binary).expect(200);
  expect(headers['content-type']).toBe('application/pdf');
  const text = (pdf as Buffer).toString('latin1');
  expect(text.startsWith('%PDF-')).toBe(true);
  expect(text).toContain('/Separation /Night#20blue');
  // 72 points an inch of whole film pixels.
  expect(text).toContain(
    `/MediaBox [0 0 ${(meta.width * 72) / 300} ${Number(((meta.height * 72) / 300).toFixed(3))}`,
  );
  // Ghostscript's separation is the film, but for the label over it.
  const file = join(harness.folder, 'target.pdf');
  writeFileSync(file, pdf as Buffer);
  const order = ['-q', '-dNOPAUSE', '-dBATCH', '-dSAFER', '-sDEVICE=tiffsep1', '-r300'];
  execFileSync('gs', [...order, `-sOutputFile=${join(harness.folder, 'target.tif')}`, file]);
  const rows = async (from: string | Buffer) =>
    sharp(from)
      .toColourspace('b-w')
      .extract({ left: 0, top: 300, width: meta.width, height: meta.height - 300 })
      .extractChannel(0)
      .raw()
      .toBuffer();
  const separated = await rows(join(harness.folder, 'target(Night blue).tif'));
  expect(Buffer.compare(separated, await rows(tiff as Buffer))).toBe(0);
  expect(separated.includes(0)).toBe(true);
  await harness.http.get(path(id, '/films/1.tif')).expect(404);
  await harness.http.get(path(id, '/films/x.tif')).expect(422);
});

it('the loop: print and scan by simulation, read the scan, print a job', async () => {
  const { id } = await keep();
  const scan = (await harness.http.post(path(id, '/simulated-scan')).send({ gain: 25 }).expect(200)).body as {
    sha256: string;
  };
  const read = (await harness.http.post(path(id, '/scan')).send(scan).expect(200)).body as {
    inks: { readings: ToneReading[] }[];
    ppi: number;
  };
  expect(Math.abs(read.ppi - 200)).toBeLessThan(3);
  const measured = (await harness.http.post(path(id, '/simulated-readings')).send({ gain: 25 }).expect(200))
    .body as ToneReading[][];
  const mean = (readings: readonly ToneReading[]): number => {
    const of = readings.filter(({ film }) => film === 50).map(({ printed }) => printed);
    return of.reduce((sum, one) => sum + one, 0) / of.length;
  };
  expect(Math.abs(mean(measured[0]) - 75)).toBeLessThan(1.5);
  expect(Math.abs(mean(read.inks[0].readings) - 75)).toBeLessThan(2.5);
  const straight = await harness.http
    .get(path(id, `/scan.png?sha256=${scan.sha256}`))
    .parse(binary)
    .expect(200);
  expect((await sharp(straight.body as Buffer).metadata()).width).toBe(Math.round((210 / 25.4) * 110));

  const { job } = (await startJob(harness)) as { job: JobWithDocument };
  const pulls = `/api/jobs/${job.id}/pulls/printed`;
  const body = { name: 'Printed', document: job.document, calibration: id };
  expect(detailOf((await harness.http.post(pulls).send(body).expect(422)).body)).toContain('real press');
  await harness.http
    .put(path(id))
    .send({ ...begun, source: 'scan', simulatedGain: 25, scan: scan.sha256 })
    .expect(200);
  const pull = (await harness.http.post(pulls).send(body).expect(201)).body as PullView;
  expect(pull.print!.shares).toHaveLength(job.document.recipe.plates.length);
  // Nothing was done against the gain.
  expect(pull.print!.shares[0].printed).toBeGreaterThan(pull.print!.shares[0].asked);
  await harness.http.get(`/api/files/${pull.print!.picture}/source`).expect(200);
  const listed = (await harness.http.get(`/api/jobs/${job.id}/pulls`).expect(200)).body as PullView[];
  expect(listed[0].print).toEqual(pull.print);
});

it('a picture that is no printed target is refused with a sentence, and one that is not there too', async () => {
  const { id } = await keep();
  const { body: original } = await send(harness, await smallPng(400, 300)).expect(201);
  const { sha256 } = original as { sha256: string };
  const { body } = await harness.http.post(path(id, '/scan')).send({ sha256 }).expect(422);
  expect(detailOf(body)).toMatch(/corner marks.*kept\.$/);
  await harness.http.get(path(id, `/scan.png?sha256=${sha256}`)).expect(422);
  await harness.http
    .post(path(id, '/scan'))
    .send({ sha256: '0'.repeat(64) })
    .expect(404);
  await harness.http.post(path(id, '/scan')).send({ sha256: 'x' }).expect(422);
  await harness.http.post(path(id, '/simulated-scan')).send({ gain: 100 }).expect(422);
});
