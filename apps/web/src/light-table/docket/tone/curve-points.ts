import type { CurvePoint } from '@brachytone/core';

/** Least distance of neighbouring points, percent. */
export const APART = 1;

export const clamp = (value: number, least: number, most: number): number =>
  Math.min(most, Math.max(least, value));
export const round = (value: number): number => Math.round(value * 10) / 10;

/** A point moved to a place, kept between its neighbours; the ends keep their own tone in. */
export function movePoint(points: readonly CurvePoint[], at: number, to: CurvePoint): CurvePoint[] {
  const least = at === 0 ? 0 : points[at - 1].in + APART;
  const most = at === points.length - 1 ? 100 : points[at + 1].in - APART;
  return points.map((point, i) =>
    i === at ? { in: round(clamp(to.in, least, most)), out: round(clamp(to.out, 0, 100)) } : point,
  );
}
