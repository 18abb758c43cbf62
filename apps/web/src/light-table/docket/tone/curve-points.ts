import { clamp, rounded } from '@brachytone/core';
import type { CurvePoint } from '@brachytone/core';

/** Least distance of neighbouring points, percent. */
export const APART = 1;
/** A point moved to a place, kept between its neighbours; the ends keep their own tone in. */
export function movePoint(points: readonly CurvePoint[], at: number, to: CurvePoint): CurvePoint[] {
  const least = at === 0 ? 0 : points[at - 1].in + APART;
  const most = at === points.length - 1 ? 100 : points[at + 1].in - APART;
  return points.map((point, i) =>
    i === at ? { in: rounded(clamp(to.in, least, most), 1), out: rounded(clamp(to.out, 0, 100), 1) } : point,
  );
}
