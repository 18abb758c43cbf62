import { countInk, type Bits } from '../raster/bits.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plateBits } from '../plate/evaluate.ts';
import { greyPicture, sceneOf } from '../testing.ts';
import { bentOf, unbending, type Bent } from './bent.ts';
import { newScreen, type Screen } from './screen.ts';

const sheet = { width: 50, height: 40, resolution: 600 };
const frame = { width: 1181, height: 945, resolution: 600, bleed: 0 };
const place = (bent: Partial<Bent>, x: number, y: number): [number, number] => {
  const out = new Float64Array(2);
  unbending(bentOf(bent)!, 20, frame)(x, y, out);
  return [out[0], out[1]];
};
const CENTRE = { x: frame.width / 2 - 0.5, y: frame.height / 2 - 0.5 };

describe('a twist', () => {
  it('turns the lattice about its centre by its angle, and fades to nothing where it ends', () => {
    const twist = { twist: 90, twistReach: 15 };
    // Anticlockwise with y down: what lies above the centre was to the right of it.
    const [x, y] = place(twist, CENTRE.x, CENTRE.y - 0.5);
    expect(x - CENTRE.x).toBeCloseTo(0.5, 2);
    expect(y - CENTRE.y).toBeCloseTo(0, 2);
    const far = (16 * 600) / 25.4;
    expect(place(twist, CENTRE.x + far, CENTRE.y)).toEqual([CENTRE.x + far, CENTRE.y]);
  });
  it('keeps every point as far from the centre as it was', () => {
    for (const [x, y] of [
      [400, 300],
      [700, 480],
      [590, 200],
    ]) {
      const [u, v] = place({ twist: -310, twistReach: 30 }, x, y);
      expect(Math.hypot(u - CENTRE.x, v - CENTRE.y)).toBeCloseTo(Math.hypot(x - CENTRE.x, y - CENTRE.y), 6);
    }
  });
});

it('an uneven lattice is off by half its share of a cell either way at most, smoothly, and by its seed', () => {
  const uneven = { uneven: 100, unevenLength: 6 };
  const cell = 600 / 20;
  let [most, last] = [0, place(uneven, 0, 300)[0]];
  for (let x = 1; x < 1100; x++) {
    const [u] = place(uneven, x, 300);
    most = Math.max(most, Math.abs(u - x));
    // No step from one pixel to the next is far from one: places never fold over.
    expect(u - last).toBeGreaterThan(0.2);
    last = u;
  }
  expect(most).toBeLessThanOrEqual(cell / 2);
  expect(most).toBeGreaterThan(cell / 6);
  expect(place({ ...uneven, unevenSeed: 2 }, 500, 300)).not.toEqual(place(uneven, 500, 300));
});

it('settings made before there was such a thing are not bent', () => {
  expect(bentOf({})).toBeUndefined();
  expect(newScreen('dots').settings).not.toHaveProperty('twist');
});

describe.each<[string, Screen]>([
  ['dots', newScreen('dots', { ruling: 20, angle: 30 })],
  ['scattered dots', newScreen('dots', { ruling: 20, angle: 30, place: 40 })],
  ['straight lines', newScreen('lines', { path: 'straight', ruling: 20 })],
  ['lines in arcs', newScreen('lines', { path: 'arc', ruling: 20 })],
  ['dots along a spiral', newScreen('lines', { path: 'spiral', spot: 'round', ruling: 20 })],
  ['lines that follow the form', newScreen('lines', { path: 'form', ruling: 20 })],
])('%s that are bent', (_name, screen) => {
  const bent = { ...screen, settings: { ...screen.settings, twist: 200, twistReach: 18, uneven: 60 } };
  const grey = greyPicture(64, 64, (x, y) => 90 + x + y / 2);
  const film = (one: Screen, region?: { x: number; y: number; width: number; height: number }): Bits => {
    const scene = sceneOf(grey, sheet, one);
    const whole = filmFrame(scene.recipe);
    return plateBits(scene, 0, whole, region ?? { x: 0, y: 0, width: whole.width, height: whole.height });
  };
  const all = film(bent);
  it('ink as much as they did straight', () => {
    const share = countInk(all) / (all.width * all.height);
    const straight = countInk(film(screen)) / (all.width * all.height);
    expect(Math.abs(share - straight)).toBeLessThan(0.012);
    expect(Buffer.compare(all.data, film(screen).data)).not.toBe(0);
  });
  it('any region of them is that part of the whole, bit for bit', () => {
    const region = { x: 488, y: 331, width: 200, height: 97 };
    const part = film(bent, region);
    for (let y = 0; y < region.height; y++) {
      const row = part.data.subarray(y * part.stride, y * part.stride + 25);
      const from = (y + region.y) * all.stride + region.x / 8;
      expect(Buffer.compare(row, all.data.subarray(from, from + 25))).toBe(0);
    }
  });
});
