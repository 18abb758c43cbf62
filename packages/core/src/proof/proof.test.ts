import { hexToLab } from '../colour/lab.ts';
import { linearOf8 } from '../colour/srgb.ts';
import { labToWide } from '../colour/wide-rgb.ts';
import { overprintLight, overprints } from '../ink/overprint.ts';
import { bitAt } from '../raster/bits.ts';
import { dotScreen, greyPicture, sceneOf, testInk } from '../testing.ts';
import { plainPlate, WHITE_STOCK } from '../recipe/plain-plate.ts';
import { plateBits } from '../plate/evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { blocksOf, wavesOf } from './blocks.ts';
import { proof } from './proof.ts';
import type { Scene } from '../recipe/scene.ts';

const one = sceneOf(
  greyPicture(120, 90, (x, y) => (x * 2 + y) & 255),
  { width: 40, height: 30, resolution: 400 },
  { ruling: 33, angle: 30 },
);
const two: Scene = {
  ...one,
  recipe: {
    ...one.recipe,
    inks: [...one.recipe.inks, testInk('ink-2', hexToLab('#d08020'), 0.2)],
    originals: one.recipe.originals,
    plates: [
      one.recipe.plates[0],
      plainPlate('plate-2', 'ink-1', dotScreen({ spot: 'line', ruling: 20, angle: 75 })),
    ],
  },
};
const frame = filmFrame(one.recipe);
const all = (scene: Scene, plate: number) =>
  plateBits(scene, plate, frame, { x: 0, y: 0, width: frame.width, height: frame.height });

/** The mean of the colours in a box, in linear light, one device pixel after another. */
function naive(
  scene: Scene,
  colours: readonly (readonly number[])[],
  box: { x: number; y: number; width: number; height: number },
) {
  const bits = scene.recipe.plates.map((_, plate) => all(scene, plate));
  const sum = [0, 0, 0];
  for (let y = box.y; y < box.y + box.height; y++) {
    for (let x = box.x; x < box.x + box.width; x++) {
      const set = bits.reduce((mask, one, k) => mask | (bitAt(one, x, y) << k), 0);
      for (let k = 0; k < 3; k++) sum[k] += colours[set][k] / (box.width * box.height);
    }
  }
  return sum;
}

