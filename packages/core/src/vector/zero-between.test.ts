import { zeroBetween } from './zero-between.ts';

it.each<[string, (at: number) => number, zero: number, within: number]>([
  ['a straight line', (at) => 0.37 - at, 0.37, 1e-12],
  ['a falling one of any size', (at) => 5e4 * (0.9 - at), 0.9, 1e-12],
  ['a parabola', (at) => 0.25 - at * at, 0.5, 0.02],
  ['a steep step', (at) => Math.tanh(40 * (at - 0.6)), 0.6, 0.05],
])('finds where %s passes 0', (_, valueAt, zero, within) => {
  expect(Math.abs(zeroBetween(valueAt, valueAt(0), valueAt(1)) - zero)).toBeLessThanOrEqual(within);
});

it('stays between the two places', () => {
  const at = zeroBetween(() => 0, 1, 0);
  expect(at).toBeGreaterThanOrEqual(0);
  expect(at).toBeLessThanOrEqual(1);
});
