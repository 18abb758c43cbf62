import { tintGradient } from '@brachytone/core/testing.ts';
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { newScreen, outlineLettering } from '@brachytone/core';
import { newJob, newLettering, SHIPPED_TYPEFACES, type OriginalView } from '@brachytone/job';
import { readTypeface } from '@brachytone/typeface';
import sharp from 'sharp';
import { compress } from 'wawoff2';
import { TypefacesService } from '../src/files/typefaces.service.ts';
import { TYPEFACES_FOLDER } from '../src/paths.ts';
import { binary, send, startJob, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
  await server.app.get(TypefacesService).load();
});
afterAll(() => server.close());

const shipped = (file: string) => readFileSync(join(TYPEFACES_FOLDER, file));

/** A font of one square letter, as plain TrueType; made with nothing of ours. */
async function squareFont(): Promise<Uint8Array> {
  // eslint-disable-next-line @typescript-eslint/ban-ts-comment
  // @ts-ignore The part of the library that writes fonts is used in this test alone.
  const { Font, Glyph, Path } = await import('opentype.js/dist/opentype.mjs');
  const path = new Path();
  path.moveTo(100, 0);
  path.lineTo(100, 700);
  path.lineTo(800, 700);
  path.lineTo(800, 0);
  path.close();
  const font = new Font({
    familyName: 'Marsh Square',
    styleName: 'Heavy',
    unitsPerEm: 1000,
    ascender: 800,
    descender: -200,
    glyphs: [
      new Glyph({ name: '.notdef', advanceWidth: 500, path: new Path() }),
      new Glyph({ name: 'A', unicode: 65, advanceWidth: 900, path }),
    ],
  });
  return new Uint8Array(font.toArrayBuffer() as ArrayBuffer);
}

describe('typefaces', () => {
  it('that ship are there, named by their makers', async () => {
    const { body } = await server.http.get('/api/files/fonts').expect(200);
    expect((body as OriginalView[]).map(({ facts }) => facts.typeface)).toEqual([
      'Alfa Slab One',
      'Anton',
      'Archivo',
      'Bowlby One',
    ]);
    for (const { sha256, name } of SHIPPED_TYPEFACES) {
      const answer = await server.http
        .get(`/api/files/${sha256}/font`)
        .buffer(true)
        .parse(binary)
        .expect(200);
      expect(readTypeface(new Uint8Array(answer.body as Buffer)).name).toBe(name);
    }
  });

  it('of one’s own: TrueType and WOFF2 give the same letters', async () => {
    const plain = await squareFont();
    const packed = await compress(plain);
    const outlines = [];
    for (const bytes of [plain, packed]) {
      const { body } = await send(server, bytes).expect(201);
      expect(body).toMatchObject({ kind: 'font', channels: 0, facts: { typeface: 'Marsh Square' } });
      const font = await server.http
        .get(`/api/files/${body.sha256}/font`)
        .buffer(true)
        .parse(binary)
        .expect(200);
      const face = readTypeface(new Uint8Array(font.body as Buffer));
      const layout = { text: 'AA', align: 'left', tracking: 10, leading: 100 } as const;
      const { width, height, contours } = outlineLettering(layout, face);
      expect([width, height]).toEqual([1.9, 1]);
      outlines.push(contours.map(({ start, parts }) => [start, parts]));
      expect(face.missing('ABA')).toBe('B');
    }
    expect(outlines[0]).toEqual(outlines[1]);
  });

  it.each([
    'archivo/files/archivo-latin-wdth-normal',
    'spline-sans-mono/files/spline-sans-mono-latin-wght-normal',
  ])('of the registry, WOFF2: %s is read', async (name) => {
    const file = createRequire(import.meta.url).resolve(`@fontsource-variable/${name}.woff2`);
    const { body } = await send(server, new Uint8Array(readFileSync(file))).expect(201);
    expect(body).toMatchObject({ kind: 'font', facts: { format: 'WOFF2' } });
    expect(body.facts.typeface).toMatch(/Archivo|Spline Sans Mono/);
  });

  it('that says it unpacks to more than there is room for is refused, and nothing is added', async () => {
    const packed = new Uint8Array(await compress(await squareFont()));
    new DataView(packed.buffer, packed.byteOffset).setUint32(16, 1.5e9);
    const { body } = await send(server, packed).expect(422);
    expect(body.detail).toContain('unpacks to 1500 MB');
  });

  it('start no job, and a job may not take a picture for one', async () => {
    const font = SHIPPED_TYPEFACES[0];
    const { body } = await server.http
      .post('/api/jobs')
      .send({ picture: { sha256: font.sha256, name: 'anton.woff' } })
      .expect(422);
    expect(body.detail).toContain('This is a typeface');
    const { original } = await startJob(server);
    const job = newJob({ sha256: original.sha256, name: 'reeds.png', width: 60, height: 40 });
    const face = readTypeface(shipped(font.file));
    const lettering = newLettering('letters', 'ink-1', job.recipe.sheet, original.sha256 as string, face);
    const document = {
      ...job,
      recipe: { ...job.recipe, originals: [...job.recipe.originals, lettering] },
    };
    const refused = await server.http.post('/api/jobs').send({ document }).expect(422);
    expect(refused.body.detail).toContain('a typeface that was never brought in');
  });
});

