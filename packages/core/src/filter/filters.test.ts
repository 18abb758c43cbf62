import sharp from 'sharp';
import { pixelsAt } from '../kernel/memory.ts';
import { power } from '../base/power.ts';
import type { Plane } from '../raster/plane.ts';
import type { Rows } from '../raster/rows.ts';
import { sineOfTurns, turnOf, turnsOf } from '../base/turn.ts';
import { meanCells } from './cells.ts';
import { finerPlane } from './finer.ts';
import { gaussian, gaussianMargin } from './gaussian.ts';
import { overWideBlur } from './wide-blur.ts';
import { closing, openingFilters } from './morphology.ts';
import { filtered } from './row-filter.ts';

/** A picture with soft and hard parts, 8 bits spread over 16. */
function sample(width: number, height: number): Plane {
  const data = new Uint16Array(width * height);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const soft = 110 + 60 * Math.sin(x / 23) * Math.cos(y / 17);
      const hard = (x - 90) ** 2 + (y - 60) ** 2 < 900 ? 70 : 0;
      data[y * width + x] = Math.round(soft + hard + ((x * 13 + y * 7) % 11)) * 257;
    }
  }
  return { width, height, data };
}

const eightBits = ({ data }: Plane): Uint8Array => Uint8Array.from(data, (value) => Math.round(value / 257));

describe('Gaussian blur', () => {
  const plane = sample(200, 140);
  // libvips, by way of sharp; its own kernel is cut off at a share of its height, and it works in 8 bits here.
  it.each([0.6, 1, 2, 3.7, 6, 11, 20])(
    'of %p pixels is libvips’, within 2 of 255 everywhere',
    async (sigma) => {
      const theirs = await sharp(eightBits(plane), { raw: { width: 200, height: 140, channels: 1 } })
        .blur({ sigma, precision: 'float', minAmplitude: 0.002 })
        .toColourspace('b-w')
        .raw()
        .toBuffer();
      const ours = eightBits(gaussian(plane, sigma, 0));
      let worst = 0;
      for (let i = 0; i < ours.length; i++) worst = Math.max(worst, Math.abs(ours[i] - theirs[i]));
      expect(worst).toBeLessThanOrEqual(2);
    },
  );
  it('of a point is the bell itself', () => {
    const sigma = 2.5;
    const point: Plane = { width: 41, height: 41, data: new Uint16Array(41 * 41) };
    point.data[20 * 41 + 20] = 65535;
    const { data } = gaussian(point, sigma, 0);
    for (const [x, y] of [
      [20, 20],
      [22, 20],
      [20, 17],
      [23, 22],
    ]) {
      const r2 = (x - 20) ** 2 + (y - 20) ** 2;
      const bell =
        power(Math.E, 20 - r2 / (2 * sigma * sigma)) / power(Math.E, 20) / (2 * Math.PI * sigma * sigma);
      expect(data[y * 41 + x] / 65535).toBeCloseTo(bell, 3);
    }
  });
  it('leaves a flat tone as it is, to the last bit', () => {
    const flat: Plane = { width: 90, height: 70, data: new Uint16Array(6300).fill(43210) };
    for (const sigma of [0.5, 3, 9, 40]) {
      expect(new Set(gaussian(flat, sigma, 0).data)).toEqual(new Set([43210]));
    }
  });
});

describe('a wide blur', () => {
  const { width, height, data } = sample(70, 120);
  const whole = gaussian({ width, height, data }, 9, 0);
  const asked: number[] = [];
  const rows: Rows = {
    width,
    height,
    row: (y) => (asked.push(y), data.subarray(y * width, (y + 1) * width)),
  };

  it.each([
    [0, 120],
    [0, 1],
    [37, 64],
    [119, 120],
  ])('makes rows %d to %d as those of the whole, out of rows within its margin', (from, to) => {
    asked.length = 0;
    expect(overWideBlur(rows, 9, from, to).data).toEqual(whole.data.slice(from * width, to * width));
    expect(Math.min(...asked)).toBeGreaterThanOrEqual(Math.max(0, from - gaussianMargin(9)));
    expect(Math.max(...asked)).toBeLessThanOrEqual(Math.min(height, to + gaussianMargin(9)) - 1);
    expect(new Set(asked).size).toBe(asked.length);
  });

  it('hands out each row beside its own blur', () => {
    const made = overWideBlur(rows, 9, 20, 50, (row, soft, out, count) => {
      const [own, blurred] = [pixelsAt(row, count), pixelsAt(soft, count)];
      pixelsAt(out, count).set(own.map((value, i) => (value >> 1) + (blurred[i] >> 1)));
    });
    made.data.forEach((value, i) => {
      expect(value).toBe((data[20 * width + i] >> 1) + (whole.data[20 * width + i] >> 1));
    });
  });
});

