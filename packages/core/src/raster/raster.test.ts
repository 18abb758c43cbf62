import fc from 'fast-check';
import sharp from 'sharp';
import { greyPicture } from '../testing.ts';
import { readPam, writePam } from './pam.ts';
import type { Picture } from './picture.ts';
import { createPlane } from './plane.ts';
import { buildPyramid, chooseLevel, halve, levelCount } from './pyramid.ts';
import { bands, intersect } from './region.ts';
import { resampleInto } from './resample.ts';
import { rowsOf } from './rows.ts';
import { sampleInto } from './sample.ts';

describe('pyramids', () => {
  it('halve as libvips shrinks by box', async () => {
    const picture = greyPicture(64, 48, (x, y) => (x * 5 + y * 11) & 255);
    // sharp's reduction by two after a 2 × 2 box convolution, read at the blocks' own places.
    const boxed = await sharp(picture.data, { raw: { width: 64, height: 48, channels: 1 } })
      .convolve({ width: 3, height: 3, kernel: [0, 0, 0, 0, 1, 1, 0, 1, 1], scale: 4 })
      .toColourspace('b-w')
      .raw()
      .toBuffer();
    const half = halve(picture);
    for (let y = 0; y < 24; y++) {
      for (let x = 0; x < 32; x++) {
        expect(Math.abs(half.data[y * 32 + x] - boxed[2 * y * 64 + 2 * x])).toBeLessThanOrEqual(1);
      }
    }
  });
  it('do not let clear pixels tint what is opaque', () => {
    const picture: Picture = {
      width: 2,
      height: 2,
      channels: 2,
      data: Uint8Array.of(200, 255, 0, 0, 200, 255, 0, 0),
    };
    expect([...halve(picture).data]).toEqual([200, 128]);
  });
  it('keep odd sizes whole and know their levels', () => {
    const pyramid = buildPyramid(greyPicture(301, 257, () => 77));
    expect(pyramid.levels.length).toBe(levelCount(301, 257));
    expect(pyramid.levels.map((level) => level!.width)).toEqual([301, 151, 76]);
    for (const level of pyramid.levels) expect(level!.data.every((value) => value === 77)).toBe(true);
    expect(chooseLevel(pyramid, 0.3)).toBe(0);
    expect(chooseLevel(pyramid, 2.2)).toBe(1);
    expect(chooseLevel({ ...pyramid, levels: [undefined, undefined, pyramid.levels[2]] }, 1)).toBe(2);
  });
});

describe('resampling', () => {
  it('of a ramp is the ramp, and any part is that part of the whole', () => {
    const ramp = createPlane(20, 4);
    for (let i = 0; i < ramp.data.length; i++) ramp.data[i] = (i % 20) * 1000;
    const map = { origin: 0, step: 20 / 173 };
    const whole = createPlane(173, 40);
    const down = { origin: 0, step: 0.1 };
    resampleInto(rowsOf(ramp), map, down, { x: 0, y: 0, width: 173, height: 40 }, whole, 0, 0);
    for (let x = 10; x < 160; x++) {
      const want = ((x + 0.5) * (20 / 173) - 0.5) * 1000;
      expect(Math.abs(whole.data[x] - want)).toBeLessThan(1.5);
    }
    const part = createPlane(31, 9);
    resampleInto(rowsOf(ramp), map, down, { x: 57, y: 12, width: 31, height: 9 }, part, 0, 0);
    for (let y = 0; y < 9; y++) {
      expect(part.data.slice(y * 31, (y + 1) * 31)).toEqual(
        whole.data.slice((y + 12) * 173 + 57, (y + 12) * 173 + 88),
      );
    }
  });
});

describe('reading through any map', () => {
  const picture = createPlane(40, 30);
  for (let i = 0; i < picture.data.length; i++) picture.data[i] = (i * 7919) & 0xffff;
  it('straight, is what resampling makes; mirrored, its mirror image', () => {
    const region = { x: 3, y: 2, width: 70, height: 50 };
    const [map, down] = [
      { origin: -2.3, step: 0.61 },
      { origin: 1.7, step: 0.53 },
    ];
    const straight = createPlane(70, 50);
    resampleInto(rowsOf(picture), map, down, region, straight, 0, 0);
    const any = createPlane(70, 50);
    const affine = { xx: map.step, xy: 0, x0: map.origin, yx: 0, yy: down.step, y0: down.origin };
    sampleInto(rowsOf(picture), affine, region, any);
    // The way across is rounded first by the one, and after the way down by neither.
    for (let i = 0; i < any.data.length; i++) {
      expect(Math.abs(any.data[i] - straight.data[i])).toBeLessThanOrEqual(2);
    }
    const mirrored = createPlane(40, 30);
    const across = { origin: 40, step: -1 };
    const upwards = { origin: 30, step: -1 };
    const whole = { x: 0, y: 0, width: 40, height: 30 };
    resampleInto(rowsOf(picture), across, upwards, whole, mirrored, 0, 0);
    expect([...mirrored.data]).toEqual([...picture.data].reverse());
  });
});

describe('portable arbitrary maps', () => {
  it.each([1, 2, 3, 4] as const)('carry %d channels of 8 and 16 bits without loss', (channels) => {
    const eight: Picture = {
      width: 3,
      height: 2,
      channels,
      data: Uint8Array.from({ length: 6 * channels }, (_, i) => i * 9),
    };
    const deep: Picture = { ...eight, data: Uint16Array.from({ length: 6 * channels }, (_, i) => i * 2711) };
    for (const picture of [eight, deep]) expect(readPam(writePam(picture))).toEqual(picture);
  });
  it('refuse other bytes', () => {
    expect(() => readPam(new Uint8Array(10))).toThrow('not a picture');
  });
});

describe('regions', () => {
  it('are cut into bands that cover them once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 900 }),
        fc.integer({ min: 1, max: 20000 }),
        (w, h, n) => {
          let rows = 0;
          for (const band of bands({ x: 5, y: 7, width: w, height: h }, n)) {
            expect(band.y).toBe(7 + rows);
            rows += band.height;
          }
          expect(rows).toBe(h);
        },
      ),
    );
    expect(intersect({ x: 0, y: 0, width: 5, height: 5 }, { x: 9, y: 1, width: 5, height: 5 }).width).toBe(0);
  });
});
