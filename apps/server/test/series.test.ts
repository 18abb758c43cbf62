import {
  newLettering,
  NEW_SERIES,
  SHIPPED_TYPEFACES,
  type JobView,
  type RunView,
  type Series,
} from '@brachytone/job';
import { readTypeface } from '@brachytone/typeface';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { originalBytes } from '../src/database/schema.ts';
import { FilesService } from '../src/files/files.service.ts';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { binary, send, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
  await server.app.get(TypefacesService).load();
});
afterAll(() => server.close());

/** A picture dark on its left or right, of a size of its own. */
const half = (side: 'left' | 'right', width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#ffffff' } })
    .composite([
      {
        input: { create: { width: Math.floor(width / 2), height, channels: 3, background: '#101010' } },
        left: side === 'left' ? 0 : Math.ceil(width / 2),
        top: 0,
      },
    ])
    .png()
    .toBuffer();

const member = (number: number, sha256: string | null, fields: Record<string, string> = {}) => ({
  id: `member-${number}`,
  picture: sha256 === null ? null : { sha256, name: `picture ${number}.png` },
  fields,
  crop: null,
  levels: null,
});

/** A job with a lettering that a table fills in, on a small sheet. */
async function ticketJob() {
  const { job, original } = await startJob(server, 'ticket.png');
  const { document, revision } = (await server.http.get(`/api/jobs/${job.id}`)).body as JobView;
  const { sha256 } = SHIPPED_TYPEFACES[0];
  const face = readTypeface(await server.app.get(FilesService).font(sha256));
  const letters = newLettering('words', 'ink-1', document.recipe.sheet, sha256, face);
  const recipe = {
    ...document.recipe,
    sheet: { ...document.recipe.sheet, resolution: 150 },
    originals: [
      ...document.recipe.originals,
      { ...letters, content: { ...letters.content, text: 'No {no}\n{Guest}' } },
    ],
  };
  const saved = { ...document, name: 'Night ticket', recipe };
  await server.http
    .put(`/api/jobs/${job.id}`)
    .send({ revision, document: saved, history: { from: 0, steps: [], position: 0 } })
    .expect(200);
  return { id: job.id as string, own: original.sha256 as string };
}

const save = (job: string, revision: number, series: Series) =>
  server.http.put(`/api/jobs/${job}/series`).send({ revision, series });

async function ended(id: string): Promise<RunView> {
  for (;;) {
    const { body } = await server.http.get(`/api/runs/${id}`);
    const run = body as RunView;
    if (run.ended !== null) return run;
    await new Promise((resolve) => setTimeout(resolve, 60));
  }
}

const film = async (run: string, file: string) => {
  const { body } = await server.http.get(`/api/runs/${run}/films/${file}`).buffer().parse(binary).expect(200);
  return sharp(body as Buffer)
    .greyscale()
    .raw()
    .toBuffer({ resolveWithObject: true });
};

it('makes a job for many pictures and rows: each has its picture, words and name, one run has all', async () => {
  const { id } = await ticketJob();
  const left = (await send(server, await half('left', 90, 60)).expect(201)).body.sha256 as string;
  const right = (await send(server, await half('right', 300, 900)).expect(201)).body.sha256 as string;
  const series = {
    ...NEW_SERIES,
    pattern: '{series}-{no}-{Guest}',
    members: [
      member(1, left, { Guest: 'Ines Marsh' }),
      member(2, right, { Guest: 'Otto Reed' }),
      member(3, null, { Guest: 'Otto Reed' }),
    ],
  };
  expect((await save(id, 0, series).expect(200)).body).toMatchObject({ revision: 1, files: { length: 2 } });
  // A window that does not know of it yet loses nothing.
  await save(id, 0, NEW_SERIES).expect(409);
  const seen = async (one: string) => {
    const { body } = await server.http
      .get(`/api/jobs/${id}/series/${one}/seen.png?longer=120`)
      .buffer()
      .parse(binary)
      .expect(200);
    return sharp(body as Buffer)
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
  };
  /** Grey of a column of pixels, at a share of the width. */
  const grey = ({ data, info }: Awaited<ReturnType<typeof seen>>, at: number) => {
    let sum = 0;
    for (let y = 0; y < info.height; y++) sum += data[y * info.width + Math.floor(at * info.width)];
    return sum / info.height;
  };
  const [one, two] = [await seen('member-1'), await seen('member-2')];
  expect(grey(one, 0.1)).toBeLessThan(grey(one, 0.95) - 60);
  expect(grey(two, 0.95)).toBeLessThan(grey(two, 0.1) - 60);

  const { body: begun } = await server.http.post(`/api/jobs/${id}/series/run`).expect(201);
  const run = await ended(begun.id);
  expect(run).toMatchObject({ status: 'done', message: null, members: 3 });
  expect(run.films.map(({ file }) => file)).toEqual([
    'night-ticket-1-ines-marsh.tif',
    'night-ticket-2-otto-reed.tif',
    'night-ticket-3-otto-reed.tif',
  ]);
  // Every member fills the same sheet; films differ.
  const sizes = await Promise.all(run.films.map(async ({ file }) => (await film(run.id, file)).info));
  expect(new Set(sizes.map(({ width, height }) => `${width} ${height}`)).size).toBe(1);
  expect(new Set(run.films.map(({ sha256 }) => sha256)).size).toBe(3);

  // Asked for again it is the same, whatever the series is by now.
  await save(id, 1, { ...series, members: series.members.slice(0, 1) }).expect(200);
  const again = await ended((await server.http.post(`/api/runs/${run.id}/again`).expect(201)).body.id);
  expect(again.films.map(({ sha256 }) => sha256)).toEqual(run.films.map(({ sha256 }) => sha256));
});

it('has one that is broken stop none of the others, and says which', async () => {
  const { id } = await ticketJob();
  const good = (await send(server, await half('left', 80, 50)).expect(201)).body.sha256 as string;
  const bad = (await send(server, await half('left', 81, 50)).expect(201)).body.sha256 as string;
  await save(id, 0, { ...NEW_SERIES, members: [member(1, bad), member(2, good)] }).expect(200);
  await server.database.queries.delete(originalBytes).where(eq(originalBytes.sha256, bad));
  // It may be unpacked already.
  server.app.get(FilesService).letGo([bad]);
  const run = await ended((await server.http.post(`/api/jobs/${id}/series/run`).expect(201)).body.id);
  expect(run.status).toBe('done');
  expect(run.message).toMatch(/^1 of 2 films could not be made\. night-ticket-1-black\.tif: /);
  expect(run.films.map(({ bytes }) => bytes > 0)).toEqual([false, true]);
  await film(run.id, run.films[1].file);
});

it('can be cancelled, and leaves no films then', async () => {
  const { id } = await ticketJob();
  const picture = (await send(server, await half('right', 70, 50)).expect(201)).body.sha256 as string;
  const members = Array.from({ length: 60 }, (_, i) => member(i, picture));
  await save(id, 0, { ...NEW_SERIES, members }).expect(200);
  const { body: run } = await server.http.post(`/api/jobs/${id}/series/run`).expect(201);
  await server.http.post(`/api/runs/${run.id}/cancel`).expect(201);
  expect((await ended(run.id)).status).toBe('cancelled');
});

it('says what is wrong with a series', async () => {
  const { id } = await ticketJob();
  const other = '00000000-0000-4000-8000-000000000000';
  await server.http.get(`/api/jobs/${other}/series`).expect(404);
  await server.http.post(`/api/jobs/${id}/series/run`).expect(422);
  const cases: [object, RegExp][] = [
    [{ ...NEW_SERIES, members: [member(1, 'f'.repeat(64))] }, /never brought in/],
    [{ ...NEW_SERIES, members: Array.from({ length: 501 }, (_, i) => member(i, null)) }, /up to 500/],
    [{ ...NEW_SERIES, members: [member(1, null), member(1, null)] }, /duplicate/],
    [{ ...NEW_SERIES, members: [{ ...member(1, null), levels: { bare: 60, solid: 40, mid: 1 } }] }, /darker/],
    [{ ...NEW_SERIES, pattern: '' }, /pattern/],
  ];
  for (const [series, words] of cases) {
    const { status, body } = await save(id, 0, series as Series);
    expect(status).toBe(422);
    expect(body.detail).toMatch(words);
  }
  await server.http.get(`/api/jobs/${id}/series/none/seen.png`).expect(404);
});
