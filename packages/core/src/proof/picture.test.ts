import { hexToLab, labToHex } from '../colour/lab.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen } from '../screen/screen.ts';
import { plateBits } from '../plate/evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { bitAt } from '../raster/bits.ts';
import { greyPicture, sceneOf, testInk } from '../testing.ts';
import { picture, pictureSize, type PictureWish } from './picture.ts';
import { PLAIN_LOOK, pressProof } from './press-proof.ts';
import { plainStock } from './transparent-proof.ts';

/** A white that covers, a transparent blue and a red between, on a stock that is no grey; bare in one corner. */
function scene(stock = '#d9c7a0', resolution = 300): Scene {
  const base = sceneOf(
    greyPicture(240, 160, (x, y) => (x < 80 && y < 60 ? 255 : (x * 2 + y) % 256)),
    { width: 50, height: 36, resolution },
  );
  const [original] = base.recipe.originals;
  const inks = [
    testInk('ink-1', hexToLab('#f7f5ef'), 1),
    testInk('ink-2', hexToLab('#1e63a8'), 0),
    testInk('ink-3', hexToLab('#d23c2e'), 0.5),
  ];
  return {
    ...base,
    recipe: {
      ...base.recipe,
      sheet: { ...base.recipe.sheet, bleed: 2 },
      stock: plainStock({ ...base.recipe.stock, lab: hexToLab(stock) }),
      inks,
      originals: inks.map(({ id }) => ({
        ...original,
        id,
        route: { kind: 'ink', ink: id },
        overprint: true,
      })),
      plates: inks.map(({ id }, i) =>
        plainPlate(`plate-${i}`, id, newScreen('dots', { ruling: 20, angle: 15 + 30 * i })),
      ),
    },
  };
}

function made(of: Scene, wish: PictureWish, plates = [0, 1, 2]) {
  const { columns, rows } = pictureSize(of.recipe.sheet, wish);
  const rgba = new Uint8ClampedArray(columns * rows * 4);
  let next = 0;
  for (const { band, rgba: part } of picture(of, plates, wish)) {
    expect(band.y).toBe(next);
    next += band.height;
    rgba.set(part, band.y * columns * 4);
  }
  expect(next).toBe(rows);
  return { columns, rows, rgba };
}

const WISH: PictureWish = { ppi: 90, transparent: false, bleed: false };

it.each([
  ['on a light stock', '#d9c7a0', 90],
  ['on black cloth', '#17181a', 90],
  ['enlarged', '#d9c7a0', 600],
])('a clear picture laid on its stock is the opaque one within 1/255, %s', (_name, stock, ppi) => {
  const opaque = made(scene(stock, 150), { ...WISH, ppi });
  const clear = made(scene(stock, 150), { ...WISH, ppi, transparent: true });
  const ground = [1, 3, 5].map((at) => Number.parseInt(labToHex(hexToLab(stock)).slice(at, at + 2), 16));
  let worst = 0;
  let [bare, half] = [0, 0];
  for (let i = 0; i < clear.rgba.length; i += 4) {
    const share = clear.rgba[i + 3] / 255;
    if (share === 0) bare++;
    if (share > 0.05 && share < 0.95) half++;
    for (let k = 0; k < 3; k++) {
      const laid = clear.rgba[i + k] * share + ground[k] * (1 - share);
      worst = Math.max(worst, Math.abs(laid - opaque.rgba[i + k]));
    }
  }
  // A step of eight bits, rounded twice.
  expect(worst).toBeLessThanOrEqual(1.01);
  // The corner that was left bare, and more.
  expect(bare).toBeGreaterThan(clear.rgba.length / 4 / 16);
  expect(ppi > 150 ? bare : half).toBeGreaterThan(clear.rgba.length / 4 / 20);
});

it('film pixels that are enlarged are squares of whole pixels with hard edges, in the ink’s colour or clear', () => {
  const of = scene('#ffffff', 50);
  const wish = { ppi: 210, transparent: true, bleed: true };
  const { columns, rows, rgba } = made(of, wish, [1]);
  expect(pictureSize(of.recipe.sheet, wish)).toEqual({ columns, rows, ppi: 200, times: 4 });
  const frame = filmFrame(of.recipe);
  expect([columns, rows]).toEqual([4 * frame.width, 4 * frame.height]);
  const bits = plateBits(of, 1, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < columns; x++)
      if (rgba[4 * (y * columns + x) + 3] !== 255 * bitAt(bits, x >> 2, y >> 2))
        throw new Error(`Not the film’s pixel at ${x} ${y}.`);
});

it('bands meet without a seam: one by one they are the whole', () => {
  const of = scene('#d9c7a0', 2400);
  const recipe = { ...of.recipe, stock: { ...of.recipe.stock, yuleNielsen: 1.7 } };
  const wish = { ...WISH, ppi: 900, bleed: true };
  const { columns, rows, rgba } = made({ ...of, recipe }, wish);
  expect(columns * rows).toBeGreaterThan(2 ** 21);
  const frame = filmFrame(recipe);
  const view = { x: 0, y: 0, width: frame.width, height: frame.height, columns, rows };
  const first = Math.floor(2 ** 21 / columns) - 20;
  const whole = pressProof(
    { scene: { ...of, recipe }, frame, view, rows: { first, count: 40 }, plates: [0, 1, 2] },
    PLAIN_LOOK,
  );
  const part = rgba.subarray(first * columns * 4, (first + 40) * columns * 4);
  let worst = 0;
  for (let i = 0; i < part.length; i++) worst = Math.max(worst, Math.abs(part[i] - whole.rgba[i]));
  expect(worst).toBeLessThanOrEqual(1);
});

it('sizes are those of the trimmed sheet, or with the bleed', () => {
  const { sheet } = scene('#ffffff', 1200).recipe;
  expect(pictureSize(sheet, { ppi: 254, bleed: false })).toMatchObject({ columns: 500, rows: 360 });
  expect(pictureSize(sheet, { ppi: 254, bleed: true })).toMatchObject({ columns: 540, rows: 400 });
});