describe('an original by itself', () => {
  it('is a transparent PNG, there where its fade’s dots are and in its own colours', async () => {
    const { body: picture } = await send(
      server,
      await sharp({ create: { width: 200, height: 200, channels: 3, background: '#2060a0' } })
        .png()
        .toBuffer(),
    ).expect(201);
    const job = newJob({ sha256: picture.sha256 as string, name: 'blue.png', width: 200, height: 200 });
    const gradient = tintGradient(30, { from: { x: 0, y: 0.5 }, to: { x: 1, y: 0.5 }, width: 0.5 });
    const screen = newScreen('dots', { ruling: 20 });
    const document = {
      ...job,
      recipe: {
        ...job.recipe,
        sheet: { width: 100, height: 100, bleed: 3, resolution: 600 },
        originals: job.recipe.originals.map((one) => ({
          ...one,
          content: {
            ...one.content,
            crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 },
          },
          placement: { x: 0, y: 0, width: 100, turn: 0, mirrored: false },
          fade: { by: 'gradient' as const, gradient, screen, strokes: [] },
        })),
      },
    };
    const { body: made } = await server.http.post('/api/jobs').send({ document }).expect(201);
    const url = `/api/jobs/${made.id}/originals/original-1/cut-out.png`;
    const answer = await server.http.get(`${url}?resolution=254`).buffer(true).parse(binary).expect(200);
    expect(answer.headers['content-disposition']).toContain('blue');
    const { data, info } = await sharp(answer.body as Buffer)
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height, info.channels]).toEqual([1000, 1000, 4]);
    let there = 0;
    let strays = 0;
    for (let i = 0; i < data.length; i += 4) {
      const alpha = data[i + 3];
      if (alpha === 255) there++;
      else if (alpha !== 0) strays++;
      if (alpha && (data[i] !== 0x20 || data[i + 1] !== 0x60 || data[i + 2] !== 0xa0)) strays++;
    }
    expect(strays).toBe(0);
    expect(there / 1e6).toBeCloseTo(0.3, 2);
    expect((await sharp(answer.body as Buffer).metadata()).density).toBe(254);
    await server.http.get(`${url}?resolution=9`).expect(422);
    await server.http.get(`/api/jobs/${made.id}/originals/nobody/cut-out.png`).expect(404);
  });
});

describe('preparations of one’s own', () => {
  it('are kept on the shelf, and taken off again', async () => {
    const steps = [{ kind: 'invert', settings: {} }];
    const { body: kept } = await server.http
      .post('/api/shelf/preparations')
      .send({ name: 'Night from day', says: '', steps })
      .expect(201);
    const { body: listed } = await server.http.get('/api/shelf/preparations').expect(200);
    expect(listed).toEqual([{ id: kept.id, name: 'Night from day', says: '', steps }]);
    await server.http.delete(`/api/shelf/preparations/${kept.id}`).expect(204);
    await server.http.delete(`/api/shelf/preparations/${kept.id}`).expect(404);
    expect((await server.http.get('/api/shelf/preparations')).body).toEqual([]);
  });
  it.each([
    ['no name', { name: ' ', says: '', steps: [{ kind: 'invert', settings: {} }] }],
    ['no steps', { name: 'Nothing', says: '', steps: [] }],
    ['a step there is none of', { name: 'Magic', says: '', steps: [{ kind: 'magic', settings: {} }] }],
    [
      'a setting out of range',
      { name: 'Far', says: '', steps: [{ kind: 'blur', settings: { radius: -1 } }] },
    ],
  ])('with %s are refused', async (_what, body) => {
    await server.http.post('/api/shelf/preparations').send(body).expect(422);
  });
});

describe('screens of one’s own', () => {
  it('are kept on the shelf beside the preparations, and taken off again', async () => {
    const screen = newScreen('lines', { path: 'spiral', ruling: 20 }, { coarse: 72 });
    const { body: kept } = await server.http
      .post('/api/shelf/screens')
      .send({ name: 'Groove', says: '', screen })
      .expect(201);
    expect((await server.http.get('/api/shelf/screens').expect(200)).body).toEqual([
      { id: kept.id, name: 'Groove', says: '', screen },
    ]);
    expect((await server.http.get('/api/shelf/preparations')).body).toEqual([]);
    await server.http.delete(`/api/shelf/preparations/${kept.id}`).expect(404);
    await server.http.delete(`/api/shelf/screens/${kept.id}`).expect(204);
    expect((await server.http.get('/api/shelf/screens')).body).toEqual([]);
  });
  it.each([
    ['a kind there is none of', { ...newScreen('dots'), kind: 'magic' }],
    ['a setting out of range', newScreen('dots', { ruling: 5000 })],
    ['a setting of another kind', newScreen('blue', { ruling: 30 })],
    ['a motif that is no path', newScreen('dots', { spot: 'motif', motif: 'url(#there)' })],
    ['a motif that encloses nothing', newScreen('dots', { spot: 'motif', motif: 'M1 1' })],
    ['a coarse grid finer than any', newScreen('dots', {}, { coarse: 90000 })],
    ['dots the wrong way about', newScreen('dots', {}, { smallest: 60, largest: 50 })],
  ])('of %s are refused', async (_, screen) => {
    await server.http.post('/api/shelf/screens').send({ name: 'No', says: '', screen }).expect(422);
  });
});
