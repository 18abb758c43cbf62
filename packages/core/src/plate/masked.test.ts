import { countInk, cropBits, type Bits } from '../raster/bits.ts';
import type { Picture } from '../raster/picture.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { MaskArea, MaskPart, PlateMask } from '../recipe/plate-mask.ts';
import type { Scene } from '../recipe/scene.ts';
import { countPatches, greyPicture, sceneOf } from '../testing.ts';
import { packedPoints } from '../tone/stroke-points.ts';
import { plateBits } from './evaluate.ts';

const sheet = { width: 50, height: 40, resolution: 300 };
const box = (
  x: number,
  y: number,
  width: number,
  height: number,
  more: Partial<MaskArea> = {},
): MaskArea => ({
  by: 'area',
  mode: 'add',
  outline: [x, y, x + width, y, x + width, y + height, x, y + height],
  feather: 0,
  ...more,
});
const maskOf = (parts: readonly MaskPart[], more: Partial<PlateMask> = {}): PlateMask => ({
  inverted: false,
  wholeDots: false,
  parts,
  ...more,
});

function film(scene: Scene, mask?: PlateMask, region?: Parameters<typeof plateBits>[3]): Bits {
  const { recipe } = scene;
  const plates = recipe.plates.map((plate) => (mask ? { ...plate, mask } : plate));
  const frame = filmFrame(recipe);
  const whole = { x: 0, y: 0, width: frame.width, height: frame.height };
  return plateBits({ ...scene, recipe: { ...recipe, plates } }, 0, frame, region ?? whole);
}
const share = (bits: Bits): number => countInk(bits) / (bits.width * bits.height);

/** Left half red, right half blue, with a white line between. */
const colours: Picture = {
  width: 100,
  height: 80,
  channels: 3,
  data: Uint8Array.from({ length: 100 * 80 * 3 }, (_, i) => {
    const x = Math.floor(i / 3) % 100;
    return (x < 48 ? [200, 40, 40] : x < 52 ? [255, 255, 255] : [40, 60, 190])[i % 3];
  }),
};

describe('a mask of areas', () => {
  const solid = sceneOf(
    greyPicture(8, 8, () => 0),
    sheet,
  );
  it('keeps what lies in them, and less what is taken away again', () => {
    expect(share(film(solid, maskOf([box(10, 10, 20, 10)])))).toBeCloseTo(200 / 2000, 2);
    const less = maskOf([box(10, 10, 20, 10), box(15, 12, 5, 4, { mode: 'subtract' })]);
    expect(share(film(solid, less))).toBeCloseTo(180 / 2000, 2);
    expect(share(film(solid, { ...less, inverted: true }))).toBeCloseTo(1820 / 2000, 2);
  });
  it('begins with all of the plate where its first part takes away', () => {
    expect(share(film(solid, maskOf([box(10, 10, 20, 10, { mode: 'subtract' })])))).toBeCloseTo(0.9, 2);
    expect(share(film(solid, maskOf([])))).toBe(1);
  });
  it('with a feather keeps as much, and fades over its width', () => {
    const tones = sceneOf(
      greyPicture(8, 8, () => 0),
      sheet,
      { ruling: 60 },
    );
    const soft = film(tones, maskOf([box(10, 10, 30, 20, { feather: 4 })]));
    expect(Math.abs(share(soft) - 600 / 2000)).toBeLessThan(0.02);
    const strip = (x: number) =>
      share(cropBits(soft, { x: Math.round((x / 25.4) * 300), y: 190, width: 18, height: 90 }));
    expect(strip(9.2)).toBeGreaterThan(0.3);
    expect(strip(9.2)).toBeLessThan(0.7);
    expect(strip(20)).toBeGreaterThan(0.99);
  });
  it('painted over, shows what is painted in', () => {
    const { recipe } = solid;
    const stroke = {
      points: packedPoints([
        [0.7, 0.7, 1],
        [0.9, 0.7, 1],
      ]),
      radius: 0.04,
      strength: 100,
      softness: 0,
    };
    const plates = recipe.plates.map((plate) => ({
      ...plate,
      mask: maskOf([box(2, 2, 6, 6)]),
      strokes: [stroke],
    }));
    const bits = film({ ...solid, recipe: { ...recipe, plates } });
    const inches = 2 * 0.04 * 0.2 + Math.PI * 0.04 ** 2;
    expect(share(bits)).toBeCloseTo(36 / 2000 + (inches * 50 * 50) / 2000, 2);
  });
});

