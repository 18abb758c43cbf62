import { difference2000 } from '../colour/difference.ts';
import { linearToLab, type Lab } from '../colour/lab.ts';
import { linearOf8 } from '../colour/srgb.ts';
import { inkModel, predict } from '../ink/model.ts';
import { textureAt } from '../ink/texture.ts';
import { screenTransfer } from '../screen/screen.ts';
import { SOLID } from '../raster/plane.ts';
import { dotScreen, greyPicture, sceneOf, testInk } from '../testing.ts';
import { plainPlate, WHITE_STOCK } from '../recipe/plain-plate.ts';
import { STRAIGHT } from '../tone/curve.ts';
import { blurLight } from './blur-light.ts';
import { filmFrame, frameOf } from '../recipe/frame.ts';
import { eyeBlur, misregistered, PLAIN_LOOK, pressProof } from './press-proof.ts';
import type { Shown, View } from './plates-view.ts';
import type { Scene } from '../recipe/scene.ts';

/**
 * A flat tint of four inks, each with a share of the tone of its own. Rulings differ, so that the screens know nothing of one
 * another, as the model has it: of equal rulings 30° apart, three lock into a rosette. The inks lie within sRGB.
 */
function tint(
  yuleNielsen: number,
  part: Partial<Scene['recipe']['stock']> = {},
  shares = [62, 35, 48, 20],
): Scene {
  const base = sceneOf(
    greyPicture(8, 8, () => 0),
    { width: 30, height: 30, resolution: 600 },
  );
  const labs: Lab[] = [
    [62, -18, -26],
    [58, 40, 0],
    [86, -2, 45],
    [24, 0, 0],
  ];
  const ids = ['c', 'm', 'y', 'k'];
  return {
    ...base,
    recipe: {
      ...base.recipe,
      stock: { ...WHITE_STOCK, lab: [94, 0, 3], yuleNielsen, ...part },
      inks: ids.map((id, i) => testInk(id, labs[i])),
      plates: ids.map((id, i) =>
        plainPlate(id, id, dotScreen({ ruling: [50, 47, 54, 43][i], angle: [15, 75, 0, 45][i] })),
      ),
      originals: base.recipe.originals.map((one) => ({
        ...one,
        route: {
          kind: 'tones' as const,
          inks: ids.map((ink, i) => ({ ink, curve: [STRAIGHT[0], { in: 100, out: shares[i] }] })),
        },
      })),
    },
  };
}

const whole = (scene: Scene, columns: number): View => {
  const { width, height } = filmFrame(scene.recipe);
  return { x: 0, y: 0, width, height, columns, rows: columns };
};

/** Mean colour of a picture, in linear light. */
function meanLab({ rgba }: Pick<Shown, 'rgba'>): Lab {
  const sums = [0, 0, 0];
  for (let i = 0; i < rgba.length; i += 4) for (let k = 0; k < 3; k++) sums[k] += linearOf8(rgba[i + k]);
  const [r, g, b] = sums.map((sum) => sum / (rgba.length / 4));
  return linearToLab(r, g, b);
}

const shown = (scene: Scene, view: View, look = PLAIN_LOOK, first = 0, count = view.rows): Shown =>
  pressProof(
    {
      scene,
      frame: filmFrame(scene.recipe),
      view,
      rows: { first, count },
      plates: scene.recipe.plates.map((_, i) => i),
    },
    look,
  );

