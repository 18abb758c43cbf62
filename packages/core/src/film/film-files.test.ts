import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { bitAt, type Bits } from '../raster/bits.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plateBits } from '../plate/evaluate.ts';
import { bitsFrom, greyPicture, sceneOf } from '../testing.ts';
import { toFilm } from './emulsion.ts';
import { filmFacts, makeFilm } from './make-film.ts';
import { filmStrips } from './strips.ts';
import { pngFile } from './png.ts';
import { memorySink } from './sink.ts';
import { tiffFile, type TiffCompression } from './tiff.ts';

const folder = mkdtempSync(join(tmpdir(), 'films-'));
afterAll(() => rmSync(folder, { recursive: true }));

const tool = (name: string, ...args: string[]): string =>
  execFileSync(name, args, { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });

/** A TIFF of the bits, strip by strip. */
function tiffOf(bits: Bits, compression: TiffCompression, resolution = 1200): Uint8Array {
  const sink = memorySink();
  const facts = { width: bits.width, height: bits.height, resolution, description: 'Test' };
  const file = tiffFile(sink, facts, compression);
  for (const { y, height } of filmStrips(facts))
    file.strip({ ...bits, height, data: bits.data.subarray(y * bits.stride, (y + height) * bits.stride) });
  file.finish();
  return sink.bytes();
}

/** Every pixel as libvips reads it: 1 where black. */
async function readByVips(
  file: Uint8Array,
): Promise<{ width: number; height: number; ink: (i: number) => number }> {
  const { data, info } = await sharp(file).toColourspace('b-w').raw().toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, ink: (i) => (data[i * info.channels] < 128 ? 1 : 0) };
}

async function expectSame(file: Uint8Array, bits: Bits): Promise<void> {
  const read = await readByVips(file);
  expect([read.width, read.height]).toEqual([bits.width, bits.height]);
  let different = 0;
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) if (read.ink(y * bits.width + x) !== bitAt(bits, x, y)) different++;
  }
  expect(different).toBe(0);
}

/** The uncompressed rows as libtiff's own tiffcp unpacks them. */
function readByLibtiff(name: string): Uint8Array {
  const flat = join(folder, `${name}-flat.tif`);
  tool('tiffcp', '-c', 'none', '-r', '1000000', join(folder, name), flat);
  const offset = Number(/StripOffsets \(273\) [A-Z]+ \(\d+\) 1<(\d+)>/.exec(tool('tiffdump', flat))?.[1]);
  const count = Number(/StripByteCounts \(279\) [A-Z]+ \(\d+\) 1<(\d+)>/.exec(tool('tiffdump', flat))?.[1]);
  return new Uint8Array(readFileSync(flat).subarray(offset, offset + count));
}

/** Rows whose runs take every length from 1 to 2700 in both colours, at changing places. */
const everyRun = bitsFrom(5600, 2700, (x, y) => {
  const from = (y * 37) % 180;
  return x >= from && x < from + y + 1 ? true : x >= from + 2 * (y + 1) && x % 3 === 0;
});

describe('Group 4 and deflate TIFF', () => {
  it.each(['group4', 'deflate'] as const)(
    '%s: every run length reads back by libtiff, every pixel equal',
    (packing) => {
      const name = `runs-${packing}.tif`;
      writeFileSync(join(folder, name), tiffOf(everyRun, packing));
      expect(Buffer.compare(readByLibtiff(name), everyRun.data)).toBe(0);
      const info = tool('tiffinfo', '-s', join(folder, name));
      expect(info).toContain('Image Width: 5600 Image Length: 2700');
      expect(info).toContain('Resolution: 1200, 1200 pixels/inch');
      expect(info).toContain('Bits/Sample: 1');
      expect(info).toContain('min-is-white');
      expect(info).toContain(packing === 'group4' ? 'CCITT Group 4' : 'AdobeDeflate');
      const rows = Number(/Rows\/Strip: (\d+)/.exec(info)?.[1]);
      expect(info).toContain(`${Math.ceil(2700 / rows)} Strips`);
    },
  );
  it.each(['group4', 'deflate'] as const)(
    '%s: odd widths, bare, solid and noisy rows read back by libvips',
    async (packing) => {
      for (const width of [1, 7, 8, 9, 31, 33, 257]) {
        const noisy = bitsFrom(width, 40, (x, y) =>
          y < 4 ? false : y < 8 ? true : ((x * 7919 + y * 104729) >> 3) % 3 === 0,
        );
        await expectSame(tiffOf(noisy, packing), noisy);
      }
    },
  );
});

describe('films', () => {
  const scene = sceneOf(
    greyPicture(300, 200, (x, y) => 128 + 120 * Math.sin(x / 40) * Math.cos(y / 31)),
    { width: 60, height: 40, resolution: 600 },
    { ruling: 45, angle: 22.5 },
  );
  const frame = filmFrame(scene.recipe);
  const whole = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });

  it.each([
    [false, false],
    [true, false],
    [false, true],
    [true, true],
  ])('mirrored %s, negative %s: the file is the plate so turned', async (mirrored, negative) => {
    const sink = memorySink();
    const steps = [
      ...makeFilm(scene, 0, { mirrored, negative }, tiffFile(sink, filmFacts(scene, 0, 'Test'), 'group4')),
    ];
    const expected = bitsFrom(frame.width, frame.height, (x, y) => {
      const ink = bitAt(whole, mirrored ? frame.width - 1 - x : x, y) === 1;
      return negative ? !ink : ink;
    });
    await expectSame(sink.bytes(), expected);
    expect(toFilm(whole, { mirrored, negative }).data).toEqual(expected.data);
    expect(steps.at(-1)).toMatchObject({ rows: frame.height, of: frame.height });
  });

  it('as PNG: one bit, the right size and resolution, every pixel equal', async () => {
    const sink = memorySink();
    for (const _ of makeFilm(
      scene,
      0,
      { mirrored: false, negative: false },
      pngFile(sink, filmFacts(scene, 0, 'Test')),
    )) {
      // Each step makes a strip.
    }
    const png = sink.bytes();
    await expectSame(png, whole);
    // IHDR: bit depth at byte 24. pHYs is in pixels a metre: 600 dpi = 23622.
    expect(png[24]).toBe(1);
    const meta = await sharp(png).metadata();
    expect(Math.round(meta.density!)).toBe(600);
  });

  it('says in the file what it is', () => {
    expect(filmFacts(scene, 0, 'Open Night').description).toBe('Open Night: ink-1, 45 lpi, 22.5 degrees');
  });
});
