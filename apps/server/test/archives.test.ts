import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { usualMarks } from '@brachytone/core';
import {
  LABEL_TYPEFACE,
  NEW_SERIES,
  newJob,
  newRoute,
  withRoute,
  type ChannelsView,
  type JobDocument,
  type JobWithDocument,
  type OriginalView,
  type RunView,
  type Series,
  type SeriesView,
} from '@brachytone/job';
import sharp from 'sharp';
import type { Ticket } from '@brachytone/pdf';
import { execFileSync } from 'node:child_process';
import { buffer } from 'node:stream/consumers';
import type { Readable } from 'node:stream';
import { ZipFile } from 'yazl';
import { DemoService } from '../src/demo.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { binary, jobsOf, send, smallPng, startServer, type Harness } from './harness.ts';

let server: Harness;
let other: Harness;
let jobs: { id: string; document: JobDocument }[];
beforeAll(async () => {
  server = await startServer();
  other = await startServer();
  await server.app.get(TypefacesService).load();
  await server.app.get(DemoService).load();
  jobs = await jobsOf(server);
});
afterAll(async () => {
  await server.close();
  await other.close();
});

async function made(harness: Harness, jobId: string): Promise<RunView> {
  let { body } = await harness.http.post('/api/runs').send({ jobId }).expect(201);
  while (body.status === 'queued' || body.status === 'running') {
    await new Promise((resolve) => setTimeout(resolve, 50));
    ({ body } = await harness.http.get(`/api/runs/${body.id}`).expect(200));
  }
  expect(body.status).toBe('done');
  return body as RunView;
}

const packed = async (id: string): Promise<Buffer> =>
  (await server.http.get(`/api/jobs/${id}/archive.zip`).buffer(true).parse(binary).expect(200))
    .body as Buffer;
const opened = (zip: Uint8Array) =>
  other.http.post('/api/archives').set('Content-Type', 'application/zip').send(Buffer.from(zip));

/** A demo job with marks, on a coarser film. */
async function jobOf(name: string): Promise<string> {
  const { document } = jobs.find((one) => one.document.name === name)!;
  const { recipe } = document;
  const marked = {
    ...document,
    recipe: {
      ...recipe,
      sheet: { ...recipe.sheet, resolution: 300 },
      marks: usualMarks(LABEL_TYPEFACE),
    },
  };
  const { body } = await server.http.post('/api/jobs').send({ document: marked }).expect(201);
  return body.id as string;
}

it.each(['Members’ ticket', 'Dusk tote', 'Season leaflet'])(
  '“%s” opens on an empty server as the same job, and its films are the same bytes',
  async (name) => {
    const id = await jobOf(name);
    const run = await made(server, id);
    const zip = await packed(id);
    const { body } = await opened(zip).expect(201);
    const { document } = (await other.http.get(`/api/jobs/${(body as JobWithDocument).id}`).expect(200)).body;
    expect(document).toEqual((await server.http.get(`/api/jobs/${id}`).expect(200)).body.document);
    const again = await made(other, (body as JobWithDocument).id);
    expect(again.films.map(({ file, sha256 }) => [file, sha256])).toEqual(
      run.films.map(({ file, sha256 }) => [file, sha256]),
    );
    const path = join(server.folder, 'packed.zip');
    writeFileSync(path, zip);
    const names = execFileSync(
      'python3',
      [
        '-c',
        'import sys, zipfile; z = zipfile.ZipFile(sys.argv[1]); assert z.testzip() is None; print("\\n".join(z.namelist()))',
        path,
      ],
      { encoding: 'utf8' },
    ).split('\n');
    expect(names).toEqual(
      expect.arrayContaining([
        'job.json',
        'print.png',
        'ticket.pdf',
        'ticket.json',
        `films/${run.films[0].file}`,
      ]),
    );
  },
);

