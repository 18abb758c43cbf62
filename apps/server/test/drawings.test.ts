import { Resvg } from '@resvg/resvg-js';
import { bitAt, filmFrame, plateBits, scaled, type Bits, type Drawing } from '@brachytone/core';
import { countInk, cropBits } from '@brachytone/core/raster/bits.ts';
import { paintDrawing } from '@brachytone/core/drawing/paint-drawing.ts';
import type { OriginalView } from '@brachytone/job';
import { newDrawing, newJob } from '@brachytone/job';
import { Problem } from '../src/http/problem.ts';
import { isDrawing, readDrawing } from '@brachytone/files/read';
import { send, startServer, type Harness } from './harness.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const svg = (inside: string, size = 'viewBox="0 0 200 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${size}>${inside}</svg>`;

/** A drawing painted `width` pixels wide. */
function paint(drawing: Drawing, width: number): Bits {
  const height = Math.round((width * drawing.height) / drawing.width);
  const map = scaled(width / drawing.width);
  return paintDrawing(drawing, map, { x: 0, y: 0, width, height }).ink;
}

/** Share of pixels that are darker than half when resvg, an independent renderer, draws the same file on white. */
function differing(text: string, ours: Bits): number {
  const image = new Resvg(text, {
    fitTo: { mode: 'width', value: ours.width },
    background: '#ffffff',
    shapeRendering: 0,
    font: { loadSystemFonts: false },
  }).render();
  expect([image.width, image.height]).toEqual([ours.width, ours.height]);
  // Asked for once: every asking copies the whole picture.
  const { pixels } = image;
  let different = 0;
  for (let i = 0; i < ours.width * ours.height; i++) {
    const dark = pixels[4 * i] < 128;
    if (dark !== (bitAt(ours, i % ours.width, Math.floor(i / ours.width)) === 1)) different++;
  }
  return different / (ours.width * ours.height);
}

describe('line art as geometry', () => {
  it.each([
    [
      'curves and holes',
      '<path fill-rule="evenodd" d="M20 50a40 40 0 1 1 80 0a40 40 0 1 1 -80 0zM45 50a15 15 0 1 0 30 0a15 15 0 1 0 -30 0z"/>',
    ],
    ['windings', '<path d="M10 10h80v80h-80zM30 30v40h40v-40zM120 10h60v60h-60zM135 25h30v30h-30z"/>'],
    [
      'basic shapes, turned',
      '<g transform="rotate(20 100 50)"><rect x="60" y="30" width="80" height="30" rx="8"/><ellipse cx="40" cy="50" rx="18" ry="9"/></g>',
    ],
    [
      'strokes',
      '<path d="M20 80L60 20L100 80Q140 0 180 60" fill="none" stroke="#000" stroke-width="7" stroke-linejoin="round" stroke-linecap="round"/>',
    ],
    [
      'miters and dashes',
      '<path d="M20 80L60 20L100 80" fill="none" stroke="#000" stroke-width="6"/><path d="M110 20h80v60h-80z" fill="none" stroke="black" stroke-width="4" stroke-dasharray="12 5 3 5"/>',
    ],
    [
      'light over dark',
      '<rect width="200" height="100"/><circle cx="70" cy="50" r="30" fill="#fff"/><circle cx="80" cy="50" r="10" fill="#222"/>',
    ],
    [
      'clips',
      '<clipPath id="c"><circle cx="100" cy="50" r="40"/></clipPath><g clip-path="url(#c)"><path d="M60 0h20v100h-20zM100 0h20v100h-20z"/></g>',
    ],
    [
      'styles and references',
      '<style>.a{fill:#123}</style><defs><g id="q"><circle class="a" cx="20" cy="20" r="15"/></g></defs><use href="#q" x="20"/><use href="#q" x="120" y="40"/>',
    ],
  ])('%s are painted as resvg paints them', (_name, inside) => {
    const text = svg(inside);
    const ours = paint(readDrawing(bytes(text)).drawing, 1000);
    expect(countInk(ours)).toBeGreaterThan(5000);
    // Only pixels that an edge runs through may fall to the other side.
    expect(differing(text, ours)).toBeLessThan(0.0015);
  });

  it('any part is that part of the whole', () => {
    const { drawing } = readDrawing(
      bytes(svg('<circle cx="90" cy="50" r="40"/><path d="M0 0L200 100" stroke="#000" stroke-width="5"/>')),
    );
    const map = scaled(0.0731);
    const whole = paintDrawing(drawing, map, { x: 0, y: 0, width: 731, height: 366 }).ink;
    const part = { x: 133, y: 57, width: 201, height: 99 };
    expect(Buffer.compare(paintDrawing(drawing, map, part).ink.data, cropBits(whole, part).data)).toBe(0);
  });

  it('runs no script, fetches nothing, and says what it left out', () => {
    const { drawing, facts } = readDrawing(
      bytes(
        svg(
          '<script>throw 1</script><rect width="50" height="50" onload="x()"/><image href="http://example.invalid/a.png" width="9" height="9"/><text x="5" y="5">Hi</text>',
        ),
      ),
    );
    expect(drawing.shapes).toHaveLength(1);
    expect(facts.leftOut).toEqual(['text that is not turned into outlines', 'a picture inside it']);
  });
  it('takes a huge view box, and one that does not begin at nought', () => {
    const { drawing } = readDrawing(
      bytes(svg('<rect x="-5e6" y="1e6" width="1e6" height="1e6"/>', 'viewBox="-5e6 0 1e7 2e6"')),
    );
    expect([drawing.width, drawing.height]).toEqual([10000, 2000]);
    expect(countInk(paint(drawing, 500)) / (500 * 100)).toBeCloseTo(0.05, 3);
  });
  it.each([
    ['not whole', '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0', 'damaged'],
    ['empty', svg(''), 'no line'],
    ['nothing but text', svg('<text x="1" y="20">Hi</text>'), 'text that is not turned'],
    [
      'without a size',
      '<svg xmlns="http://www.w3.org/2000/svg" width="0" height="0"><path d="M0 0h9v9z"/></svg>',
      'SVG',
    ],
  ])('refuses a file that is %s with a sentence', (_what, text, words) => {
    expect(isDrawing(bytes(text))).toBe(true);
    expect(() => readDrawing(bytes(text))).toThrow(Problem);
    expect(() => readDrawing(bytes(text))).toThrow(words);
  });
  it('knows an SVG file by what is in it', () => {
    expect(isDrawing(bytes('<?xml version="1.0"?><!-- made by hand --><svg xmlns="x">'))).toBe(true);
    expect(isDrawing(bytes('<html><body>'))).toBe(false);
    expect(isDrawing(Uint8Array.of(0x89, 0x50, 0x4e, 0x47))).toBe(false);
  });
});

