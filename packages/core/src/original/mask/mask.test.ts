import { packedPoints } from '../../tone/stroke-points.ts';
import { bitAt, countInk, cropBits, type Bits } from '../../raster/bits.ts';
import type { Region } from '../../raster/region.ts';
import { filmFrame } from '../../recipe/frame.ts';
import { plateBits } from '../../plate/evaluate.ts';
import { originalPixels } from '../original-pixels.ts';
import type { OriginalRecipe } from '../../recipe/recipe.ts';
import type { Scene } from '../../recipe/scene.ts';
import type { Drawing } from '../../drawing/drawing.ts';
import { countPatches, dotScreen, greyPicture, sceneOf, tintGradient } from '../../testing.ts';
import type { Container } from '../../recipe/container.ts';
import type { Fade } from '../../recipe/fade.ts';

const sheet = { width: 60, height: 60, resolution: 300 };
const tone = (percent: number) => greyPicture(64, 64, () => Math.round(255 * (1 - percent / 100)));
const flat = tintGradient(40);
const fade: Fade = { by: 'gradient', gradient: flat, screen: dotScreen({ ruling: 12 }), strokes: [] };
const oval: Container = { shape: 'ellipse', path: null, margin: 0, edge: 'cut', feather: 0 };

/** A scene whose one original is changed. */
function with_(scene: Scene, change: Partial<OriginalRecipe>, more: Partial<Scene> = {}): Scene {
  const originals = scene.recipe.originals.map((one) => ({ ...one, ...change }));
  return { ...scene, ...more, recipe: { ...scene.recipe, originals } };
}

function film(scene: Scene, region?: Region): Bits {
  const frame = filmFrame(scene.recipe);
  return plateBits(scene, 0, frame, region ?? { x: 0, y: 0, width: frame.width, height: frame.height });
}

const PX = (60 / 25.4) * 300;