describe('the proof of a flat tint', () => {
  it.each([
    ['light that stays where it is', 1],
    ['light that spreads in the stock', 1.8],
  ])('%s: is the colour the ink model predicts, within 0.5 ΔE00 at any zoom', (_, spread) => {
    const scene = tint(spread);
    const { stock, inks } = scene.recipe;
    const model = inkModel(stock, inks);
    const wanted = predict(
      model,
      [62, 35, 48, 20].map(
        (share, i) =>
          screenTransfer(scene.recipe.plates[i].screen).made(Math.round((share / 100) * SOLID)) / SOLID,
      ),
    );
    // A good many cells to a screen pixel, one, some screen pixels to a film pixel.
    for (const columns of [24, 150, 420]) {
      expect(difference2000(meanLab(shown(scene, whole(scene, columns))), wanted)).toBeLessThan(0.5);
    }
    const near: View = { x: 100, y: 100, width: 360, height: 360, columns: 720, rows: 720 };
    expect(difference2000(meanLab(shown(scene, near)), wanted)).toBeLessThan(0.5);
  });
  // Shares between the sixteenths that pixels of a few dots are told apart in: slow tones must not come out in steps.
  it.each([
    ['four inks', 1, [62, 35, 48, 20]],
    ['four inks in between', 1, [59, 28, 41, 9]],
    ['one ink', 1.8, [0, 0, 0, 47]],
    ['one ink, a little more of it', 1.8, [0, 0, 0, 49]],
    ['two inks', 1.8, [0, 91, 34, 0]],
  ])('a first picture has that colour, and says what is inked: %s', (_, spread, shares) => {
    const scene = tint(spread, {}, shares);
    const { stock, inks, sheet, plates } = scene.recipe;
    const draft = { ...frameOf(sheet, 240), draft: true };
    const view = { x: 0, y: 0, width: 280, height: 280, columns: 140, rows: 140 };
    const printed = plates.flatMap((_plate, i) => (shares[i] > 0 ? [i] : []));
    const made = pressProof(
      { scene, frame: draft, view, rows: { first: 0, count: 140 }, plates: printed },
      PLAIN_LOOK,
    );
    made.inked.forEach((share, k) => expect(share).toBeCloseTo(shares[printed[k]] / 100, 3));
    const wanted = predict(
      inkModel(stock, inks),
      shares.map((share) => share / 100),
    );
    expect(difference2000(meanLab(made), wanted)).toBeLessThan(0.3);
  });
  it('a first picture without plates is bare stock', () => {
    const scene = tint(1.8);
    const { sheet, stock } = scene.recipe;
    const frame = { ...frameOf(sheet, 240), draft: true };
    const view = { x: 0, y: 0, width: 280, height: 280, columns: 140, rows: 140 };
    const made = pressProof({ scene, frame, view, rows: { first: 0, count: 140 }, plates: [] }, PLAIN_LOOK);
    expect(made.inked).toEqual([]);
    expect(difference2000(meanLab(made), stock.lab)).toBeLessThan(0.5);
  });
  it('drawn in parts is the whole, with all that reaches across', () => {
    const scene = tint(1.8, { texture: 'paper', soak: 0.1 });
    const view = whole(scene, 120);
    const all = shown(scene, view).rgba;
    const part = shown(scene, view, PLAIN_LOOK, 40, 25).rgba;
    expect(part).toEqual(all.slice(40 * 120 * 4, 65 * 120 * 4));
    // Strip by strip, down or up, each reaches into the one before; another scene in between is another.
    const other = { ...scene, recipe: { ...scene.recipe, stock: { ...scene.recipe.stock, soak: 0.3 } } };
    for (const order of [
      [40, 50, 60, 70],
      [70, 60, 50, 40],
      [40, 60, 50],
    ]) {
      for (const first of order) {
        if (first === 50) expect(shown(other, view, PLAIN_LOOK, first, 10).rgba).not.toEqual(part);
        expect(shown(scene, view, PLAIN_LOOK, first, 10).rgba).toEqual(
          all.slice(first * 120 * 4, (first + 10) * 120 * 4),
        );
      }
    }
  });
});

