import { filmFrame } from '../../recipe/frame.ts';
import { plateBits } from '../../plate/evaluate.ts';
import type { Scene } from '../../recipe/scene.ts';
import { bitAt, countInk, cropBits, type Bits } from '../../raster/bits.ts';
import { createPlane, SOLID } from '../../raster/plane.ts';
import { greyPicture, sceneOf } from '../../testing.ts';
import { newScreen, screenerFor, type Screen } from '../screen.ts';
import { SCREEN_KINDS } from './index.ts';

/** Screens of every kind, and of kinds that are made in several ways, in each of their ways. */
const SCREENS: [name: string, screen: Screen][] = [
  ...SCREEN_KINDS.map(({ kind, name }): [string, Screen] => [name, newScreen(kind)]),
  ['Dots, irregular', newScreen('dots', { place: 40, size: 50, ragged: 60 })],
  ['Dots, a motif', newScreen('dots', { spot: 'motif' })],
  ['Dots, kept apart', newScreen('dots', { apart: 0.1 })],
  ...['straight', 'arc', 'wave', 'spiral', 'form'].flatMap((path): [string, Screen][] => [
    [`Lines, ${path}`, newScreen('lines', { path, wobble: 30 })],
    [`Dots that run in a ${path}`, newScreen('lines', { path, spot: 'round' })],
  ]),
  ['Lines, crossed', newScreen('lines', { path: 'form', crossed: 40 })],
  ['Diffused widely', newScreen('diffused', { kernel: 'wide', loosen: 30 })],
  ['Diffused evenly', newScreen('diffused', { kernel: 'even' })],
  ['Ordered in dots', newScreen('ordered', { pattern: 'clustered' })],
  ['Grain, streaked', newScreen('grain', { manner: 'streaked' })],
  ['Threshold without specks', newScreen('threshold', { specks: 0.5, holes: 0.5 })],
  ['Dots on a coarse grid', newScreen('dots', { ruling: 12 }, { coarse: 60 })],
];

const sheet = { width: 30, height: 22, resolution: 300 };
const ramp = greyPicture(240, 176, (x, y) => 255 - ((x * 220) / 240 + 20 * Math.sin(y / 9) + 16));
const flat = (percent: number) => greyPicture(60, 44, () => Math.round(255 - (percent * 255) / 100));
const whole = (scene: Scene): Bits => {
  const frame = filmFrame(scene.recipe);
  return plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
};
const shareOf = (bits: Bits) => countInk(bits) / (bits.width * bits.height);

describe.each(SCREENS)('%s', (_, screen) => {
  it('makes any region as that part of the whole, bit for bit', () => {
    const all = whole(sceneOf(ramp, sheet, screen));
    // A scene of its own each time: nothing made before may help.
    for (const region of [
      { x: 37, y: 90, width: 201, height: 66 },
      { x: 0, y: 0, width: 40, height: 9 },
      { x: 255, y: 181, width: 99, height: 79 },
    ]) {
      const scene = sceneOf(
        greyPicture(240, 176, (x, y) => ramp.data[y * 240 + x]),
        sheet,
        screen,
      );
      const part = plateBits(scene, 0, filmFrame(scene.recipe), region);
      expect(Buffer.compare(part.data, cropBits(all, region).data)).toBe(0);
    }
  });
  it('leaves bare what is bare, and makes solid what is solid', () => {
    expect(shareOf(whole(sceneOf(flat(0), sheet, screen)))).toBe(0);
    const solid = shareOf(whole(sceneOf(flat(100), sheet, screen)));
    // Dots kept apart leave their gap even there.
    if (screen.settings.apart) expect(solid).toBeLessThan(0.8);
    else expect(solid).toBe(1);
  });
  if (screen.kind !== 'threshold') {
    it.each([12, 50, 85])('inks %p %% where that is asked', (percent) => {
      const tone = Math.round((percent * 255) / 100) / 255;
      const { ruling } = screen.settings as { ruling: number };
      const apart = (screen.settings.apart as number | undefined) ?? 0;
      // Round dots that end so far from the edges of their cells.
      const most = apart > 0 ? (Math.PI / 4) * (1 - (apart / 25.4) * ruling) ** 2 : 1;
      const asked = Math.min(tone, most);
      // Coarse spots and large cells fill a small sheet only about; exact shares are tested on whole tiles.
      const loose =
        screen.coarse > 0 || screen.settings.path === 'spiral' || screen.settings.path === 'arc'
          ? 0.03
          : 0.02;
      expect(Math.abs(shareOf(whole(sceneOf(flat(percent), sheet, screen))) - asked)).toBeLessThan(loose);
    });
    it('grows darker with the tone', () => {
      const shares = [5, 20, 40, 55].map((percent) => shareOf(whole(sceneOf(flat(percent), sheet, screen))));
      for (let i = 1; i < shares.length; i++) expect(shares[i]).toBeGreaterThan(shares[i - 1]);
    });
  }
  it('says itself in few words', () => {
    const kind = SCREEN_KINDS.find((one) => one.kind === screen.kind)!;
    expect(kind.words(screen.settings as never)).toMatch(/^\S.{2,34}$/);
  });
});

it('a coarse grid is made of whole squares of device pixels, from the sheet’s corner', () => {
  const bits = whole(sceneOf(ramp, sheet, newScreen('blue', { spot: 0.01 }, { coarse: 60 })));
  for (let y = 0; y < bits.height; y++) {
    for (let x = 0; x < bits.width; x++) {
      expect(bitAt(bits, x, y)).toBe(bitAt(bits, x - (x % 5), y - (y % 5)));
    }
  }
});

describe('flat tones over a whole tile', () => {
  // Tiles of 128, 8 and 16 spots, and of 256 for a grain of this size.
  it.each<[string, Screen, number]>([
    ['blue noise', newScreen('blue', { spot: 0.01 }), 128],
    ['a pattern of 8', newScreen('ordered', { spot: 0.01, pattern: '8' }), 8],
    ['a pattern of 16', newScreen('ordered', { spot: 0.01, pattern: '16' }), 16],
    ['grain', newScreen('grain', { size: 0.02 }), 256],
  ])('%s inks exactly as many spots as asked', (_, screen, side) => {
    const frame = { width: side, height: side, resolution: 1200, bleed: 0 };
    const screener = screenerFor(screen, frame);
    if (screener.sequential) throw new Error('It is made by place.');
    for (const coverage of [1, 300, 6553, 20000, 32768, 50001, 65200, 65534]) {
      const bits = screener.screen(createPlane(side, side, coverage), {
        x: 0,
        y: 0,
        width: side,
        height: side,
      });
      expect(countInk(bits)).toBe(Math.round((coverage / SOLID) * side * side));
    }
  });
});

it('dots kept apart leave their gap at every tone', () => {
  const screen = newScreen('dots', { ruling: 10, angle: 0, apart: 0.4 });
  for (const percent of [50, 80, 100]) {
    const bits = whole(sceneOf(flat(percent), { width: 30, height: 22, resolution: 508 }, screen));
    // The gap of 0.4 mm is 8 pixels: no row or column of them is shorter between two dots.
    let [least, run] = [Infinity, 0];
    for (let y = 0; y < bits.height; y++) {
      run = Infinity;
      for (let x = 0; x < bits.width; x++) {
        if (bitAt(bits, x, y)) {
          if (run > 0 && run < Infinity) least = Math.min(least, run);
          run = 0;
        } else run++;
      }
    }
    expect(least).toBeGreaterThanOrEqual(7);
  }
});
