import { bitAt, type Bits } from '../raster/bits.ts';
import { dotScreen, greyPicture, sceneOf, testInk } from '../testing.ts';
import { STRAIGHT } from '../tone/curve.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plainPlate } from '../recipe/plain-plate.ts';
import { plateBits } from '../plate/evaluate.ts';
import type { Scene } from '../recipe/scene.ts';
import { blocksOf, wavesOf, type Blocks } from './blocks.ts';
import { LOW_PASS } from '../kernel/memory.ts';
import { lowPassTaps, meanTaps, RADIUS } from './low-pass.ts';
import type { View } from './plates-view.ts';
import { seenLight } from './seen-light.ts';
import { ROWS_AROUND, withinRange } from './within-range.ts';

/** A ramp in so many inks. */
function ramp(inks: number): Scene {
  const base = sceneOf(
    greyPicture(32, 32, (x) => 8 * x),
    { width: 9, height: 9, resolution: 300 },
  );
  const ids = ['c', 'm', 'y', 'k', 'o', 'g'].slice(0, inks);
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

const coloursOf = (sets: number) => Float64Array.from({ length: 3 * sets }, (_, i) => ((i * 37) % 101) / 101);

/** Light of a screen pixel, one device pixel after another through the low-pass; beyond its edges the film is mirrored, block by block. */
function naive(
  film: readonly Bits[],
  colours: Float64Array,
  blocks: Blocks,
  view: View,
  column: number,
  row: number,
): number[] {
  const taps = (start: number, size: number, pixels: number, at: number, block: number, per: number) =>
    (blocks.plain ? meanTaps : lowPassTaps)((start + ((at + 0.5) * size) / pixels) / block, per);
  const across = taps(view.x, view.width, view.columns, column, blocks.width, blocks.perColumn);
  const down = taps(view.y, view.height, view.rows, row, blocks.height, blocks.perRow);
  const sums = [0, 0, 0];
  down.a.forEach((downA, j) =>
    across.a.forEach((acrossA, i) => {
      const weight = downA * acrossA - down.b[j] * across.b[i];
      const within = (at: number, size: number, block: number) => {
        const count = Math.floor(size / block);
        const there = at < 0 ? -1 - at : at >= count ? 2 * count - 1 - at : at;
        return Math.min(count - 1, Math.max(0, there));
      };
      const left = within(across.first + i, film[0].width, blocks.width) * blocks.width;
      const top = within(down.first + j, film[0].height, blocks.height) * blocks.height;
      for (let v = 0; v < blocks.height; v++) {
        for (let u = 0; u < blocks.width; u++) {
          const [x, y] = [left + u, top + v];
          const set = film.reduce((sum, bits, k) => sum | (bitAt(bits, x, y) << k), 0);
          for (let k = 0; k < 3; k++)
            sums[k] += (weight * colours[3 * set + k]) / (blocks.width * blocks.height);
        }
      }
    }),
  );
  return sums;
}

const PLACES = [
  [0, 0],
  [10, 12],
  [4, 7],
];

// Four plates are counted together, more in groups.
describe.each([1, 2, 3, 4, 5, 6])('light of %d plates', (inks) => {
  const scene = ramp(inks);
  const frame = filmFrame(scene.recipe);
  const plates = scene.recipe.plates.map((_, i) => i);
  const colours = coloursOf(1 << inks);
  const film = plates.map((plate) =>
    plateBits(scene, plate, frame, { x: 0, y: 0, width: frame.width, height: frame.height }),
  );
  it.each([
    ['several blocks to a pixel', { x: 1.3, y: 2.6, width: 60.5, height: 71.2, columns: 11, rows: 13 }],
    ['blocks of many pixels', { x: -3, y: 4.5, width: 111, height: 94.2, columns: 11, rows: 13 }],
    ['blocks of one pixel', { x: 20.2, y: 17, width: 17.3, height: 20.2, columns: 11, rows: 13 }],
    ['blocks side by side', { x: -300, y: -200, width: 900, height: 800, columns: 11, rows: 13 }],
  ])('is that of the films’ own bits through the low-pass: %s', (_, view) => {
    const { planes } = seenLight({ scene, frame, view, rows: { first: 0, count: 13 }, plates }, [colours]);
    const blocks = blocksOf(view, wavesOf({ scene, frame, plates }));
    const around = 2 * ROWS_AROUND + 1;
    for (const [column, row] of PLACES) {
      const { overshoots } = blocks;
      const rows = Array.from({ length: around }, (_, i) => row + i - ROWS_AROUND);
      const all = overshoots
        ? rows.map((y) => Array.from({ length: 11 }, (_, x) => naive(film, colours, blocks, view, x, y)))
        : [];
      naive(film, colours, blocks, view, column, row).forEach((here, channel) => {
        const ends = colours.filter((_, i) => i % 3 === channel);
        const range = { least: Math.min(...ends), most: Math.max(...ends) };
        const plane = Float32Array.from(all.flatMap((line) => line.map((one) => one[channel])));
        const want = overshoots ? withinRange(plane, 11, range)[column] : here;
        expect(planes[0][channel][row * 11 + column]).toBeCloseTo(want, 4);
      });
    }
  });
  it('of colours that change from place to place is, where they do not, the same', () => {
    const view = { x: 1.3, y: 2.6, width: 60.5, height: 71.2, columns: 11, rows: 13 };
    const request = { scene, frame, view, rows: { first: 3, count: 8 }, plates };
    const [even, placed] = seenLight(request, [colours, () => colours]).planes;
    even.forEach((plane, channel) =>
      plane.forEach((value, i) => expect(placed[channel][i]).toBeCloseTo(value, 6)),
    );
  });
  it('of two kinds of colours is that of each', () => {
    const view = { x: 1.3, y: 2.6, width: 60.5, height: 71.2, columns: 11, rows: 13 };
    const request = { scene, frame, view, rows: { first: 0, count: 13 }, plates };
    const roots = colours.map(Math.sqrt);
    const both = seenLight(request, [colours, roots]).planes;
    expect(both[0]).toEqual(seenLight(request, [colours]).planes[0]);
    expect(both[1]).toEqual(seenLight(request, [roots]).planes[0]);
  });
  it('enlarged is the colour of the device pixel under the middle', () => {
    const view = { x: 1.3, y: 2.6, width: 60.5, height: 71.2, columns: 130, rows: 150 };
    const { planes } = seenLight({ scene, frame, view, rows: { first: 2, count: 5 }, plates }, [colours]);
    for (let column = 0; column < 130; column += 3) {
      const [x, y] = [Math.floor(1.3 + ((column + 0.5) * 60.5) / 130), Math.floor(2.6 + (4.5 * 71.2) / 150)];
      const set = film.reduce((sum, bits, k) => sum | (bitAt(bits, x, y) << k), 0);
      for (let k = 0; k < 3; k++) expect(planes[0][k][2 * 130 + column]).toBeCloseTo(colours[3 * set + k], 6);
    }
  });
  it('says what each plate inks', () => {
    const view = { x: 0, y: 0, width: frame.width, height: frame.height, columns: 21, rows: 21 };
    const { inked } = seenLight({ scene, frame, view, rows: { first: 0, count: 21 }, plates }, [colours]);
    film.forEach((bits, plate) => {
      let sum = 0;
      for (let y = 0; y < bits.height; y++) for (let x = 0; x < bits.width; x++) sum += bitAt(bits, x, y);
      expect(inked[plate]).toBeCloseTo(sum / (bits.width * bits.height), 2);
    });
  });
});

it('the weights of any zoom find room before the kernels', () => {
  const straight = ramp(1);
  const waves = wavesOf({ scene: straight, frame: filmFrame(straight.recipe), plates: [0] });
  for (let pixel = 1.01; pixel < 600; pixel *= 1.013) {
    for (const known of [waves, undefined]) {
      const view = { x: 0.3, y: 0.7, width: 40 * pixel, height: 40 * pixel, columns: 40, rows: 40 };
      const { perColumn, perRow } = blocksOf(view, known);
      for (const per of [perColumn, perRow]) {
        expect((lowPassTaps(100.3, per).a.length + 3) & ~3).toBeLessThanOrEqual(LOW_PASS.taps);
        expect(per * (LOW_PASS.pixels + 2 * RADIUS) + 8).toBeLessThanOrEqual(LOW_PASS.numbers);
      }
    }
  }
});
