import { greyPicture, sceneOf } from '../testing.ts';
import { frameOf } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import { plateBits } from '../plate/evaluate.ts';
import { countInk } from '../raster/bits.ts';
import { newScreen } from '../screen/screen.ts';
import { blurLight } from './blur-light.ts';
import { inkShares } from './ink-shares.ts';

const sheet = { width: 60, height: 60, resolution: 1200 };
const tint = 0.3;

/** A first picture of a flat tint on so many screen pixels, by one ruling. */
function draft(ruling: number, columns: number, rows: number, offset = 0): Float32Array {
  const base = sceneOf(
    greyPicture(8, 8, () => Math.round(255 * (1 - tint))),
    sheet,
  );
  const plates = [plainPlate('p', base.recipe.inks[0].id, newScreen('dots', { ruling, angle: 15 }))];
  const frame = { ...frameOf(base.recipe.sheet, (2 * columns) / (sheet.width / 25.4)), draft: true };
  const view = { x: offset, y: offset, width: 2 * columns, height: 2 * columns, columns, rows };
  const scene = { ...base, recipe: { ...base.recipe, plates } };
  return inkShares({ scene, frame, view, rows: { first: 0, count: rows }, plates: [0] }, 0);
}

const mean = (shares: Float32Array) => shares.reduce((a, b) => a + b, 0) / shares.length;

describe('shares of ink in a first picture', () => {
  it.each([
    ['square screen pixels', 80, 80, 0],
    ['the edge of the sheet', 80, 80, 3],
    ['screen pixels that are not square', 80, 77, 0],
  ])('of dots too fine to be seen are flat: %s', (_, columns, rows, offset) => {
    const shares = draft(65, columns, rows, offset);
    const inner = shares.subarray(10 * columns, 60 * columns).filter((_share, i) => i % columns < 60);
    for (const share of inner) expect(share).toBeCloseTo(tint, 2);
  });
  // 2.3 and 3.1 screen pixels a cell: the film's own dots are seen there, faintly, but a coarse grid makes others.
  it.each([15, 11])('of dots that a coarse grid cannot draw are flat: %d lpi', (ruling) => {
    const inner = draft(ruling, 80, 80).filter((_share, i) => i % 80 > 9 && i % 80 < 70);
    for (const share of inner.subarray(600, 4000)) expect(share).toBeCloseTo(tint, 2);
  });
  // 3.4 to 7 screen pixels a cell.
  it.each([10, 8, 6, 5])('at %d lpi show no pattern beside the dots themselves', (ruling) => {
    const columns = 80;
    const shares = draft(ruling, columns, columns);
    const cell = columns / (sheet.width / 25.4) / ruling;
    const soft = blurLight(shares, columns, columns, 0.9 * cell);
    const inner = soft.filter((_share, i) => {
      const [x, y] = [i % columns, Math.floor(i / columns)];
      return Math.min(x, y) >= 20 && Math.max(x, y) < columns - 20;
    });
    const spread = Math.sqrt(mean(inner.map((share) => (share - mean(inner)) ** 2)));
    expect(spread).toBeLessThan(0.012);
  });
  it.each([6, 15, 20])('at %d lpi have the tone’s mean', (ruling) => {
    expect(Math.abs(mean(draft(ruling, 80, 80)) - tint)).toBeLessThan(0.02);
  });
  it('of wide dots are means of the draft’s own bits', () => {
    const base = sceneOf(
      greyPicture(16, 16, (x, y) => 8 * x + 6 * y),
      sheet,
      { ruling: 5 },
    );
    const frame = { ...frameOf(base.recipe.sheet, 60), draft: true };
    const view = { x: 0, y: 0, width: 120, height: 120, columns: 60, rows: 60 };
    const request = { scene: base, frame, view, rows: { first: 7, count: 20 }, plates: [0] };
    const shares = inkShares(request, 0);
    for (let i = 0; i < shares.length; i += 7) {
      const region = { x: 2 * (i % 60), y: 14 + 2 * Math.floor(i / 60), width: 2, height: 2 };
      expect(shares[i]).toBe(countInk(plateBits(base, 0, frame, region)) / 4);
    }
  });
});
