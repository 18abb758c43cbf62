import sharp from 'sharp';
import { hexToLab } from '../colour/lab.ts';
import { composedArt } from '../plate/composed-art.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Picture } from '../raster/picture.ts';
import { buildPyramid } from '../raster/pyramid.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import type { OriginalRecipe } from '../recipe/recipe.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen } from '../screen/screen.ts';
import type { StockRoute } from '../separation/routes/stock.ts';
import { greyPicture, sceneOf, testInk, toneOf, toneStep } from '../testing.ts';
import { coloursAt } from './colours-at.ts';
import type { View } from './plates-view.ts';
import { PLAIN_LOOK, pressProof, type ProofLook } from './press-proof.ts';
import { transparentProof } from './transparent-proof.ts';

const INKS = [testInk('ink-1', hexToLab('#f7f5ef'), 1), testInk('ink-2', hexToLab('#1e63a8'), 0)];

/** A wavy picture in a covering and a transparent ink, each screened. */
function printed(stock: string, yuleNielsen = 1): Scene {
  const base = sceneOf(
    greyPicture(240, 160, (x, y) => (x * 2 + y) % 256),
    { width: 48, height: 32, resolution: 300 },
  );
  const [original] = base.recipe.originals;
  return {
    ...base,
    recipe: {
      ...base.recipe,
      stock: { ...base.recipe.stock, lab: hexToLab(stock), texture: 'smooth', soak: 0, yuleNielsen },
      inks: INKS,
      originals: INKS.map(({ id }) => ({
        ...original,
        id,
        route: { kind: 'ink', ink: id },
        overprint: true,
      })),
      plates: INKS.map(({ id }, i) =>
        plainPlate(`plate-${i}`, id, newScreen('dots', { ruling: 20, angle: 15 + 30 * i })),
      ),
    },
  };
}

const colourPicture = (of: (x: number, y: number) => readonly number[]): Picture => {
  const data = new Uint8Array(240 * 160 * 4);
  for (let i = 0; i < 240 * 160; i++) data.set(of(i % 240, Math.floor(i / 240)), 4 * i);
  return { width: 240, height: 160, channels: 4, data };
};

/** The same with a picture on the stock that fills the sheet. */
function withGround(
  scene: Scene,
  ground: Picture,
  route: Partial<StockRoute> = {},
  change: Partial<OriginalRecipe> = {},
): Scene {
  const [original] = scene.recipe.originals;
  const laid: OriginalRecipe = {
    ...original,
    id: 'ground',
    content: { ...original.content, picture: 'ground' } as OriginalRecipe['content'],
    overprint: false,
    route: { kind: 'stock', blend: 'normal', opacity: 100, ...route },
    ...change,
  };
  return {
    ...scene,
    pictures: new Map([...scene.pictures, ['ground', buildPyramid(ground)]]),
    recipe: { ...scene.recipe, originals: [...scene.recipe.originals, laid] },
  };
}

function shown(
  scene: Scene,
  columns: number,
  plates = [0, 1],
  look: ProofLook = PLAIN_LOOK,
): Uint8ClampedArray {
  const frame = filmFrame(scene.recipe);
  const rows = Math.round((columns * frame.height) / frame.width);
  const view: View = { x: 0, y: 0, width: frame.width, height: frame.height, columns, rows };
  return pressProof({ scene, frame, view, rows: { first: 0, count: rows }, plates }, look).rgba;
}

const worst = (a: Uint8ClampedArray, b: ArrayLike<number>): number =>
  a.reduce((most, one, i) => Math.max(most, Math.abs(one - b[i])), 0);

const FLAT = [0xc8, 0x52, 0x31, 255];

