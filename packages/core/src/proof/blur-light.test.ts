import { randomAt } from '../base/random.ts';
import { blurLight } from './blur-light.ts';

/** The same by its formula, pixel by pixel, in double precision. */
function naive(plane: Float32Array, width: number, height: number, sigma: number): Float64Array {
  const reach = Math.ceil(3 * sigma);
  const bell = (i: number) => Math.exp(-(i * i) / (2 * sigma * sigma));
  const pass = (from: ArrayLike<number>, at: (x: number, y: number, k: number) => number) =>
    Float64Array.from({ length: width * height }, (_, i) => {
      let [sum, whole] = [0, 0];
      for (let k = -reach; k <= reach; k++) {
        sum += bell(k) * from[at(i % width, Math.floor(i / width), k)];
        whole += bell(k);
      }
      return sum / whole;
    });
  const within = (value: number, limit: number) => Math.min(limit - 1, Math.max(0, value));
  const across = pass(plane, (x, y, k) => y * width + within(x + k, width));
  return pass(across, (x, y, k) => within(y + k, height) * width + x);
}

describe('blurred light', () => {
  const light = (count: number) =>
    Float32Array.from({ length: count }, (_, i) => randomAt(1, i, 0) / 2 ** 32);
  it.each([
    [40, 30, 0.7],
    [33, 9, 2],
    [5, 40, 3],
    // Wider than what is blurred at once.
    [1030, 4, 1.2],
    [1, 1, 5],
  ])('of %d × %d pixels by %p is what the bell’s formula gives', (width, height, sigma) => {
    const plane = light(width * height);
    const want = naive(plane, width, height, sigma);
    blurLight(plane, width, height, sigma).forEach((value, i) => expect(value).toBeCloseTo(want[i], 5));
  });
  it('of a flat plane stays flat', () => {
    const flat = new Float32Array(60 * 50).fill(0.375);
    for (const value of blurLight(flat, 60, 50, 2.5)) expect(value).toBeCloseTo(0.375, 6);
  });
  it('leaves what it was given as it is', () => {
    const plane = light(200);
    const before = plane.slice();
    blurLight(plane, 20, 10, 1);
    expect(plane).toEqual(before);
  });
});