describe('a container', () => {
  const solid = sceneOf(tone(100), sheet);
  it.each([
    ['rectangle', 0, 1],
    ['ellipse', 0, Math.PI / 4],
    // Grown by 5 mm on every side, beyond the box and the sheet: only what is on the sheet is printed.
    ['ellipse', -10, (Math.PI / 4) * (40 / 60) ** 2],
    ['rectangle', -10, (40 / 60) ** 2],
  ] as const)('%s with a margin of %d mm inks its area', (shape, margin, share) => {
    const bits = film(with_(solid, { container: { ...oval, shape, margin } }));
    expect(countInk(bits) / PX ** 2).toBeCloseTo(share, 2);
  });
  it('goes on beyond its box by its margin', () => {
    const small = { x: 20, y: 20, width: 20, turn: 0, mirrored: false };
    const bits = film(with_(solid, { placement: small, container: { ...oval, margin: 6 } }));
    expect(countInk(bits) / PX ** 2).toBeCloseTo((Math.PI * 16 ** 2) / 60 ** 2, 2);
  });
  it('of a shape of one’s own is as large as fits, holes open', () => {
    const square = (x: number, y: number, side: number) => ({
      start: [x, y] as const,
      parts: [
        [x + side, y],
        [x + side, y + side],
        [x, y + side],
      ],
      closed: true,
    });
    const drawing: Drawing = {
      width: 10000,
      height: 5000,
      clips: [],
      shapes: [
        { contours: [square(0, 0, 5000), square(1000, 1000, 3000)], rule: 'evenodd', ink: true, clips: [] },
      ],
    };
    const container: Container = { ...oval, shape: 'path', path: 'shape' };
    const bits = film(with_(solid, { container }, { drawings: new Map([['shape', drawing]]) }));
    // The drawing is 60 × 30 mm, in the middle; its square 30 mm with a hole of 18.
    expect(countInk(bits) / PX ** 2).toBeCloseTo((30 ** 2 - 18 ** 2) / 60 ** 2, 2);
    const at = (x: number, y: number) => bitAt(bits, Math.floor((x / 60) * PX), Math.floor((y / 60) * PX));
    expect([at(3, 18), at(15, 30), at(45, 30)]).toEqual([1, 0, 0]);
    expect(() => film(with_(solid, { container }))).toThrow('container');
  });
  it('cuts dots at its edge, or keeps them whole', () => {
    const scene = sceneOf(tone(30), sheet, { ruling: 15, angle: 30 });
    const plain = film(scene);
    const whole = film(with_(scene, { container: { ...oval, edge: 'whole' } }));
    const cut = film(with_(scene, { container: oval }));
    const both: Bits = { ...plain, data: plain.data.map((byte, i) => byte & whole.data[i]) };
    expect(countInk(both)).toBe(countInk(whole));
    // Of whole dots, what is left out is whole dots too: neither part has more patches than together.
    const rest: Bits = { ...plain, data: plain.data.map((byte, i) => byte & ~whole.data[i]) };
    expect(countPatches(whole) + countPatches(rest)).toBe(countPatches(plain));
    const cutRest: Bits = { ...plain, data: plain.data.map((byte, i) => byte & ~cut.data[i]) };
    expect(countPatches(cut) + countPatches(cutRest)).toBeGreaterThan(countPatches(plain) + 20);
  });
  it('with a torn edge inks about its area, strays by half its depth at most, and is the same every time', () => {
    const torn = { depth: 3, grain: 2, seed: 5 };
    const small = { x: 10, y: 10, width: 40, turn: 0, mirrored: false };
    const round = (container: Container) => film(with_(solid, { placement: small, container }));
    const [smooth, made] = [round(oval), round({ ...oval, torn })];
    expect(Math.abs(countInk(made) / countInk(smooth) - 1)).toBeLessThan(0.03);
    expect(Buffer.compare(made.data, smooth.data)).not.toBe(0);
    expect(Buffer.compare(made.data, round({ ...oval, torn }).data)).toBe(0);
    expect(Buffer.compare(made.data, round({ ...oval, torn: { ...torn, seed: 6 } }).data)).not.toBe(0);
    // Off by up to half the depth each way: all within √2 of that from the circle of 20 mm.
    const [inner, outer] = [20 - 1.5 * Math.SQRT2, 20 + 1.5 * Math.SQRT2];
    for (let turn = 0; turn < 360; turn += 7) {
      const at = (r: number) => {
        const [x, y] = [30 + r * Math.cos(turn), 30 + r * Math.sin(turn)];
        return bitAt(made, Math.floor((x / 60) * PX), Math.floor((y / 60) * PX));
      };
      expect([at(inner - 0.2), at(outer + 0.2)]).toEqual([1, 0]);
    }
    const part = film(with_(solid, { placement: small, container: { ...oval, torn } }), {
      x: 120,
      y: 100,
      width: 200,
      height: 150,
    });
    expect(Buffer.compare(part.data, cropBits(made, { x: 120, y: 100, width: 200, height: 150 }).data)).toBe(
      0,
    );
  });
  it('knocks out of another ink’s plate along its own edge, not along that plate’s cells', () => {
    const scene = sceneOf(tone(100), sheet, { ruling: 15, angle: 30 });
    const [under] = scene.recipe.originals;
    const over = { ...under, id: 'original-2', route: { kind: 'ink', ink: 'ink-2' } as const };
    const red = (edge: Container['edge']) =>
      film({
        ...scene,
        recipe: {
          ...scene.recipe,
          originals: [under, { ...over, container: { ...oval, edge } }],
          inks: [...scene.recipe.inks, { ...scene.recipe.inks[0], id: 'ink-2' }],
        },
      });
    const knockedOut = red('whole');
    expect(1 - countInk(knockedOut) / PX ** 2).toBeCloseTo(Math.PI / 4, 2);
    expect(Buffer.compare(knockedOut.data, red('cut').data)).toBe(0);
  });
  it('keeps dots whole that stand out of the original’s own box, and are cut by nothing, whatever runs through them', () => {
    const screen = { ruling: 15, angle: 30 };
    const plain = film(sceneOf(tone(30), sheet, screen));
    const small = { x: 13, y: 11, width: 31, turn: 0, mirrored: false };
    const container: Container = { ...oval, shape: 'rectangle', edge: 'whole' };
    const whole = film(with_(sceneOf(tone(30), sheet, screen), { placement: small, container }));
    const rest: Bits = { ...plain, data: plain.data.map((byte, i) => byte & ~whole.data[i]) };
    expect(countInk(whole)).toBeGreaterThan(1000);
    expect(countInk(rest)).toBe(countInk(plain) - countInk(whole));
    expect(countPatches(whole) + countPatches(rest)).toBe(countPatches(plain));
    // Along the edge of a steep tone each dot is a circle of its middle's: as wide as it is high.
    const steep = greyPicture(64, 64, (x, y) => 4 * Math.min(63, (x + y) / 2));
    const bits = film(with_(sceneOf(steep, sheet, screen), { placement: small, container }));
    const region = { x: 40, y: 60, width: 220, height: 190 };
    const part = film(with_(sceneOf(steep, sheet, screen), { placement: small, container }), region);
    expect(Buffer.compare(part.data, cropBits(bits, region).data)).toBe(0);
  });
  it('feathered, fades over its width around the edge', () => {
    const scene = with_(solid, { container: { ...oval, margin: -10, feather: 8 } });
    const bits = film(scene);
    expect(countInk(bits) / PX ** 2).toBeCloseTo((Math.PI / 4) * (40 / 60) ** 2, 1);
    const row = (mm: number) => {
      const part = { x: Math.round((mm / 60) * PX) - 12, y: Math.round(PX / 2) - 60, width: 24, height: 120 };
      return countInk(film(scene, part)) / (24 * 120);
    };
    expect(row(20)).toBeGreaterThan(0.97);
    expect(row(10)).toBeGreaterThan(0.35);
    expect(row(10)).toBeLessThan(0.65);
    expect(row(3)).toBeLessThan(0.05);
  });
});

