import { memorySink, readPam, type Picture } from '@brachytone/core';
import { pngFile } from '@brachytone/core/film/png.ts';
import { createBits } from '@brachytone/core/raster/bits.ts';
import type { OriginalView } from '@brachytone/job';
import sharp, { type Color } from 'sharp';
import { binary, send, smallPng, startServer, type Harness } from './harness.ts';

let server: Harness;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

/** Brings a file in and gives its working picture. */
async function bring(bytes: Uint8Array): Promise<{ body: OriginalView; picture: Picture }> {
  const { body } = await send(server, bytes).expect(201);
  const answer = await server.http
    .get(`/api/files/${body.sha256}/levels/0`)
    .buffer(true)
    .parse(binary)
    .expect(200);
  return { body: body as OriginalView, picture: readPam(new Uint8Array(answer.body as Buffer)) };
}

const flat = (width: number, height: number, background: Color, channels: 3 | 4 = 3) =>
  sharp({ create: { width, height, channels, background } });

/** A bare one-bit PNG of 20 000 × 20 000 pixels. */
function hugePng(): Uint8Array {
  const sink = memorySink();
  const file = pngFile(sink, { width: 20000, height: 20000, resolution: 300, description: 'Huge' });
  for (let y = 0; y < 20000; y += 1000) file.strip(createBits(20000, 1000));
  file.finish();
  return sink.bytes();
}