describe('removing specks', () => {
  /** The least or greatest under a square, the plainest way. */
  const naive = (
    { width, height, data }: Plane,
    from: number,
    to: number,
    pick: (...v: number[]) => number,
  ): Plane => ({
    width,
    height,
    data: data.map((_, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      const seen: number[] = [];
      for (let dy = from; dy <= to; dy++) {
        for (let dx = from; dx <= to; dx++) {
          const [px, py] = [
            Math.min(width - 1, Math.max(0, x + dx)),
            Math.min(height - 1, Math.max(0, y + dy)),
          ];
          seen.push(data[py * width + px]);
        }
      }
      return pick(...seen);
    }),
  });
  it.each([2, 3, 4, 7])(
    'with a brush of %d pixels is the least of the greatest, and the other way about',
    (size) => {
      const plane = sample(50, 40);
      const back = (size - 1) >> 1;
      const [a, b] = [-back, size - 1 - back];
      expect(filtered(plane, openingFilters(size)).data).toEqual(
        naive(naive(plane, a, b, Math.min), -b, -a, Math.max).data,
      );
      expect(closing(plane, size).data).toEqual(naive(naive(plane, a, b, Math.max), -b, -a, Math.min).data);
    },
  );
  it('takes away what is smaller than the brush and nothing else', () => {
    const plane: Plane = { width: 30, height: 30, data: new Uint16Array(900) };
    const blob = (x: number, y: number, side: number) => {
      for (let j = 0; j < side; j++) for (let i = 0; i < side; i++) plane.data[(y + j) * 30 + x + i] = 60000;
    };
    blob(3, 3, 2);
    blob(15, 15, 5);
    const { data } = filtered(plane, openingFilters(3));
    expect(data[3 * 30 + 3]).toBe(0);
    expect(data.filter((value) => value > 0)).toHaveLength(25);
  });
});

describe('coarse cells', () => {
  it('are the means of their pixels', () => {
    const plane = sample(60, 40);
    const { data } = meanCells(plane, 10, false, 0, 40);
    let sum = 0;
    for (let y = 10; y < 20; y++) for (let x = 20; x < 30; x++) sum += plane.data[y * 60 + x];
    expect(data[15 * 60 + 25]).toBe(Math.round(sum / 100));
    expect(new Set(data).size).toBeLessThanOrEqual(24);
  });
  it('smooth, reach the same means at their middles', () => {
    const plane = sample(60, 40);
    const flat = meanCells(plane, 5, false, 0, 40).data;
    const smooth = meanCells(plane, 5, true, 0, 40).data;
    expect(Math.abs(smooth[12 * 60 + 22] - flat[12 * 60 + 22])).toBeLessThanOrEqual(1);
  });
});

describe('a finer grid', () => {
  const row = (values: number[]): Plane => ({
    width: values.length,
    height: 1,
    data: Uint16Array.from(values),
  });
  it('weighs neighbours as Mitchell & Netravali’s kernel does: 8⁄9 at a pixel’s middle, 1⁄18 a pixel off', () => {
    // Three times as fine, every third pixel stands on an old one's middle.
    const { data } = finerPlane(row([0, 0, 0, 36000, 0, 0, 0]), 3);
    expect([data[7], data[10], data[13], data[4]].map((value) => Math.round(value / 10))).toEqual([
      200, 3200, 200, 0,
    ]);
  });
  it.each([2, 3, 4])('× %p leaves flat tones and ramps as they are', (factor) => {
    expect(new Set(finerPlane(row([4321, 4321, 4321]), factor).data)).toEqual(new Set([4321]));
    const { data } = finerPlane(row(Array.from({ length: 12 }, (_, i) => 5000 * i)), factor);
    for (let i = 3 * factor; i < 9 * factor; i++) {
      expect(Math.abs(data[i] - 5000 * ((i + 0.5) / factor - 0.5))).toBeLessThanOrEqual(4);
    }
  });
});

it('turns are those of the mathematics library, and quarter turns exact', () => {
  for (let degrees = -400; degrees <= 400; degrees += 3.7) {
    const { cos, sin } = turnOf(degrees);
    expect(cos).toBeCloseTo(Math.cos((degrees * Math.PI) / 180), 14);
    expect(sin).toBeCloseTo(Math.sin((degrees * Math.PI) / 180), 14);
  }
  expect(turnOf(-90)).toEqual({ cos: 0, sin: -1 });
  for (let turns = -2.3; turns < 2.3; turns += 0.0171) {
    expect(sineOfTurns(turns)).toBeCloseTo(Math.sin(turns * 2 * Math.PI), 8);
    const [x, y] = [Math.cos(turns * 2 * Math.PI), Math.sin(turns * 2 * Math.PI)];
    expect(turnsOf(3 * x, 3 * y)).toBeCloseTo(turns - Math.floor(turns), 9);
  }
});
