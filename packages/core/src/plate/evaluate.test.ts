import fc from 'fast-check';
import { bitAt, countInk, cropBits } from '../raster/bits.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import type { Picture } from '../raster/picture.ts';
import { greyPicture, PLAIN_TONE, sceneOf } from '../testing.ts';
import { plateCoverage } from './coverage.ts';
import { plateBits } from './evaluate.ts';
import { filmFrame, frameOf } from './frame.ts';
import { effectiveResolution } from './placed.ts';
import type { Scene } from './scene.ts';

const wavy = greyPicture(220, 160, (x, y) => 128 + 100 * Math.sin(x / 17 + y / 29));

describe('film size', () => {
  // ISO 216 sizes; arithmetic.
  it('A3 at 300 ppi is 3508 × 4961; 16 × 20 inches at 300 is 4800 × 6000', () => {
    expect(frameOf({ width: 297, height: 420 }, 300)).toMatchObject({ width: 3508, height: 4961 });
    expect(frameOf({ width: 16 * 25.4, height: 20 * 25.4 }, 300)).toMatchObject({
      width: 4800,
      height: 6000,
    });
  });
  it('900 pixels at 30 ppi are 30 inches', () => {
    const { recipe } = sceneOf(
      greyPicture(900, 300, () => 0),
      { width: 30 * 25.4, height: 10 * 25.4, resolution: 150 },
    );
    expect(effectiveResolution(recipe.originals[0], { width: 900 })).toBeCloseTo(30, 9);
  });
});

describe('region = whole', () => {
  const scene = sceneOf(
    wavy,
    { width: 42, height: 31, resolution: 720 },
    { ruling: 37, angle: 15, smallest: 3, largest: 95 },
  );
  const frame = filmFrame(scene.recipe);
  const whole = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  it('any region of a plate equals that part of the whole, bit for bit', () => {
    fc.assert(
      fc.property(
        fc.nat(frame.width - 1),
        fc.nat(frame.height - 1),
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 300 }),
        (x, y, w, h) => {
          const region = { x, y, width: Math.min(w, frame.width - x), height: Math.min(h, frame.height - y) };
          expect(plateBits(scene, 0, frame, region).data).toEqual(cropBits(whole, region).data);
        },
      ),
      { numRuns: 40, seed: 8 },
    );
  });
});

describe('several originals, several plates', () => {
  const half: Picture = { width: 2, height: 1, channels: 2, data: Uint8Array.of(0, 255, 0, 0) };
  const base = sceneOf(
    greyPicture(8, 8, () => 128),
    { width: 20, height: 20, resolution: 100 },
  );
  const scene: Scene = {
    recipe: {
      ...base.recipe,
      inks: [...base.recipe.inks, { id: 'ink-2', name: 'Lantern', colour: '#d08020', opacity: 0 }],
      plates: [...base.recipe.plates, { ...base.recipe.plates[0], id: 'plate-2', ink: 'ink-2' }],
      originals: [
        ...base.recipe.originals,
        {
          id: 'original-2',
          picture: 'half',
          name: 'half.png',
          crop: { x: 0, y: 0, width: 1, height: 1 },
          placement: { x: 5, y: 5, width: 10 },
          tone: PLAIN_TONE,
          ink: 'ink-2',
        },
      ],
    },
    pictures: new Map([...base.pictures, ['half', buildPyramid(half)]]),
  };
  const frame = filmFrame(scene.recipe);
  const at = (plate: number, x: number, y: number) =>
    plateCoverage(scene, plate, frame, { x, y, width: 1, height: 1 }).data[0];

  it('each goes to its own ink', () => {
    expect(at(0, 3, 3)).toBe(65535 - 128 * 257);
    expect(at(1, 3, 3)).toBe(0);
    expect(at(1, 24, 30)).toBe(65535);
  });
  it('the upper one knocks out the lower where it is opaque, and leaves it where it is clear', () => {
    expect(at(0, 24, 30)).toBe(0);
    expect(at(0, 55, 30)).toBe(65535 - 128 * 257);
    expect(at(1, 55, 30)).toBe(0);
  });
  it('a missing picture is named', () => {
    expect(() =>
      plateBits({ ...scene, pictures: new Map() }, 0, frame, { x: 0, y: 0, width: 8, height: 8 }),
    ).toThrow('picture.png');
  });
});

describe('tone through to ink', () => {
  it('a flat grey inks its share of the film, at any scale of the original', () => {
    for (const size of [4, 90, 1500]) {
      const scene = sceneOf(
        greyPicture(size, size, () => 102),
        { width: 30, height: 30, resolution: 600 },
      );
      const frame = filmFrame(scene.recipe);
      const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
      expect(countInk(bits) / (frame.width * frame.height)).toBeCloseTo(0.6, 2);
    }
  });
  it('beyond the original the sheet is bare', () => {
    const scene = sceneOf(
      greyPicture(10, 5, () => 0),
      { width: 20, height: 20, resolution: 200 },
    );
    const frame = filmFrame(scene.recipe);
    const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    expect(bitAt(bits, 80, 40)).toBe(1);
    expect(bitAt(bits, 80, 78)).toBe(1);
    expect(bitAt(bits, 80, 79)).toBe(0);
    expect(bitAt(bits, 80, 120)).toBe(0);
  });
});