describe('good pictures', () => {
  it('keep every sample of a PNG, and its very bytes', async () => {
    const png = await smallPng();
    const { body, picture } = await bring(png);
    const raw = await sharp(png).raw().toBuffer();
    expect(body).toMatchObject({
      width: 60,
      height: 40,
      channels: 3,
      facts: { format: 'PNG', bitsPerSample: 8 },
    });
    expect(Buffer.compare(picture.data as Uint8Array, raw)).toBe(0);
    const { body: source } = await server.http
      .get(`/api/files/${body.sha256}/source`)
      .buffer(true)
      .expect(200);
    expect(Buffer.compare(source as Buffer, png)).toBe(0);
  });

  it('are unpacked as soon as they are brought in, once', async () => {
    const unpacked = async () => {
      const { text } = await server.http.get('/metrics').expect(200);
      return Number(
        /^brachytone_work_seconds_count\{work="pyramid",ended="made"\} (\d+)/m.exec(text)?.[1] ?? 0,
      );
    };
    // Threads are begun when a file comes; only those that rest unpack ahead.
    const rested = async () => {
      for (;;) {
        const { text } = await server.http.get('/metrics').expect(200);
        if (/^brachytone_work\{state="running"\} 0$/m.test(text)) return;
        await new Promise((resolve) => setTimeout(resolve, 20));
      }
    };
    await send(server, await smallPng(29, 17)).expect(201);
    await rested();
    const before = await unpacked();
    const { body } = await send(server, await smallPng(31, 17)).expect(201);
    while ((await unpacked()) === before) await new Promise((resolve) => setTimeout(resolve, 20));
    await server.http.get(`/api/files/${body.sha256}/levels/0`).expect(200);
    expect(await unpacked()).toBe(before + 1);
  });

  it('are the same original when brought in twice', async () => {
    const png = await smallPng(33, 21);
    const first = await bring(png);
    const second = await bring(png);
    expect(second.body).toEqual(first.body);
  });

  it('a 16-bit TIFF keeps 16 bits', async () => {
    const samples = Uint16Array.from({ length: 20 * 10 }, (_, i) => i * 327);
    const tiff = await sharp(samples, { raw: { width: 20, height: 10, channels: 1 } })
      .toColourspace('grey16')
      .tiff({ compression: 'lzw' })
      .toBuffer();
    const { body, picture } = await bring(tiff);
    expect(body).toMatchObject({ channels: 1, facts: { format: 'TIFF', colour: 'grey', bitsPerSample: 16 } });
    expect(picture.data).toEqual(samples);
  });

  it('a 16-bit colour TIFF keeps 16 bits', async () => {
    const samples = Uint16Array.from({ length: 8 * 6 * 3 }, (_, i) => i * 401);
    const tiff = await sharp(samples, { raw: { width: 8, height: 6, channels: 3 } })
      .toColourspace('rgb16')
      .tiff({ compression: 'lzw' })
      .toBuffer();
    const { picture } = await bring(tiff);
    expect(picture.data).toEqual(samples);
  });

  it('a grey PNG with alpha keeps grey and alpha apart', async () => {
    const data = Buffer.from([10, 255, 200, 128, 90, 0, 255, 1]);
    const png = await sharp(data, { raw: { width: 2, height: 2, channels: 2 } })
      .toColourspace('b-w')
      .png()
      .toBuffer();
    const { body, picture } = await bring(png);
    expect(body).toMatchObject({ channels: 2, facts: { alpha: true, colour: 'grey' } });
    expect([...picture.data]).toEqual([...data]);
  });

  it('a CMYK JPEG becomes sRGB', async () => {
    const jpeg = await flat(32, 32, { r: 220, g: 60, b: 40 })
      .toColourspace('cmyk')
      .jpeg({ quality: 100 })
      .toBuffer();
    expect((await sharp(jpeg).metadata()).space).toBe('cmyk');
    const { body, picture } = await bring(jpeg);
    expect(body).toMatchObject({ channels: 3, facts: { format: 'JPEG', colour: 'CMYK' } });
    const [red, green, blue] = picture.data;
    expect(red).toBeGreaterThan(180);
    expect(green).toBeLessThan(110);
    expect(blue).toBeLessThan(100);
  });

  it('a CMYK TIFF is read by the profile it carries', async () => {
    const tiff = await flat(24, 24, { r: 30, g: 110, b: 190 })
      .withIccProfile('cmyk')
      .toColourspace('cmyk')
      .tiff({ compression: 'lzw' })
      .toBuffer();
    const meta = await sharp(tiff).metadata();
    expect([meta.space, Boolean(meta.icc)]).toEqual(['cmyk', true]);
    const { body, picture } = await bring(tiff);
    expect(body).toMatchObject({ channels: 3, facts: { format: 'TIFF', colour: 'CMYK' } });
    expect(body.facts.profile).toBeTruthy();
    const [red, green, blue] = picture.data;
    expect(Math.abs(red - 30)).toBeLessThan(40);
    expect(Math.abs(green - 110)).toBeLessThan(20);
    // The blue lies a little outside what the profile's inks reach.
    expect(Math.abs(blue - 190)).toBeLessThan(50);
  });

  it('a colour PNG of 16 bits keeps them all, its alpha too', async () => {
    const samples = Uint16Array.from({ length: 5 * 4 * 4 }, (_, i) =>
      i % 4 === 3 ? 3000 + i * 700 : i * 811,
    );
    const png = await sharp(samples, { raw: { width: 5, height: 4, channels: 4 } })
      .toColourspace('rgb16')
      .png()
      .toBuffer();
    const { body, picture } = await bring(png);
    expect(body).toMatchObject({ channels: 4, facts: { alpha: true, bitsPerSample: 16 } });
    expect(picture.data).toEqual(samples);
  });

  it('a panorama of 50 megapixels is taken, with a level that is soon there', async () => {
    const jpeg = await flat(25000, 2000, { r: 90, g: 120, b: 60 }).jpeg({ quality: 60 }).toBuffer();
    const { body } = await send(server, jpeg).expect(201);
    expect(body).toMatchObject({ width: 25000, height: 2000, kind: 'picture' });
    expect((25000 * 2000) / 4 ** (body.smallLevel as number)).toBeLessThan(1e6);
  });

  it.each([8, 16])('an ICC profile is converted to sRGB, %d bits', async (bits) => {
    // The same colour written under a wider profile must come back as it was.
    const colour = { r: 200, g: 90, b: 60 };
    const wide = bits === 8 ? flat(16, 16, colour) : flat(16, 16, colour).toColourspace('rgb16');
    const png = await wide.withIccProfile('p3').png().toBuffer();
    const stored = await sharp(png, { ignoreIcc: true }).raw().toBuffer();
    expect(Math.abs(stored[0] - 200)).toBeGreaterThan(3);
    const { body, picture } = await bring(png);
    expect(body.facts.profile).toBeTruthy();
    const scale = bits === 8 ? 1 : 257;
    [200, 90, 60].forEach((want, k) =>
      expect(Math.abs(picture.data[k] / scale - want)).toBeLessThanOrEqual(2),
    );
  });

  it('an orientation tag is obeyed', async () => {
    const jpeg = await flat(30, 20, { r: 0, g: 0, b: 0 }).withMetadata({ orientation: 6 }).jpeg().toBuffer();
    const { body } = await bring(jpeg);
    expect(body).toMatchObject({ width: 20, height: 30, facts: { turned: true } });
  });

  it('a 1 × 1 picture is a picture', async () => {
    const { body } = await bring(await flat(1, 1, 'white').png().toBuffer());
    expect(body).toMatchObject({ width: 1, height: 1 });
  });

  it('a large one has a small level that is the same as halving gives', async () => {
    const { body } = await bring(await smallPng(2200, 1100));
    expect(body).toMatchObject({ smallLevel: 1 });
    const small = await server.http.get(`/api/files/${body.sha256}/levels/1`).buffer(true).expect(200);
    expect((small.body as Buffer).subarray(0, 20).toString()).toContain('WIDTH 1100');
  });
});