it('a CMYK file taken another way, and a separated one, are made of their file again', async () => {
  const cmyk = await sharp(await smallPng(90, 60))
    .toColourspace('cmyk')
    .withIccProfile('/usr/share/color/icc/ghostscript/default_cmyk.icc')
    .tiff()
    .toBuffer();
  const { body: file } = await send(server, cmyk).expect(201);
  const { body: taken } = await server.http
    .post(`/api/files/${file.sha256}/taken`)
    .send({ intent: 'perceptual', compensate: false })
    .expect(201);
  const view = (await server.http.post(`/api/files/${file.sha256}/channels`).expect(201))
    .body as ChannelsView;
  const channels = view.channels.map(({ name, picture }, i) => ({
    picture: picture.sha256,
    ink: { id: `ink-${i + 2}`, name, lab: [50, 0, 0] as const, opacity: 0, fountain: null },
  }));
  expect(channels).toHaveLength(4);
  const facts = { sha256: taken.sha256 as string, name: 'taken.tif', width: 90, height: 60 };
  const job = newJob(facts);
  const sheet = { width: 90, height: 60, bleed: 0, resolution: 200 };
  const [first] = job.recipe.originals;
  const placed = {
    ...job.recipe,
    sheet,
    originals: [{ ...first, placement: { ...first.placement, x: 0, y: 0, width: 90 } }],
  };
  const plain = { ...job, recipe: placed };
  const separated = {
    ...job,
    recipe: withRoute(placed, first.id, newRoute('separated', placed, first.id, [], channels)),
  };
  for (const document of [plain, separated]) {
    const { body } = await server.http.post('/api/jobs').send({ document }).expect(201);
    const run = await made(server, body.id as string);
    const { body: there } = await opened(await packed(body.id as string)).expect(201);
    const again = await made(other, (there as JobWithDocument).id);
    expect(run.films.some(({ bytes }) => bytes > 0)).toBe(true);
    expect(again.films.map(({ sha256 }) => sha256)).toEqual(run.films.map(({ sha256 }) => sha256));
  }
});

/** A ZIP of these files. */
async function zipOf(files: Record<string, string | Uint8Array>): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, contents] of Object.entries(files)) zip.addBuffer(Buffer.from(contents as string), name);
  zip.end();
  return buffer(zip.outputStream as Readable);
}

describe('what is no sound archive is refused with a sentence, and nothing is written', () => {
  let sound: Buffer;
  let before: number;
  const manifest = (): { files: { sha256: string; kind: string; path: string }[] } & Record<
    string,
    unknown
  > => {
    const path = join(server.folder, 'sound.zip');
    writeFileSync(path, sound);
    const text = execFileSync(
      'python3',
      [
        '-c',
        'import sys, zipfile; sys.stdout.write(zipfile.ZipFile(sys.argv[1]).read("job.json").decode())',
        path,
      ],
      { encoding: 'utf8' },
    );
    return JSON.parse(text) as ReturnType<typeof manifest>;
  };
  const known = async () => (await jobsOf(other)).length;
  beforeAll(async () => {
    sound = await packed(await jobOf('Moon over the reeds'));
    before = await known();
  });
  afterEach(async () => {
    expect(await known()).toBe(before);
    expect(readdirSync(join(other.folder, 'incoming'))).toEqual([]);
    for (const { sha256 } of manifest().files.filter(({ sha256: sum }) => sum !== LABEL_TYPEFACE))
      await other.http.get(`/api/files/${sha256}`).expect(404);
  });

  it.each<[string, () => Promise<Uint8Array> | Uint8Array, RegExp]>([
    ['no file at all', () => new Uint8Array(0), /no ZIP archive/],
    [
      'a picture',
      () => readFileSync(new URL('../../../demo/originals/heron.svg', import.meta.url)),
      /no ZIP archive/,
    ],
    ['half an archive', () => sound.subarray(0, sound.length >> 1), /no ZIP archive|damaged/],
    [
      'an archive whose original is another by a bit',
      async () => {
        const picture = manifest().files.find(({ kind }) => kind === 'picture')!;
        const { body } = await server.http
          .get(`/api/files/${picture.sha256}/source`)
          .buffer(true)
          .parse(binary)
          .expect(200);
        const broken = Buffer.from(sound);
        const at = broken.indexOf((body as Buffer).subarray(1000, 1064));
        expect(at).toBeGreaterThan(0);
        broken[at] ^= 1;
        return broken;
      },
      /damaged|not what it was/,
    ],
    ['another kind of ZIP', () => zipOf({ 'letter.txt': 'Dear all' }), /another kind of archive/],
    ['a manifest that is none', () => zipOf({ 'job.json': '{"what": "cake"}' }), /not right/],
    ['a manifest that is no JSON', () => zipOf({ 'job.json': 'cake' }), /cannot be read/],
    [
      'a job without its files',
      () => zipOf({ 'job.json': JSON.stringify({ ...manifest(), files: [] }) }),
      /not in it/,
    ],
    ['files that are not there', () => zipOf({ 'job.json': JSON.stringify(manifest()) }), /is missing in it/],
    [
      'files that are others',
      () => {
        const told = manifest();
        return zipOf({
          'job.json': JSON.stringify(told),
          ...Object.fromEntries(told.files.map(({ path }) => [path, 'not a picture'])),
        });
      },
      /not what it was/,
    ],
    [
      'a job of a newer program',
      () => {
        const told = manifest();
        return zipOf({
          'job.json': JSON.stringify({ ...told, document: { ...(told.document as object), version: 99 } }),
        });
      },
      /is missing in it|newer/,
    ],
  ])('%s', async (_name, make, words) => {
    const { body } = await opened(await make()).expect(422);
    expect((body as { detail: string }).detail).toMatch(words);
  });

  it('names that lead out of the folder', async () => {
    // Written by hand in place of a name of the same length: a well-kept writer refuses such names.
    const zip = await zipOf({ 'job.json': JSON.stringify(manifest()), aaaaaaaaaaaaa: 'out' });
    const evil = Buffer.from(zip.toString('latin1').replaceAll('aaaaaaaaaaaaa', '../../../evil'), 'latin1');
    const { body } = await opened(evil).expect(422);
    expect((body as { detail: string }).detail).toMatch(/leads out of its folder/);
  });

  it('a bomb: hundreds of megabytes of nothing, packed small', async () => {
    const path = join(server.folder, 'bomb.zip');
    execFileSync('python3', ['-c', BOMB, path]);
    const { body } = await opened(readFileSync(path)).expect(422);
    expect((body as { detail: string }).detail).toMatch(/more than 8 GB|larger than/);
  });
});