describe('a mask by what an original shows', () => {
  const scene = sceneOf(colours, sheet, { ruling: 40 });
  const keep = (part: object) =>
    maskOf([{ mode: 'add', original: 'original-1', softness: 0, ...part } as MaskPart]);
  const halves = (mask: PlateMask) => {
    const bits = film(scene, mask);
    const half = Math.floor(bits.width * 0.46);
    return [0, bits.width - half].map((x) =>
      share(cropBits(bits, { x, y: 0, width: half, height: bits.height })),
    );
  };
  it('keeps only one colour, or several', () => {
    const [red, blue] = halves(keep({ by: 'colour', colours: ['#c82828'], tolerance: 15 }));
    expect(red).toBeGreaterThan(0.4);
    expect(blue).toBe(0);
    const both = halves(keep({ by: 'colour', colours: ['#c82828', '#283cbe'], tolerance: 15 }));
    expect(Math.min(...both)).toBeGreaterThan(0.4);
    expect(Math.max(...halves(keep({ by: 'colour', colours: ['#00ff00'], tolerance: 15 })))).toBe(0);
  });
  it('keeps tones between two', () => {
    // ITU-R BT.709 greys: red 74, blue 63 of 255, so 71 and 75 % of ink.
    const [red, blue] = halves(keep({ by: 'tone', from: 60, to: 73 }));
    expect([red > 0.4, blue]).toEqual([true, 0]);
  });
  it('of an original that is gone keeps nothing', () => {
    expect(
      share(
        film(scene, maskOf([{ by: 'tone', mode: 'add', original: 'gone', from: 0, to: 100, softness: 0 }])),
      ),
    ).toBe(0);
  });
});

describe('any mask', () => {
  const dots = sceneOf(
    greyPicture(50, 40, (x) => 150 + x),
    sheet,
    { ruling: 16, angle: 30 },
  );
  const round = box(8, 6, 31.3, 27.1);
  it('keeps dots whole where that is wanted: no slivers', () => {
    const plain = film(dots);
    const whole = film(dots, maskOf([round], { wholeDots: true }));
    const rest: Bits = { ...plain, data: plain.data.map((byte, i) => byte & ~whole.data[i]) };
    expect(countPatches(whole) + countPatches(rest)).toBe(countPatches(plain));
    const cut = film(dots, maskOf([round]));
    const cutRest: Bits = { ...plain, data: plain.data.map((byte, i) => byte & ~cut.data[i]) };
    expect(countPatches(cut) + countPatches(cutRest)).toBeGreaterThan(countPatches(plain) + 15);
  });
  it.each<[string, PlateMask]>([
    ['hard', maskOf([round])],
    ['feathered', maskOf([{ ...round, feather: 6 }])],
    ['of whole dots', maskOf([round], { wholeDots: true })],
    [
      'by tone',
      maskOf([{ by: 'tone', mode: 'add', original: 'original-1', from: 25, to: 36, softness: 5 }, round]),
    ],
  ])('any region of a plate with one that is %s is that part of the whole', (_what, mask) => {
    const whole = film(dots, mask);
    const region = { x: 96, y: 71, width: 160, height: 120 };
    expect(Buffer.compare(film(dots, mask, region).data, cropBits(whole, region).data)).toBe(0);
  });
});