describe('files that are not pictures, or not whole', () => {
  it.each([
    [
      'a text file named .png',
      async () => Buffer.from('Dear printer, the picture follows.'),
      422,
      'not a picture',
    ],
    ['a 0-byte file', async () => Buffer.alloc(0), 422, 'empty'],
    [
      'an SVG with nothing in it',
      async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      422,
      'no line in this SVG',
    ],
    ['a GIF', () => flat(9, 9, 'teal').gif().toBuffer(), 422, 'JPEG, PNG, TIFF, WebP, AVIF and SVG'],
    [
      'a truncated JPEG',
      async () =>
        (
          await flat(600, 600, 'teal')
            .composite([{ input: await smallPng(500, 500) }])
            .jpeg()
            .toBuffer()
        ).subarray(0, 9000),
      422,
      'ends too early',
    ],
    [
      'an animated GIF',
      async () => {
        const frames = await flat(9, 18, 'teal').png().toBuffer();
        return sharp(frames)
          .gif({ loop: 0, delay: [100, 100] })
          .toBuffer();
      },
      422,
      'JPEG, PNG, TIFF, WebP, AVIF and SVG',
    ],
    [
      'a picture 120 000 pixels long',
      () => flat(120_000, 2, 'teal').png().toBuffer(),
      422,
      '120000 pixels long',
    ],
    [
      'a text file that says it is a font',
      async () => Buffer.from('OTTO, but only in its first word'),
      422,
      'font file is damaged',
    ],
    ['a WOFF2 file cut short', async () => Buffer.from('wOF2\0\x01\0\0\0\0'), 422, 'font file is damaged'],
    ['a 20 000 × 20 000 picture', () => Promise.resolve(hugePng()), 422, '20000 × 20000'],
  ])('%s: refused with a sentence, nothing kept', async (_what, make, status, words) => {
    const { body, headers } = await send(server, await make()).expect(status);
    expect(headers['content-type']).toContain('application/problem+json');
    expect(body.detail).toContain(words);
    expect(body.detail).toMatch(/Nothing was added|nothing was added/);
  });

  it('other kinds of body and addresses are answered in sentences', async () => {
    const { body } = await server.http.post('/api/files').send({ a: 1 }).expect(415);
    expect(body.detail).toContain('octet-stream');
    await server.http.get('/api/files/xyz').expect(422);
    await server.http.get(`/api/files/${'0'.repeat(64)}`).expect(404);
    await server.http.get(`/api/files/${'0'.repeat(64)}/levels/40`).expect(422);
  });
});

it('addresses of files from when they were called originals lead on', async () => {
  const { header } = await server.http.get(`/api/originals/${'0'.repeat(64)}/levels/0`).expect(308);
  expect(header.location).toBe(`/api/files/${'0'.repeat(64)}/levels/0`);
});

it('what went wrong on a page reaches the log, within bounds', async () => {
  await server.http.post('/api/page-failures').send({ message: 'Error: x', stack: '' }).expect(204);
  await server.http
    .post('/api/page-failures')
    .send({ message: 'x'.repeat(501), stack: '' })
    .expect(422);
  await server.http.post('/api/page-failures').send({ message: 'x' }).expect(422);
});
