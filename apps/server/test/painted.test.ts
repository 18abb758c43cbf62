import { buildPyramid, filmFrame, plateBits, readPam, type Recipe } from '@brachytone/core';
import { countInk, cropBits } from '@brachytone/core/raster/bits.ts';
import { newJob, WHOLE_CROP, type JobWithDocument, type OriginalView } from '@brachytone/job';
import { binary, send, startServer, type Harness } from './harness.ts';

let server: Harness;
let other: Harness;
beforeAll(async () => {
  server = await startServer();
  other = await startServer();
});
afterAll(async () => {
  await server.close();
  await other.close();
});

const svg = (inside: string) =>
  new TextEncoder().encode(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 200 100">${inside}</svg>`);

/** A light grey square, a dark one, and a gradient from bare to black: as line work the first would print nothing. */
const SHADED = svg(
  '<linearGradient id="g"><stop stop-color="#fff"/><stop offset="1"/></linearGradient>' +
    '<rect x="0" width="50" height="100" fill="#bcbcbc"/><rect x="50" width="50" height="100" fill="#303030"/>' +
    '<rect x="120" width="80" height="100" fill="url(#g)"/>',
);

const brought = async (bytes: Uint8Array): Promise<OriginalView> =>
  (await send(server, bytes).expect(201)).body as OriginalView;
const painted = async (sha256: string, longest: number): Promise<OriginalView> =>
  (await server.http.post(`/api/files/${sha256}/painted`).send({ longest }).expect(201)).body as OriginalView;

it('a drawing with greys says so, one of plain black and white does not', async () => {
  expect((await brought(SHADED)).facts.shades).toBe(true);
  const plain = await brought(svg('<path d="M0 0h90v90z"/><circle r="20" cx="40" cy="40" fill="#fff"/>'));
  expect(plain.facts.shades).toBeUndefined();
});

it('a drawing is painted with its greys as SVG means them, and is bare where nothing is drawn', async () => {
  const drawing = await brought(SHADED);
  const made = await painted(drawing.sha256, 800);
  expect(made).toMatchObject({ kind: 'picture', width: 800, height: 400, channels: 4 });
  expect(made.facts).toMatchObject({ format: 'SVG', painted: { from: drawing.sha256, longest: 800 } });
  const { body } = await server.http
    .get(`/api/files/${made.sha256}/levels/0`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  const picture = readPam(new Uint8Array(body as Buffer));
  const at = (x: number, y: number) => [...picture.data.slice(4 * (y * 800 + x), 4 * (y * 800 + x) + 4)];
  expect(at(100, 200)).toEqual([0xbc, 0xbc, 0xbc, 255]);
  expect(at(300, 200)).toEqual([0x30, 0x30, 0x30, 255]);
  expect(at(440, 200)[3]).toBe(0);
  // SVG 2, 14.2: colours of a gradient are joined straight in sRGB.
  expect(Math.abs(at(640, 200)[0] - 127)).toBeLessThanOrEqual(1);
  // The same size again is the same picture; another size is another.
  expect((await painted(drawing.sha256, 800)).sha256).toBe(made.sha256);
  expect((await painted(drawing.sha256, 400)).sha256).not.toBe(made.sha256);
  await server.http.post(`/api/files/${made.sha256}/painted`).send({ longest: 300 }).expect(404);
  await server.http.post(`/api/files/${drawing.sha256}/painted`).send({ longest: 1e6 }).expect(422);
});

it('printed as tone, its greys become dots of their coverage; as line work the lighter one was bare', async () => {
  const drawing = await brought(SHADED);
  const made = await painted(drawing.sha256, 800);
  const { recipe } = newJob({ ...drawing, name: 'Shades' }, 'drawing');
  const toned: Recipe = {
    ...recipe,
    originals: recipe.originals.map((one) => ({
      ...one,
      content: { kind: 'picture', picture: made.sha256, crop: WHOLE_CROP, line: null, cut: null } as const,
    })),
  };
  const { body } = await server.http
    .get(`/api/files/${made.sha256}/levels/0`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  const pictures = new Map([[made.sha256, buildPyramid(readPam(new Uint8Array(body as Buffer)))]]);
  const scene = { recipe: toned, pictures, drawings: new Map(), typefaces: new Map() };
  const frame = filmFrame(toned);
  const region = { x: 0, y: 0, width: frame.width, height: frame.height };
  const bits = plateBits(scene, 0, frame, region);
  const placement = toned.originals[0].placement;
  const perMm = toned.sheet.resolution / 25.4;
  const share = (from: number, to: number) => {
    const x = Math.round((placement.x + placement.width * from) * perMm);
    const width = Math.round(placement.width * (to - from) * perMm);
    const y = Math.round((placement.y + placement.width * 0.1) * perMm);
    const height = Math.round(placement.width * 0.3 * perMm);
    return countInk(cropBits(bits, { x, y, width, height })) / (width * height);
  };
  const coverage = (level: number) => 1 - level / 255;
  expect(Math.abs(share(0.03, 0.22) - coverage(0xbc))).toBeLessThan(0.02);
  expect(Math.abs(share(0.28, 0.47) - coverage(0x30))).toBeLessThan(0.02);
  expect(share(0.51, 0.59)).toBe(0);
});

it('an archive paints it again elsewhere', async () => {
  const drawing = await brought(SHADED);
  const made = await painted(drawing.sha256, 800);
  const document = newJob({ ...made, name: 'Shades' });
  const { body: job } = await server.http.post('/api/jobs').send({ document }).expect(201);
  const { body: zip } = await server.http
    .get(`/api/jobs/${(job as JobWithDocument).id}/archive.zip`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  const { body: opened } = await other.http
    .post('/api/archives')
    .set('Content-Type', 'application/zip')
    .send(zip as Buffer)
    .expect(201);
  expect((opened as JobWithDocument).document.recipe).toEqual(document.recipe);
  const { body: again } = await other.http.get(`/api/files/${made.sha256}`).expect(200);
  expect((again as OriginalView).facts.painted).toEqual({ from: drawing.sha256, longest: 800 });
});