describe('inks over what is on the stock', () => {
  it.each([
    ['without light that spreads', 1, 200, 1],
    ['with light that spreads, and a covering ink', 2, 200, 2],
    ['every dot', 1, 1800, 1],
  ])('look as on a stock of that colour, %s', (_name, n, columns, most) => {
    const want = shown(printed('#c85231', n), columns);
    const found = shown(
      withGround(
        printed('#ffffff', n),
        colourPicture(() => FLAT),
      ),
      columns,
    );
    expect(worst(found, want)).toBeLessThanOrEqual(most);
  });
  it('look as on a stock of that colour to the digit where light spreads and inks are transparent', () => {
    const want = shown(printed('#c85231', 2), 200, [1]);
    expect(
      worst(
        shown(
          withGround(
            printed('#ffffff', 2),
            colourPicture(() => FLAT),
          ),
          200,
          [1],
        ),
        want,
      ),
    ).toBeLessThanOrEqual(1);
  });
  it('on a black stock are no lighter where nothing is on it', () => {
    const half = colourPicture((x) => (x < 120 ? FLAT : [0, 0, 0, 0]));
    const [want, found] = [shown(printed('#17171a'), 200), shown(withGround(printed('#17171a'), half), 200)];
    let most = 0;
    for (let i = 0; i < want.length; i++)
      if ((i >> 2) % 200 > 110) most = Math.max(most, Math.abs(want[i] - found[i]));
    expect(most).toBeLessThanOrEqual(1);
  });
  it('read as they print there', () => {
    const scene = withGround(
      printed('#ffffff'),
      colourPicture(() => FLAT),
    );
    const frame = filmFrame(scene.recipe);
    const plain = printed('#c85231');
    const [a, b] = [scene, plain].map((one) => coloursAt(one, frame, 200, 120));
    a.printed.forEach((one, k) => expect(one).toBeCloseTo(b.printed[k], 1));
    expect(a.asked).toEqual(b.asked);
  });
});

describe('what is on the stock', () => {
  const soft = colourPicture((x, y) => [x, 255 - y, (x + y) >> 1, y < 80 ? 255 : 128]);
  const opaque = colourPicture((x, y) => [x, 255 - y, (x + y) >> 1, 255]);
  it.each([
    ['over', 60],
    ['multiply', 100],
    ['soft-light', 100],
    ['difference', 100],
  ] as const)('blends with its colour as libvips has it: %s at %d %', async (blend, opacity) => {
    // The library weighs blends of clear pixels by their alpha twice; opaque ones it blends as the specification has it.
    const laid = blend === 'over' ? soft : opaque;
    const scene = withGround(printed('#d9c7a0'), laid, {
      blend: blend === 'over' ? 'normal' : blend,
      opacity,
    });
    const found = shown(scene, 240, []);
    const height = found.length / 4 / 240;
    const source = Buffer.from(laid.data);
    for (let i = 3; i < source.length; i += 4) source[i] = Math.round((source[i] * opacity) / 100);
    const { data } = await sharp({
      create: { width: 240, height: 160, channels: 3, background: '#d9c7a0' },
    })
      .composite([{ input: source, raw: { width: 240, height: 160, channels: 4 }, blend }])
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    let most = 0;
    for (let y = 2; y < Math.min(height, 158); y++) {
      if (Math.abs(y - 80) < 3) continue;
      for (let x = 2; x < 238; x++) {
        for (let k = 0; k < 3; k++)
          most = Math.max(most, Math.abs(found[4 * (y * 240 + x) + k] - data[3 * (y * 240 + x) + k]));
      }
    }
    expect(most).toBeLessThanOrEqual(3);
  });
  it('is seen through its tone steps', () => {
    const tone = toneOf(toneStep('invert'));
    const found = shown(
      withGround(
        printed('#ffffff'),
        colourPicture(() => FLAT),
        {},
        { tone },
      ),
      100,
      [],
    );
    expect([...found.slice(4 * 5050, 4 * 5050 + 3)]).toEqual(FLAT.slice(0, 3).map((one) => 255 - one));
  });
  it('is on no film, and knocks nothing out', () => {
    const scene = printed('#ffffff');
    const frame = filmFrame(scene.recipe);
    const region = { x: 0, y: 0, width: frame.width, height: frame.height };
    const grounded = withGround(scene, soft);
    for (const plate of [0, 1]) {
      expect(plateBits(grounded, plate, frame, region).data).toEqual(
        plateBits(scene, plate, frame, region).data,
      );
      expect(composedArt(grounded, plate, frame, region)).toEqual(composedArt(scene, plate, frame, region));
    }
  });
  it('is in a clear picture, and laid on the stock it is the opaque one', () => {
    const scene = withGround(printed('#d9c7a0'), soft, { blend: 'multiply' });
    const frame = filmFrame(scene.recipe);
    const view: View = { x: 0, y: 0, width: frame.width, height: frame.height, columns: 240, rows: 160 };
    const request = { scene, frame, view, rows: { first: 0, count: 160 }, plates: [0, 1] };
    const clear = transparentProof(request);
    const opaque = pressProof(request, PLAIN_LOOK).rgba;
    const stock = [0xd9, 0xc7, 0xa0];
    let most = 0;
    for (let i = 0; i < clear.length; i++) {
      if (i % 4 === 3) continue;
      const alpha = clear[i - (i % 4) + 3] / 255;
      most = Math.max(most, Math.abs(stock[i % 4] + (clear[i] - stock[i % 4]) * alpha - opaque[i]));
    }
    expect(most).toBeLessThanOrEqual(1);
  });
});
