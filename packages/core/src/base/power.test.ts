import { power } from './power.ts';

it('power agrees with Math.pow', () => {
  for (let x = 0.001; x < 3; x += 0.0137) {
    for (const p of [0.2, 1 / 2.4, 0.5, 1, 1.7, 2.4, 5]) {
      expect(power(x, p) / Math.pow(x, p)).toBeCloseTo(1, 12);
    }
  }
  expect([power(0, 2), power(0, 0), power(1, 3.3)]).toEqual([0, 1, 1]);
});