const BOMB = `
import sys, zipfile
with zipfile.ZipFile(sys.argv[1], 'w', zipfile.ZIP_DEFLATED) as z:
    with z.open('job.json', 'w', force_zip64=True) as f:
        for _ in range(300): f.write(bytes(1 << 20))
    for i in range(3):
        with z.open('originals/%064d' % i, 'w', force_zip64=True) as f:
            for _ in range(150): f.write(bytes(1 << 20))
`;

it('a job’s series goes along, with the pictures of its members', async () => {
  const id = await jobOf('Members’ ticket');
  const { body: picture } = await send(server, await smallPng()).expect(201);
  const series = {
    ...NEW_SERIES,
    pattern: '{no}-{Guest}',
    members: [
      {
        id: 'one',
        picture: { sha256: (picture as OriginalView).sha256, name: 'reeds.png' },
        fields: { Guest: 'Ines Marsh' },
        crop: null,
        levels: { bare: 5, solid: 90, mid: 1 },
      },
      { id: 'two', picture: null, fields: { Guest: 'Otto Reed' }, crop: null, levels: null },
    ],
  } satisfies Series;
  await server.http.put(`/api/jobs/${id}/series`).send({ revision: 0, series }).expect(200);
  const zip = await packed(id);
  const { body } = await opened(zip).expect(201);
  const there = await other.http.get(`/api/jobs/${(body as JobWithDocument).id}/series`).expect(200);
  expect((there.body as SeriesView).series).toEqual(series);
  expect((there.body as SeriesView).files.map(({ sha256 }) => sha256)).toEqual([picture.sha256]);
});

it('a ticket tells the job’s inks, screens as made, findings and files, as a page and as data', async () => {
  const id = await jobOf('Open Night poster');
  const run = await made(server, id);
  const { body } = await server.http.get(`/api/jobs/${id}/ticket.json`).expect(200);
  const ticket = body as Ticket;
  const { document } = jobs.find((one) => one.document.name === 'Open Night poster')!;
  expect(ticket.job).toBe('Open Night poster');
  expect(ticket.plates.map(({ ink, place }) => [ink, place])).toEqual(
    document.recipe.plates.map(({ ink }, i) => [
      document.recipe.inks.find((one) => one.id === ink)?.name,
      i + 1,
    ]),
  );
  for (const [i, { share, area, transfer }] of ticket.plates.entries()) {
    const inked = run.films[i].inked!;
    expect(Math.abs(share - inked)).toBeLessThan(1);
    const { width, height, bleed } = document.recipe.sheet;
    expect(area).toBeCloseTo(((share / 100) * (width + 2 * bleed) * (height + 2 * bleed)) / 100, 6);
    expect(transfer[0].film).toBe(0);
    expect(transfer.at(-1)).toEqual({ asked: 100, film: 100, printed: 100 });
  }
  expect(ticket.findings.length).toBeGreaterThan(0);
  for (const { file, sha256 } of ticket.files) {
    const film = await server.http
      .get(`/api/runs/${run.id}/films/${file}`)
      .buffer(true)
      .parse(binary)
      .expect(200);
    expect(
      createHash('sha256')
        .update(film.body as Buffer)
        .digest('hex'),
    ).toBe(sha256);
  }
  const { body: pdf } = await server.http
    .get(`/api/jobs/${id}/ticket.pdf`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  const path = join(server.folder, 'ticket.pdf');
  writeFileSync(path, pdf as Buffer);
  expect(execFileSync('qpdf', ['--check', path], { encoding: 'utf8' })).toContain('No syntax');
  const text = execFileSync('pdftotext', ['-layout', path, '-'], { encoding: 'utf8' });
  for (const words of [
    'Open Night poster',
    ticket.plates[0].ink,
    ticket.files[0].sha256,
    'Inks, in printing order',
  ])
    expect(text).toContain(words);
});
