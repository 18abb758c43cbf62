import { linearOf8, srgbToLinear } from '../colour/srgb.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import type { Picture } from '../raster/picture.ts';
import { filmFrame } from '../recipe/frame.ts';
import type { Scene } from '../recipe/scene.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { PLAIN_LOOK, pressProof } from './press-proof.ts';

const sheet = { width: 30, height: 20, resolution: 300 };
const base = sceneOf(
  greyPicture(60, 40, (x) => (x < 30 ? 0 : 255)),
  sheet,
  { ruling: 20 },
);

/** Kraft on the left half of it, white on the right. */
const halves: Picture = {
  width: 40,
  height: 20,
  channels: 3,
  data: Uint8Array.from({ length: 40 * 20 * 3 }, (_, i) =>
    Math.floor(i / 3) % 40 < 20 ? [204, 153, 102][i % 3] : 255,
  ),
};

function withPicture(width: number, strength: number, opacity = 0): Scene {
  const { recipe } = base;
  return {
    ...base,
    recipe: {
      ...recipe,
      inks: recipe.inks.map((ink) => ({ ...ink, opacity })),
      stock: { ...recipe.stock, picture: { picture: 'paper', width, strength } },
    },
    pictures: new Map([...base.pictures, ['paper', buildPyramid(halves)]]),
  };
}

/** The print 120 × 80 screen pixels large, 4 a millimetre. */
function seen(scene: Scene, look = PLAIN_LOOK, draft = false, part = 1): Uint8ClampedArray {
  const frame = { ...filmFrame(scene.recipe), ...(draft ? { draft } : {}) };
  const [width, height] = [frame.width * part, frame.height * part];
  const view = { x: 0, y: 0, width, height, columns: 120, rows: 80 };
  return pressProof({ scene, plates: [0], frame, view, rows: { first: 0, count: 80 } }, look).rgba;
}
const at = (rgba: Uint8ClampedArray, x: number, y: number) => [
  ...rgba.slice(4 * (y * 120 + x), 4 * (y * 120 + x) + 3),
];

describe('a picture of the stock', () => {
  const bare = seen(base);
  it.each([100, 40, 0])('at %d %% is multiplied over all that is seen, in linear light', (strength) => {
    // 30 mm wide: kraft over the left half, where solid ink is; white over the bare right.
    const rgba = seen(withPicture(30, strength, 1));
    for (const [x, y] of [
      [20, 30],
      [100, 30],
    ]) {
      const factors = (x < 60 ? [204, 153, 102] : [255, 255, 255]).map(
        (level) => 1 - (strength / 100) * (1 - srgbToLinear(level / 255)),
      );
      at(rgba, x, y).forEach((level, k) => {
        expect(Math.abs(linearOf8(level) - linearOf8(at(bare, x, y)[k]) * factors[k])).toBeLessThan(0.005);
      });
    }
  });
  it('repeats itself mirrored, so that no seam is seen', () => {
    // 10 mm wide on a bare sheet: kraft, white | white, kraft | kraft, white.
    const clear = { ...withPicture(10, 100), pictures: new Map() };
    const scene = {
      ...clear,
      recipe: { ...clear.recipe, originals: [] },
      pictures: withPicture(10, 100).pictures,
    };
    const rgba = seen(scene);
    expect([10, 30, 50, 70, 90, 110].map((x) => at(rgba, x, 10)[2] < 150)).toEqual([
      true,
      false,
      false,
      true,
      true,
      false,
    ]);
  });
  it('is there in a first picture, and from afar', () => {
    const scene = withPicture(30, 100);
    const exact = at(seen(scene), 100, 30);
    const [draft, far] = [seen(scene, PLAIN_LOOK, true), seen(scene, { ...PLAIN_LOOK, distance: 3 })];
    at(draft, 100, 30).forEach((level, k) => expect(Math.abs(level - exact[k])).toBeLessThanOrEqual(2));
    expect(at(far, 20, 30)[2]).toBeLessThanOrEqual(at(far, 20, 30)[0]);
  });
  it('that is not at hand is asked for', () => {
    const scene = withPicture(30, 100);
    expect(() => seen({ ...scene, pictures: base.pictures })).toThrow('picture');
  });
});

it('a surface is seen as strongly as it is wanted', () => {
  const surface = (textureStrength: number) => {
    const { recipe } = base;
    const stock = { ...recipe.stock, texture: 'cloth' as const, textureStrength };
    const rgba = seen({ ...base, recipe: { ...recipe, originals: [], stock } }, PLAIN_LOOK, false, 0.1);
    const levels = Array.from({ length: 120 * 80 }, (_, i) => rgba[4 * i]);
    return Math.max(...levels) - Math.min(...levels);
  };
  expect(surface(0)).toBe(0);
  expect(surface(100)).toBeGreaterThan(5);
  expect(surface(300)).toBeGreaterThan(2 * surface(100));
});