describe('looking at a proof', () => {
  it('from afar dots run together, and the light stays the same', () => {
    const scene = tint(1);
    const view: View = { x: 100, y: 100, width: 400, height: 400, columns: 200, rows: 200 };
    const near = shown(scene, view);
    const far = shown(scene, view, { ...PLAIN_LOOK, distance: 8 });
    const spreadOf = ({ rgba }: Shown) => {
      let [sum, squares] = [0, 0];
      for (let i = 1; i < rgba.length; i += 4) {
        sum += rgba[i];
        squares += rgba[i] ** 2;
      }
      const count = rgba.length / 4;
      return Math.sqrt(squares / count - (sum / count) ** 2);
    };
    expect(spreadOf(near)).toBeGreaterThan(15);
    expect(spreadOf(far)).toBeLessThan(2);
    expect(difference2000(meanLab(near), meanLab(far))).toBeLessThan(0.5);
  });
  it('a minute of arc is 1 mm at 3.4 m (common practice, no source)', () => {
    expect(eyeBlur(3.4377) * 2.3548).toBeCloseTo(1, 3);
    expect(eyeBlur(0)).toBe(0);
  });
  it('poor register stays within what is allowed, is another on the next sheet, and the same again for the same one', () => {
    const { recipe } = tint(1);
    const first = misregistered(recipe, 0.5, 3);
    expect(misregistered(recipe, 0.5, 3)).toEqual(first);
    expect(misregistered(recipe, 0.5, 4)).not.toEqual(first);
    expect(misregistered(recipe, 0, 3)).toBe(recipe);
    // The first one down is what the others are fitted to.
    expect(first.plates[0].shift).toEqual({ x: 0, y: 0, turn: 0 });
    let moved = 0;
    for (let seed = 1; seed < 40; seed++) {
      for (const { shift } of misregistered(recipe, 0.5, seed).plates) {
        expect(Math.abs(shift.x)).toBeLessThanOrEqual(0.5);
        expect(Math.abs(shift.y)).toBeLessThanOrEqual(0.5);
        moved = Math.max(moved, Math.abs(shift.x));
      }
    }
    expect(moved).toBeGreaterThan(0.4);
  });
  it('paper, card and cloth are seen where there is room for them, always the same, and take no light away', () => {
    for (const texture of ['paper', 'card', 'cloth'] as const) {
      const at = Array.from({ length: 4000 }, (_, i) =>
        textureAt(texture, (i % 80) * 0.13, Math.floor(i / 80) * 0.17, 20),
      );
      const mean = at.reduce((sum, one) => sum + one, 0) / at.length;
      expect(Math.abs(mean - 1)).toBeLessThan(0.02);
      expect(Math.max(...at) - Math.min(...at)).toBeGreaterThan(0.02);
      expect(textureAt(texture, 1.3, 2.7, 20)).toBe(textureAt(texture, 1.3, 2.7, 20));
    }
    expect(textureAt('smooth', 1, 1, 20)).toBe(1);
    // Threads finer than the screen would only make false patterns.
    const far = Array.from({ length: 500 }, (_, i) => textureAt('cloth', i * 0.37, i * 0.11, 1));
    expect(Math.max(...far) - Math.min(...far)).toBeLessThan(0.045);
  });
  it('a blended ink runs across the sheet, its film the same', () => {
    const base = sceneOf(
      greyPicture(8, 8, () => 0),
      { width: 40, height: 20, resolution: 100 },
    );
    const fountain = {
      angle: 0,
      stops: [
        { at: 0, lab: [40, 50, 0] as Lab },
        { at: 100, lab: [40, -40, 20] as Lab },
      ],
    };
    const scene: Scene = {
      ...base,
      recipe: { ...base.recipe, inks: [{ ...base.recipe.inks[0], fountain }] },
    };
    const { rgba } = shown(scene, { ...whole(scene, 40), rows: 20 });
    const lab = (x: number) =>
      linearToLab(
        ...([0, 1, 2].map((k) => linearOf8(rgba[(10 * 40 + x) * 4 + k])) as [number, number, number]),
      );
    expect(difference2000(lab(0), [40, 49, 0.3])).toBeLessThan(2);
    expect(difference2000(lab(39), [40, -39, 19.7])).toBeLessThan(2);
    expect(difference2000(lab(20), [40, 5, 10])).toBeLessThan(3);
  });
});

describe('blurred light', () => {
  it('keeps flat what is flat, and all the light of a point', () => {
    const flat = blurLight(new Float32Array(900).fill(0.4), 30, 30, 2.5);
    expect(Math.max(...flat) - Math.min(...flat)).toBeLessThan(1e-6);
    const point = new Float32Array(41 * 41);
    point[20 * 41 + 20] = 1;
    const spread = blurLight(point, 41, 41, 3);
    expect(spread.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 5);
    // Its second moment is the square of the standard deviation, each way.
    let moment = 0;
    for (let i = 0; i < spread.length; i++) moment += spread[i] * ((i % 41) - 20) ** 2;
    expect(Math.sqrt(moment)).toBeCloseTo(3, 1);
  });
});

it('beside bare stock a solid has no dark rim, and bare stock has one: light leaves through the ink it meets', () => {
  const scene = sceneOf(
    greyPicture(60, 60, (x) => (x < 30 ? 0 : 255)),
    { width: 12, height: 12, resolution: 600 },
  );
  const { recipe } = scene;
  const stock = { ...WHITE_STOCK, yuleNielsen: 1.8 };
  const spread: Scene = { ...scene, recipe: { ...recipe, stock, inks: [testInk('ink-1', [33, 0, 2])] } };
  const frame = filmFrame(spread.recipe);
  const view = whole(spread, 120);
  const { rgba } = pressProof(
    { scene: spread, frame, view, rows: { first: 0, count: 120 }, plates: [0] },
    PLAIN_LOOK,
  );
  const row = Array.from({ length: 120 }, (_, x) => rgba[4 * (60 * 120 + x)]);
  const [solid, bare] = [row[20], row[100]];
  // The low-pass itself overshoots within two pixels of an edge.
  expect(Math.min(...row.slice(20, 57))).toBeGreaterThanOrEqual(solid - 1);
  expect(Math.max(...row.slice(50, 57))).toBeGreaterThan(solid + 3);
  expect(Math.min(...row.slice(63, 100))).toBeLessThan(bare - 3);
});
