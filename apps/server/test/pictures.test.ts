import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { newPanels, PAPERS, type JobView } from '@brachytone/job';
import sharp from 'sharp';
import { binary, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
let job: string;
beforeAll(async () => {
  server = await startServer();
  const { document } = (await startJob(server)).job as JobView;
  const { recipe } = document;
  const a4 = { ...document, recipe: { ...recipe, sheet: { ...recipe.sheet, width: 297, height: 210 } } };
  job = (await server.http.post('/api/jobs').send({ document: a4 }).expect(201)).body.id as string;
});
afterAll(() => server.close());

const ask = (query: Record<string, unknown>) => server.http.get(`/api/jobs/${job}/picture`).query(query);

it.each(['png', 'webp', 'jpeg', 'tiff'] as const)(
  '%s: as many pixels as asked for, with its resolution and sRGB’s profile, as sharp reads them',
  async (format) => {
    const { body, headers } = await ask({ format, ppi: 100 }).buffer(true).parse(binary).expect(200);
    expect(headers['content-disposition']).toMatch(/filename="reeds\.(png|webp|jpg|tif)"/);
    const found = await sharp(body as Buffer).metadata();
    // A4, turned.
    expect([found.format, found.width, found.height]).toEqual([format, 1169, 827]);
    expect(found.icc?.length).toBeGreaterThan(100);
    // WebP keeps it in its Exif.
    if (format !== 'webp') expect(found.density).toBe(100);
    expect(found.hasAlpha).toBe(false);
  },
);

it('a JPEG is packed as it comes, by the codes of the standard: its own would be found with all of it in memory', async () => {
  const { body } = await ask({ format: 'jpeg', ppi: 40 }).buffer(true).parse(binary).expect(200);
  const jpeg = body as Buffer;
  const at = jpeg.indexOf(Buffer.of(0xff, 0xc4));
  // Numbers of codes of each length for differences of luminance: ITU-T T.81 (1992), table K.3.
  const table = [0, 1, 5, 1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 0, 0, 0];
  expect([...jpeg.subarray(at + 4, at + 21)]).toEqual([0, ...table]);
});

it.each(['png', 'webp', 'tiff'] as const)('%s can be clear', async (format) => {
  const { body } = await ask({ format, ppi: 40, transparent: true }).buffer(true).parse(binary).expect(200);
  const { channels } = await sharp(body as Buffer).stats();
  expect(channels).toHaveLength(4);
  expect(channels[3].min).toBeLessThan(channels[3].max);
});

it('of one plate alone is named after its ink; nothing is left behind', async () => {
  const { headers } = await ask({ format: 'png', ppi: 30, plate: 'plate-1' })
    .buffer(true)
    .parse(binary)
    .expect(200);
  expect(headers['content-disposition']).toContain('reeds-black.png');
  await new Promise((resolve) => setTimeout(resolve, 100));
  expect(readdirSync(join(server.folder, 'proofs'))).toEqual([]);
});

it.each([
  ['a clear JPEG', { format: 'jpeg', ppi: 30, transparent: true }, 422, 'JPEG cannot be clear'],
  ['a picture without end', { format: 'png', ppi: 3000 }, 422, 'up to 20000 a side'],
  ['a WebP that would fill the memory', { format: 'webp', ppi: 2500 }, 422, 'up to 8192 a side'],
  ['a format of no kind', { format: 'gif', ppi: 30 }, 422, 'format'],
  ['a plate that is none', { format: 'png', ppi: 30, plate: 'plate-9' }, 404, 'no plate of this name'],
])('%s is refused with a sentence', async (_name, query, status, words) => {
  const { body } = await ask(query).expect(status);
  expect((body as { detail: string }).detail).toContain(words);
});

it('in panels it is a PDF as the job is cut, and is refused in a sentence where it is not', async () => {
  const panels = (query: Record<string, unknown> = {}) =>
    server.http.get(`/api/jobs/${job}/panels.pdf`).query(query);
  const { body: refused } = await panels().expect(422);
  expect(refused.detail).toMatch(/not cut into panels/);
  await panels({ ppi: 5 }).expect(422);
  const { document } = (await server.http.get(`/api/jobs/${job}`)).body as JobView;
  const [paper] = PAPERS;
  const cut = {
    ...document,
    films: { ...document.films, panels: newPanels(paper, document.recipe, document.films.panels) },
  };
  const { body: made } = await server.http.post('/api/jobs').send({ document: cut }).expect(201);
  const { body, headers } = await server.http
    .get(`/api/jobs/${made.id}/panels.pdf?ppi=60`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  expect(headers['content-disposition']).toContain('reeds-panels.pdf');
  expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
});
