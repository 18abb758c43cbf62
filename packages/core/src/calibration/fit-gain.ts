import { median } from '../base/numbers.ts';
import type { CurvePoint } from '../tone/curve.ts';

/** A measured tone: percent of the film, and printed of it. */
export interface ToneReading {
  readonly film: number;
  readonly printed: number;
}

/** A gain curve fitted to readings. */
export interface FittedGain {
  /** From 0 to 100 %, never falling. */
  readonly points: CurvePoint[];
  /** Readings that lie too far off their neighbours, which were left out, by their places among those given. */
  readonly outliers: readonly number[];
  /** Root of the mean square of what readings are off the curve, percent. */
  readonly residual: number;
}

/** Percent of film to either side that a point is smoothed over; less at the ends, where curves bend. */
const REACH = 9;
/** Tones between bare and solid that a curve has points at, at most. */
const MOST_TONES = 60;
/** So many times the usual distance from the curve is too far, and never less than so many percent. */
const [FAR, LEAST_FAR] = [4, 2.5];

/**
 * The monotone curve through readings: repeats count each by itself, points are smoothed by parabolas over their neighbours (W. S. Cleveland,
 * "Robust Locally Weighted Regression", JASA 74, 1979), and what still falls is levelled (M. Ayer et al., pool adjacent violators, 1955).
 *
 * @param without readings left out by hand, by their places
 */
export function fitGain(readings: readonly ToneReading[], without: readonly number[] = []): FittedGain {
  const films = thinned(
    [...new Set(readings.map(({ film }) => film))]
      .filter((film) => film > 0 && film < 100)
      .sort((a, b) => a - b),
  );
  const ends = [
    { film: 0, printed: 0 },
    { film: 100, printed: 100 },
  ];
  let left = readings.map((_, i) => i).filter((i) => !without.includes(i));
  let curve = smoothed(films, [...left.map((i) => readings[i]), ...ends]);
  const off = (i: number): number => Math.abs(readings[i].printed - between(curve, readings[i].film));
  const outliers: number[] = [];
  // One at a time, the worst first: it draws the curve towards itself, and away from its neighbours.
  for (;;) {
    const worst = left.reduce((most, i) => (off(i) > off(most) ? i : most), left[0]);
    if (worst === undefined || off(worst) <= Math.max(LEAST_FAR, FAR * median(left.map(off)))) break;
    outliers.push(worst);
    left = left.filter((i) => i !== worst);
    curve = smoothed(films, [...left.map((i) => readings[i]), ...ends]);
  }
  const squares = left.map((i) => off(i) ** 2);
  return {
    points: curve,
    outliers,
    residual: Math.sqrt(squares.reduce((sum, one) => sum + one, 0) / Math.max(1, squares.length)),
  };
}

/** Evenly fewer of them, where there are more than a curve has. */
const thinned = (films: readonly number[]): readonly number[] =>
  films.length <= MOST_TONES
    ? films
    : Array.from(
        { length: MOST_TONES },
        (_, i) => films[Math.round((i * (films.length - 1)) / (MOST_TONES - 1))],
      );

function smoothed(films: readonly number[], readings: readonly ToneReading[]): CurvePoint[] {
  const raw = films.map((film) => parabolaAt(film, readings));
  const levelled = rising(raw);
  return [
    { in: 0, out: 0 },
    ...films.map((film, i) => ({
      in: film,
      out: Number(Math.min(100, Math.max(0, levelled[i])).toFixed(3)),
    })),
    { in: 100, out: 100 },
  ];
}

/** What a parabola through the readings near a tone, nearer ones weighing more, is there. */
function parabolaAt(film: number, readings: readonly ToneReading[]): number {
  const reach = Math.max(2.2, Math.min(REACH, 0.6 * Math.min(film, 100 - film) + 1.2));
  const sums = [0, 0, 0, 0, 0];
  const right = [0, 0, 0];
  for (const one of readings) {
    const u = (one.film - film) / reach;
    if (Math.abs(u) >= 1) continue;
    const weight = (1 - Math.abs(u) ** 3) ** 3;
    for (let k = 0; k < 5; k++) sums[k] += weight * u ** k;
    for (let k = 0; k < 3; k++) right[k] += weight * u ** k * one.printed;
  }
  // With too few neighbours for a parabola their mean is what is known.
  const [s0, s1, s2, s3, s4] = sums;
  const determinant = s0 * (s2 * s4 - s3 * s3) - s1 * (s1 * s4 - s2 * s3) + s2 * (s1 * s3 - s2 * s2);
  if (Math.abs(determinant) < 1e-6 * s0 ** 3) return right[0] / s0;
  return (
    (right[0] * (s2 * s4 - s3 * s3) -
      s1 * (right[1] * s4 - s3 * right[2]) +
      s2 * (right[1] * s3 - s2 * right[2])) /
    determinant
  );
}

/** Values with neighbours that fall drawn together to their mean. */
function rising(values: readonly number[]): number[] {
  const blocks: { sum: number; count: number }[] = [];
  for (const value of values) {
    blocks.push({ sum: value, count: 1 });
    while (blocks.length > 1) {
      const [a, b] = blocks.slice(-2);
      if (a.sum / a.count <= b.sum / b.count) break;
      blocks.splice(-2, 2, { sum: a.sum + b.sum, count: a.count + b.count });
    }
  }
  return blocks.flatMap(({ sum, count }) => new Array<number>(count).fill(sum / count));
}

/** Straight between the points of a curve. */
function between(curve: readonly CurvePoint[], film: number): number {
  const i = Math.max(
    1,
    curve.findIndex((point) => point.in >= film),
  );
  const [a, b] = [curve[i - 1], curve[i]];
  return a.out + ((b.out - a.out) * (film - a.in)) / (b.in - a.in);
}
