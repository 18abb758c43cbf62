import { bitAt } from '../raster/bits.ts';
import { dotScreen, greyPicture, sceneOf, testInk } from '../testing.ts';
import { STRAIGHT } from '../tone/curve.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import { plateBits } from '../plate/evaluate.ts';
import { sharesOf } from './shares.ts';
import type { Scene } from '../recipe/scene.ts';

/** A ramp in so many inks. */
function ramp(inks: number): Scene {
  const base = sceneOf(
    greyPicture(32, 32, (x) => 8 * x),
    { width: 9, height: 9, resolution: 300 },
  );
  const ids = ['c', 'm', 'y', 'k', 'o'].slice(0, inks);
  return {
    ...base,
    recipe: {
      ...base.recipe,
      inks: ids.map((id, i) => testInk(id, [30 + 10 * i, 0, 0])),
      plates: ids.map((id, i) => plainPlate(id, id, dotScreen({ ruling: 30 + 3 * i, angle: 15 + 20 * i }))),
      originals: base.recipe.originals.map((one) => ({
        ...one,
        route: {
          kind: 'tones' as const,
          inks: ids.map((ink, i) => ({ ink, curve: [STRAIGHT[0], { in: 100, out: 90 - 12 * i }] })),
        },
      })),
    },
  };
}

const colours = (sets: number) => Float64Array.from({ length: 3 * sets }, (_, i) => ((i * 37) % 101) / 101);

// Four plates are counted together, five set by set.
describe.each([1, 2, 3, 4, 5])('shares of %d plates', (inks) => {
  const scene = ramp(inks);
  const frame = filmFrame(scene.recipe);
  const plates = scene.recipe.plates.map((_, i) => i);
  const size = { x: 1.3, y: 2.6, width: 60.5, height: 71.2 };
  const averaged = { ...size, columns: 11, rows: 13 };
  const enlarged = { ...size, columns: 130, rows: 150 };
  const film = plates.map((plate) =>
    plateBits(scene, plate, frame, { x: 0, y: 0, width: frame.width, height: frame.height }),
  );

  it('are those of the films’ own bits over just each pixel', () => {
    const shares = sharesOf({ scene, frame, view: averaged, rows: { first: 0, count: 13 }, plates });
    const [across, down] = [size.width / 11, size.height / 13];
    for (const [column, row] of [
      [0, 0],
      [10, 12],
      [4, 7],
    ]) {
      const want = new Float64Array(1 << inks);
      const [left, top] = [size.x + column * across, size.y + row * down];
      for (let y = Math.floor(top); y < top + down; y++) {
        for (let x = Math.floor(left); x < left + across; x++) {
          const wide = Math.min(x + 1, left + across) - Math.max(x, left);
          const high = Math.min(y + 1, top + down) - Math.max(y, top);
          const set = film.reduce((sum, bits, k) => sum | ((bitAt(bits, x, y) ? 1 : 0) << k), 0);
          want[set] += (wide * high) / (across * down);
        }
      }
      shares.at(row * 11 + column).forEach((share, set) => expect(share).toBeCloseTo(want[set], 9));
    }
  });
  it.each([
    ['averaged', averaged],
    ['enlarged', enlarged],
  ])('mix colours by themselves, %s', (_, view) => {
    const shares = sharesOf({ scene, frame, view, rows: { first: 2, count: 5 }, plates });
    const given = colours(1 << inks);
    const mixed = shares.mixed(given);
    for (let pixel = 0; pixel < 5 * view.columns; pixel += 3) {
      const here = shares.at(pixel);
      for (let band = 0; band < 3; band++) {
        const want = here.reduce((sum, share, set) => sum + share * given[3 * set + band], 0);
        expect(mixed[band][pixel]).toBeCloseTo(want, 5);
      }
    }
  });
  it('sum to one, and each plate’s to what it inks', () => {
    const shares = sharesOf({ scene, frame, view: averaged, rows: { first: 0, count: 13 }, plates });
    for (let pixel = 0; pixel < 143; pixel++) {
      const here = shares.at(pixel);
      expect(here.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
      plates.forEach((plate) => {
        const own = here.reduce((sum, share, set) => sum + ((set >> plate) & 1 ? share : 0), 0);
        expect(shares.inked(pixel, plate)).toBeCloseTo(own, 9);
      });
    }
  });
});