describe('the proof', () => {
  it.each([
    ['one plate', one],
    ['two plates with overprint', two],
  ])('%s: has the mean of the film’s own bits in linear light, whatever the zoom', (_name, scene) => {
    const inks = scene.recipe.plates.map((_, i) => testInk(`${i}`, hexToLab(['#204080', '#d08020'][i]), 0.2));
    const colours = overprints({ lab: hexToLab('#e3dcca') }, inks);
    const plates = scene.recipe.plates.map((_, i) => i);
    // Far, near, and a screen pixel to two device pixels.
    for (const pixel of [7, 3.5, 2]) {
      const [columns, rows] = [Math.floor(420 / pixel), Math.floor(280 / pixel)];
      const view = { x: 40, y: 40, width: columns * pixel, height: rows * pixel, columns, rows };
      const { rgba } = proof({ scene, frame, view, rows: { first: 0, count: rows }, plates }, colours);
      const want = naive(scene, colours, { x: 40, y: 40, width: columns * pixel, height: rows * pixel });
      for (let k = 0; k < 3; k++) {
        let sum = 0;
        for (let i = k; i < rgba.length; i += 4) sum += linearOf8(rgba[i]);
        expect(Math.abs(sum / (columns * rows) - want[k])).toBeLessThan(0.005);
      }
    }
  });

  it('drawn in parts equals the whole', () => {
    const view = { x: 0, y: 0, width: frame.width, height: frame.height, columns: 50, rows: 37 };
    const colours = overprints(WHITE_STOCK, one.recipe.inks);
    const whole = proof(
      { scene: one, frame, view, rows: { first: 0, count: 37 }, plates: [0] },
      colours,
    ).rgba;
    const part = proof({ scene: one, frame, view, rows: { first: 9, count: 11 }, plates: [0] }, colours).rgba;
    expect(part).toEqual(whole.slice(9 * 50 * 4, 20 * 50 * 4));
  });

  it('drawn strip by strip, down, up or to and fro, equals the whole', () => {
    const view = { x: 0, y: 0, width: frame.width, height: frame.height, columns: 150, rows: 100 };
    const given = { scene: one, frame, view, plates: [0] };
    // Strips depend on rows of one another.
    expect(blocksOf(view, wavesOf(given)).overshoots).toBe(true);
    const colours = overprints(WHITE_STOCK, one.recipe.inks);
    const strip = (first: number, count: number) => proof({ ...given, rows: { first, count } }, colours).rgba;
    const whole = strip(0, 100);
    for (const firsts of [
      [0, 5, 10, 15, 20],
      [95, 90, 85, 80],
      [40, 40, 45, 42, 70, 38],
    ]) {
      for (const first of firsts)
        expect(strip(first, 5)).toEqual(whole.slice(first * 150 * 4, (first + 5) * 150 * 4));
    }
  });

  it('at every dot is the film, bit for bit', () => {
    const view = { x: 100, y: 60, width: 64, height: 40, columns: 64, rows: 40 };
    const { rgba } = proof(
      { scene: one, frame, view, rows: { first: 0, count: 40 }, plates: [0] },
      overprints(WHITE_STOCK, one.recipe.inks),
    );
    const bits = all(one, 0);
    for (let y = 0; y < 40; y++) {
      for (let x = 0; x < 64; x++)
        expect(rgba[(y * 64 + x) * 4]).toBe(bitAt(bits, 100 + x, 60 + y) ? 0 : 255);
    }
  });

  it('enlarged shows whole squares of one colour', () => {
    const view = { x: 100, y: 60, width: 8, height: 8, columns: 32, rows: 32 };
    const { rgba } = proof(
      { scene: one, frame, view, rows: { first: 0, count: 32 }, plates: [0] },
      overprints(WHITE_STOCK, one.recipe.inks),
    );
    const bits = all(one, 0);
    for (let y = 0; y < 32; y++) {
      for (let x = 0; x < 32; x++) {
        expect(rgba[(y * 32 + x) * 4]).toBe(bitAt(bits, 100 + (x >> 2), 60 + (y >> 2)) ? 0 : 255);
      }
    }
  });
});

describe('overprints', () => {
  const grey = { lab: hexToLab('#808080') };
  it('transparent inks multiply, covering inks hide', () => {
    const [paper, red] = overprintLight(grey, [testInk('a', hexToLab('#c03020'))]);
    const solid = labToWide(hexToLab('#c03020'));
    for (let k = 0; k < 3; k++) expect(red[k]).toBeCloseTo(paper[k] * solid[k], 10);
    const hiding = overprintLight({ lab: [8, 0, 0] }, [testInk('a', hexToLab('#e0e0e0'), 1)]);
    expect(hiding[1]).toEqual(labToWide(hexToLab('#e0e0e0')));
  });
  it('the later ink lies over the earlier', () => {
    const inks = [testInk('a', hexToLab('#102030'), 1), testInk('b', hexToLab('#f0e0d0'), 1)];
    expect(overprintLight(WHITE_STOCK, inks)[3]).toEqual(labToWide(hexToLab('#f0e0d0')));
  });
  it('those that were measured are as they were measured, in any order of printing', () => {
    const inks = [testInk('a', [50, 40, 0]), testInk('b', [50, 0, 40])];
    const measured = [{ inks: ['b', 'a'], lab: [33, 22, 11] as const }];
    expect(overprintLight(WHITE_STOCK, inks, measured)[3]).toEqual(
      labToWide([33, 22, 11]).map((band, k) => band * labToWide([100, 0, 0])[k]),
    );
  });
});