describe('line art on a plate', () => {
  const { drawing } = readDrawing(
    bytes(svg('<rect width="100" height="100"/><rect x="100" width="100" height="100" fill="#fff"/>')),
  );
  const photo = { sha256: 'a'.repeat(64), name: 'grey.png', width: 20, height: 20 };
  const job = newJob(photo);
  const sheet = { width: 40, height: 40, bleed: 0, resolution: 254 };
  const [first] = newJob({ ...photo, width: 100, height: 100 }).recipe.originals;
  const base = {
    ...first,
    placement: { ...first.placement, x: 0, y: 0, width: 40 },
    content: { ...first.content, crop: { x: 0, y: 0, width: 1, height: 1, turn: 0 } },
  } as typeof first;
  const art = {
    ...newDrawing('art', 'ink-1', sheet, {
      ...photo,
      sha256: 'b'.repeat(64),
      width: drawing.width,
      height: drawing.height,
    }),
    placement: { x: 10, y: 10, width: 20, turn: 0, mirrored: false },
  };
  const grey = { width: 20, height: 20, channels: 1 as const, data: new Uint8Array(400).fill(128) };
  const bits = (originals: (typeof first)[]) => {
    const recipe = { ...job.recipe, sheet, originals };
    const scene = {
      recipe,
      pictures: new Map([[photo.sha256, { width: 20, height: 20, levels: [grey] }]]),
      drawings: new Map([['b'.repeat(64), drawing]]),
      typefaces: new Map(),
    };
    const frame = filmFrame(recipe);
    return plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  };
  const share = (made: Bits, x: number, y: number, width: number, height: number) =>
    countInk(cropBits(made, { x, y, width, height })) / (width * height);
  it('is solid where dark and bare where light, over screened art that is neither', () => {
    const made = bits([base, art]);
    expect(share(made, 101, 101, 98, 98)).toBe(1);
    expect(share(made, 201, 101, 98, 98)).toBe(0);
    expect(share(made, 0, 300, 400, 100)).toBeCloseTo(0.5, 1);
  });
  it('goes under a photograph that is laid over it', () => {
    const made = bits([art, base]);
    expect(share(made, 101, 101, 198, 98)).toBeCloseTo(0.5, 1);
  });
});

describe('line art brought in', () => {
  let server: Harness;
  beforeAll(async () => {
    server = await startServer();
  });
  afterAll(() => server.close());
  it('starts a job, can be had back as geometry, and has no levels', async () => {
    const { body } = await send(server, bytes(svg('<circle cx="50" cy="50" r="40"/>'))).expect(201);
    const original = body as OriginalView;
    expect(original).toMatchObject({ width: 10000, height: 5000, channels: 0, facts: { format: 'SVG' } });
    const { body: drawing } = await server.http.get(`/api/files/${original.sha256}/drawing`).expect(200);
    expect((drawing as Drawing).shapes).toHaveLength(1);
    await server.http.get(`/api/files/${original.sha256}/levels/0`).expect(404);
    const { body: job } = await server.http
      .post('/api/jobs')
      .send({ picture: { sha256: original.sha256, name: 'heron.svg' } })
      .expect(201);
    expect(
      (job as { document: { recipe: { originals: { content: { kind: string } }[] } } }).document.recipe
        .originals[0].content.kind,
    ).toBe('drawing');
  });
});