describe('a fade', () => {
  it('leaves a solid just its own dots', () => {
    const bits = film(with_(sceneOf(tone(100), sheet), { fade }));
    const dots = film(sceneOf(tone(40), sheet, { ruling: 12 }));
    expect(Math.abs(countInk(bits) / countInk(dots) - 1)).toBeLessThan(0.01);
    expect(Math.abs(countPatches(bits) - countPatches(dots))).toBeLessThan(60);
  });
  it('by its own tones is there where it is dark', () => {
    const halves = sceneOf(
      greyPicture(64, 64, (x) => (x < 32 ? 0 : 255)),
      sheet,
    );
    const alpha = (original: OriginalRecipe, x: number) =>
      originalPixels(original, halves, filmFrame(halves.recipe), { x, y: 300, width: 1, height: 1 }, 1)[3];
    const [original] = with_(halves, { fade: { ...fade, by: 'tone' } }).recipe.originals;
    expect([alpha(original, 100), alpha(original, 600)]).toEqual([255, 0]);
  });
  it('that is soft leaves a tone as much of itself as the gradient says', () => {
    // A tone of 80 % under a fade of 40 % prints as a flat 32 %.
    const scene = with_(sceneOf(tone(80), sheet, { ruling: 30 }), { fade: { ...fade, soft: true } });
    expect(countInk(film(scene)) / PX ** 2).toBeCloseTo(0.32, 2);
    const [original] = scene.recipe.originals;
    const at = { x: 100, y: 300, width: 40, height: 1 };
    const rgba = originalPixels(original, scene, filmFrame(scene.recipe), at, 1);
    for (let i = 3; i < rgba.length; i += 4) expect(Math.abs(rgba[i] - 0.4 * 255)).toBeLessThanOrEqual(1);
  });
  it('takes dots painted in and out', () => {
    const stroke = (x: number, strength: number) => ({
      points: packedPoints([
        [x, 0.2, 1],
        [x, 0.8, 1],
      ]),
      radius: 0.1,
      strength,
      softness: 0,
    });
    const bits = film(
      with_(sceneOf(tone(100), sheet), {
        fade: { ...fade, strokes: [stroke(0.25, -100), stroke(0.75, 100)] },
      }),
    );
    const share = (mm: number) =>
      countInk(cropBits(bits, { x: Math.round((mm / 60) * PX) - 30, y: 250, width: 60, height: 200 })) /
      12000;
    expect([share(15), share(45)]).toEqual([0, 1]);
    expect(share(30)).toBeGreaterThan(0.3);
  });
});

