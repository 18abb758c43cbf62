import { tintGradient } from '../testing.ts';
import type { Gradient } from './gradient.ts';
import { withShape } from './with-shape.ts';

const line: Gradient = tintGradient(0, {
  from: { x: 0.5, y: 0.1 },
  to: { x: 0.5, y: 0.9 },
  stops: [
    { at: 0, tone: 100, middle: 0.4 },
    { at: 0.5, tone: 20, middle: 0.5 },
    { at: 1, tone: 0, middle: 0.5 },
  ],
});

describe('a gradient in another shape', () => {
  it.each(['radial', 'elliptical'] as const)(
    '%s, begins in the middle and ends where the line did',
    (shape) => {
      expect(withShape(line, shape)).toEqual({ ...line, shape, from: { x: 0.5, y: 0.5 } });
    },
  );
  it('comes back as the line it was', () => {
    expect(withShape(withShape(line, 'radial'), 'linear')).toEqual(line);
    expect(withShape(withShape(withShape(line, 'radial'), 'elliptical'), 'linear')).toEqual(line);
  });
  it('of points, has them where its stops stood, with their tones', () => {
    const { points } = withShape(line, 'points');
    expect(points.map(({ tone }) => tone)).toEqual([100, 20, 0]);
    expect(points[1].x).toBeCloseTo(0.5, 12);
    expect(points[1].y).toBeCloseTo(0.5, 12);
  });
  it('keeps points that were moved, there and back', () => {
    const points = withShape(line, 'points');
    const moved = { ...points, points: points.points.map((point) => ({ ...point, x: 0.1 })) };
    expect(withShape(withShape(moved, 'linear'), 'points').points).toEqual(moved.points);
  });
});
