/** A point of a tone curve: coverage in, coverage out, both in percent. */
export interface CurvePoint {
  readonly in: number;
  readonly out: number;
}

export const STRAIGHT: readonly CurvePoint[] = [
  { in: 0, out: 0 },
  { in: 100, out: 100 },
];

/**
 * The smooth curve through the points: piecewise cubic, and monotone wherever neighbouring points are, so it never
 * overshoots them. Before the first and after the last point it runs level. Points must be sorted by `in`, no two equal.
 *
 * Source: F. N. Fritsch and R. E. Carlson, "Monotone Piecewise Cubic Interpolation", SIAM J. Numer. Anal. 17 (1980),
 * with the three-point slopes limited to the circle of radius 3.
 *
 * @returns a function from percent to percent
 */
export function monotoneCurve(points: readonly CurvePoint[]): (percent: number) => number {
  const count = points.length;
  if (count === 0) return (percent) => percent;
  if (count === 1) return () => points[0].out;
  const secants: number[] = [];
  for (let i = 0; i < count - 1; i++) {
    secants.push((points[i + 1].out - points[i].out) / (points[i + 1].in - points[i].in));
  }
  const slopes = points.map((_, i) => {
    if (i === 0) return secants[0];
    if (i === count - 1) return secants[count - 2];
    return secants[i - 1] * secants[i] <= 0 ? 0 : (secants[i - 1] + secants[i]) / 2;
  });
  for (let i = 0; i < count - 1; i++) {
    if (secants[i] === 0) {
      slopes[i] = 0;
      slopes[i + 1] = 0;
      continue;
    }
    const a = slopes[i] / secants[i];
    const b = slopes[i + 1] / secants[i];
    const radius = a * a + b * b;
    if (radius > 9) {
      const shrink = 3 / Math.sqrt(radius);
      slopes[i] = shrink * a * secants[i];
      slopes[i + 1] = shrink * b * secants[i];
    }
  }
  return (percent) => {
    if (percent <= points[0].in) return points[0].out;
    if (percent >= points[count - 1].in) return points[count - 1].out;
    let i = 0;
    while (percent > points[i + 1].in) i++;
    const width = points[i + 1].in - points[i].in;
    const t = (percent - points[i].in) / width;
    const t2 = t * t;
    const t3 = t2 * t;
    return (
      (2 * t3 - 3 * t2 + 1) * points[i].out +
      (t3 - 2 * t2 + t) * width * slopes[i] +
      (3 * t2 - 2 * t3) * points[i + 1].out +
      (t3 - t2) * width * slopes[i + 1]
    );
  };
}