describe('everything an original is seen through', () => {
  const cut = {
    by: 'brightness' as const,
    colour: '#ffffff',
    place: { x: 0, y: 0 },
    tolerance: 5,
    connected: false,
    from: 0,
    to: 30,
    specks: 4,
    choke: 1,
    softness: 3,
    strokes: [],
  };
  const scene = sceneOf(
    greyPicture(200, 200, (x, y) => (x * 5 + ((y * 7) % 90)) % 256),
    sheet,
    { ruling: 20, angle: 22 },
  );
  const [original] = scene.recipe.originals;
  const content = { ...(original.content as Extract<OriginalRecipe['content'], { kind: 'picture' }>), cut };
  const mix = { screen: dotScreen({ ruling: 8 }), blend: 'overlay' as const, strength: 60 };
  it.each([
    ['cut-out', { content }],
    ['cut container', { container: { ...oval, margin: -3 } }],
    ['container of whole dots', { container: { ...oval, edge: 'whole' as const } }],
    ['feathered container', { container: { ...oval, margin: -6, feather: 5 } }],
    ['fade', { fade }],
    ['mix', { mix }],
    [
      'all of it, turned',
      { content, fade, mix, container: oval, placement: { x: 9, y: 7, width: 44, turn: 17, mirrored: true } },
    ],
  ])('%s: a region is that part of the whole, bit for bit', (_what, change) => {
    const changed = with_(scene, change);
    const whole = film(changed);
    for (const region of [
      { x: 101, y: 53, width: 257, height: 131 },
      { x: 0, y: 500, width: 709, height: 77 },
    ]) {
      expect(Buffer.compare(film(changed, region).data, cropBits(whole, region).data)).toBe(0);
    }
  });
});

describe('bleed', () => {
  it('widens the film on every side and moves nothing on the sheet', () => {
    const scene = sceneOf(
      greyPicture(60, 60, (x, y) => (x === 30 && y === 20 ? 0 : 255)),
      { width: 60, height: 60, resolution: 254 },
      { ruling: 60 },
    );
    const wide: Scene = { ...scene, recipe: { ...scene.recipe, sheet: { ...scene.recipe.sheet, bleed: 3 } } };
    const frame = filmFrame(wide.recipe);
    expect([frame.width, frame.height]).toEqual([660, 660]);
    const middle = (bits: Bits) => {
      let [x, y, count] = [0, 0, 0];
      for (let j = 0; j < bits.height; j++) {
        for (let i = 0; i < bits.width; i++) if (bitAt(bits, i, j)) [x, y, count] = [x + i, y + j, count + 1];
      }
      return [x / count, y / count];
    };
    const [before, after] = [middle(film(scene)), middle(film(wide))];
    expect(after[0] - before[0]).toBeCloseTo(30, 0);
    expect(after[1] - before[1]).toBeCloseTo(30, 0);
  });
});

describe('whole dots of large cells', () => {
  // 150 pixels a cell.
  const scene = with_(
    sceneOf(
      greyPicture(200, 200, (x, y) => (x + y) % 256),
      sheet,
      { ruling: 2, angle: 22 },
    ),
    { container: { ...oval, edge: 'whole' } },
  );
  it('stand whole at the container’s edge, each the screen’s own shape', () => {
    const plain = film(with_(scene, { container: null }));
    const whole = film(scene);
    const cut = film(with_(scene, { container: oval }));
    // More or less than the container: never its outline.
    expect(countInk(whole)).not.toBe(countInk(cut));
    expect(countPatches(whole)).toBeLessThan(countPatches(plain));
    expect(countPatches(whole)).toBeGreaterThan(8);
  });
  it('a region is that part of the whole, bit for bit', () => {
    const whole = film(scene);
    for (const region of [
      { x: 101, y: 53, width: 257, height: 131 },
      { x: 0, y: 640, width: 709, height: 69 },
    ])
      expect(Buffer.compare(film(scene, region).data, cropBits(whole, region).data)).toBe(0);
  });
});
