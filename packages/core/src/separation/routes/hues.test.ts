import { converter } from 'culori';
import type { InkSet } from '../../ink/ink-set.ts';
import type { Picture } from '../../raster/picture.ts';
import { WHITE_STOCK } from '../../recipe/plain-plate.ts';
import { testInk } from '../../testing.ts';
import { pictureSource } from '../../tone/picture-source.ts';
import { NO_TONE } from '../../tone/tone.ts';
import { hueOf, huesRoute, partOf, type HuesRoute } from './hues.ts';

const route: HuesRoute = {
  kind: 'hues',
  dark: 'black',
  at: [20, 70],
  grey: 8,
  colours: [
    { ink: 'red', hue: 30 },
    { ink: 'blue', hue: 280 },
  ],
};
/** CIELAB under D50 by an independent library. */
const lab = converter('lab');
const labOf = (hex: string): [number, number, number] => {
  const { l, a, b } = lab(hex)!;
  return [l, a, b];
};

it('hue angles are those of an independent library', () => {
  const lch = converter('lch');
  for (const hex of ['#c0392b', '#2f6f8f', '#7fa650', '#e0b030', '#803080']) {
    expect(Math.abs(hueOf(labOf(hex)) - lch(hex)!.h!)).toBeLessThan(0.01);
  }
});

describe('colours go', () => {
  it.each([
    ['bare where they are light', '#fde8d0', -1],
    ['to the nearest hue though they are light, where they are strong', '#ffd43c', 1],
    ['to the dark ink where they are dark', '#3a0d08', 0],
    ['to the nearest hue between', '#c0392b', 1],
    ['to the nearest hue between, the other one', '#3b6fb5', 2],
    ['round the circle: purple red lies nearer to red', '#c03070', 1],
    ['as greys to what is nearer, dark', '#5a5a5a', 0],
    ['as greys to what is nearer, bare', '#a8a8a8', -1],
  ])('%s', (_what, hex, part) => {
    expect(partOf(route, labOf(hex))).toBe(part);
  });
});

it('every pixel is solid in one ink at most, and the very one its colour goes to', () => {
  const [width, height] = [64, 40];
  const data = new Uint8Array(3 * width * height);
  for (let i = 0; i < data.length; i++) data[i] = (i * 2654435761) >>> 24;
  const picture: Picture = { width, height, channels: 3, data };
  const inks = ['black', 'red', 'blue'].map((id) => testInk(id, [40, 0, 0]));
  const inkSet: InkSet = { inks, stock: WHITE_STOCK, overprints: [] };
  const rows = inks.map(({ id }) =>
    huesRoute.rows(route, id, {
      name: 'noise',
      source: pictureSource(picture, 1, 72),
      tone: NO_TONE,
      inkSet,
      tables: undefined,
      pictures: new Map(),
      draft: false,
    }),
  );
  let solid = 0;
  let near = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = 3 * (y * width + x);
      const hex = `#${[...data.slice(at, at + 3)].map((one) => one.toString(16).padStart(2, '0')).join('')}`;
      const part = partOf(route, labOf(hex));
      const got = rows.map((one) => one.row(y)[x]);
      expect(got.filter((one) => one !== 0 && one !== 65535)).toEqual([]);
      expect(got.filter((one) => one === 65535).length).toBeLessThanOrEqual(1);
      solid += got.filter((one) => one === 65535).length;
      if (got.indexOf(65535) !== (part < 0 ? -1 : part)) near++;
    }
  }
  expect(solid).toBeGreaterThan(width * height * 0.5);
  // Only colours that lie on a parting, within the table's tenth of a unit, may go to the other side.
  expect(near).toBeLessThan(width * height * 0.01);
});

it('what is to be said of a route that names an ink twice is said', () => {
  expect(huesRoute.problem?.({ ...route, colours: [{ ink: 'black', hue: 0 }] })).toMatch(/twice/);
  expect(huesRoute.problem?.(route)).toBeUndefined();
});
