import { greyPicture, sceneOf } from '../testing.ts';
import { frameOf } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import { plateBits } from '../plate/evaluate.ts';
import { countInk } from '../raster/bits.ts';
import { newScreen } from '../screen/screen.ts';
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
