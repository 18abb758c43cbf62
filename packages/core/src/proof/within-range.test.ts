import { ROWS_AROUND, withinRange } from './within-range.ts';

const WIDTH = 40;
const RANGE = { least: 0.1, most: 0.9 };
const sum = (values: Float32Array) => values.reduce((all, one) => all + one, 0);

/** Waves that reach beyond both ends, in rows of which those around are not asked for. */
const waves = (rows: number, first: number, size: number) =>
  Float32Array.from({ length: WIDTH * rows }, (_, i) => {
    const [x, y] = [i % WIDTH, first + Math.floor(i / WIDTH)];
    return 0.5 + size * Math.sin(1.7 * x + 0.3 * y) * Math.cos(1.3 * y - 0.2 * x);
  });

describe('light within the range of its colours', () => {
  it('is left as it is where it lies within', () => {
    const plane = waves(30, 0, 0.3);
    const want = plane.slice(ROWS_AROUND * WIDTH, -ROWS_AROUND * WIDTH);
    expect(withinRange(plane, WIDTH, RANGE)).toEqual(want);
  });

  it('has none beyond it, and in the mean as much as before', () => {
    // One bright place on middle grey, away from all edges.
    const plane = new Float32Array(WIDTH * 30).fill(0.5);
    for (const [at, light] of [
      [20, 1.4],
      [21, 1.1],
      [60, -0.2],
    ])
      plane[WIDTH * 14 + at] = light;
    const before = sum(plane.slice(ROWS_AROUND * WIDTH, -ROWS_AROUND * WIDTH));
    const made = withinRange(plane, WIDTH, RANGE);
    expect(Math.max(...made)).toBeLessThanOrEqual(RANGE.most + 1e-6);
    expect(Math.min(...made)).toBeGreaterThanOrEqual(RANGE.least - 1e-6);
    expect(sum(made)).toBeCloseTo(before, 3);
  });

  it('is cut off where nothing around has room for more', () => {
    const made = withinRange(new Float32Array(WIDTH * 30).fill(0.95), WIDTH, RANGE);
    made.forEach((light) => expect(light).toBeCloseTo(RANGE.most, 5));
  });

  it('of colours that are alike is theirs', () => {
    const plane = new Float32Array(WIDTH * 30).fill(1 + 1e-6);
    const made = withinRange(plane, WIDTH, { least: 1, most: 1 });
    made.forEach((light) => expect(light).toBe(1));
  });

  it('comes to the same in parts as in one', () => {
    const whole = withinRange(waves(40, 0, 0.6), WIDTH, RANGE);
    for (const first of [0, 7, 19]) {
      const part = withinRange(waves(5 + 2 * ROWS_AROUND, first, 0.6), WIDTH, RANGE);
      part.forEach((light, i) => expect(light).toBe(whole[first * WIDTH + i]));
    }
  });
});
