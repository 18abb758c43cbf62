/**
 * A square tile of whole device pixels that holds a whole number of screen cells. Its edges are the pixel vectors
 * (ax, ay) and (−ay, ax), x to the right, y down; along (ax, ay) it takes m steps of the screen's first direction
 * and n of its second, so it holds m² + n² cells in ax² + ay² pixels.
 */
export interface Supercell {
  readonly m: number;
  readonly n: number;
  readonly ax: number;
  readonly ay: number;
  readonly cells: number;
  readonly pixels: number;
  /** Ruling as made, lines per inch. */
  readonly ruling: number;
  /** Angle as made, degrees anticlockwise, in [0, 360). */
  readonly angle: number;
}

/** Ruling (lines per inch) and angle (degrees) may be off by this much. */
export const RULING_TOLERANCE = 0.05;
export const ANGLE_TOLERANCE = 0.02;

/** A cell is never smaller than this many device pixels across. */
export const SMALLEST_CELL = 2;

/** Supercells up to the first size are searched for the best one; up to the second only until one is good enough. */
const USUAL_PIXELS = 1 << 15;
/** The same for the number of cells, whose order takes time to find. */
const USUAL_CELLS = 256;
const MOST_PIXELS = 1 << 20;
const MOST_CELLS = 4096;
/** A draft is worth no search beyond the first size, and less than that. */
const DRAFT_CELLS = 144;
/** Below this many pixels a supercell is repeated to give flat tones finer steps. */
const LEAST_PIXELS = 4096;
const DRAFT_LEAST_PIXELS = 512;

/** Steps (m, n) of one quarter turn, by number of cells; the other quarters are the same tiles turned. */
const CANDIDATES = (() => {
  const list: { m: number; n: number; cells: number }[] = [];
  const most = Math.floor(Math.sqrt(MOST_CELLS));
  for (let m = 1; m <= most; m++) {
    for (let n = 0; n <= most; n++)
      if (m * m + n * n <= MOST_CELLS) list.push({ m, n, cells: m * m + n * n });
  }
  return list.sort((p, q) => p.cells - q.cells || p.n - q.n);
})();

/** The nearest whole number. Sines may differ in their last bit between engines; halves must not depend on it. */
const nearest = (value: number): number => Math.floor(value + 0.5 + 1e-7);

const degrees = (radians: number): number => (radians * 180) / Math.PI;

/** Difference of two angles in degrees, in (−180, 180]. */
export function angleDifference(a: number, b: number): number {
  const d = (((a - b) % 360) + 360) % 360;
  return d > 180 ? d - 360 : d;
}

/**
 * The supercell that comes closest to a ruling and angle at a resolution.
 *
 * @param ruling     lines per inch
 * @param angle      degrees anticlockwise
 * @param resolution device pixels per inch
 * @param draft      true for the best of few small ones, whatever the tolerances
 * @throws RangeError where no cell fits the resolution
 */
export function findSupercell(ruling: number, angle: number, resolution: number, draft = false): Supercell {
  const cell = Math.max(SMALLEST_CELL, resolution / ruling);
  const turn = (-angle * Math.PI) / 180;
  const ex = cell * Math.cos(turn);
  const ey = cell * Math.sin(turn);
  const most = Math.max(MOST_PIXELS, 2 * cell * cell);
  let best: Supercell | undefined;
  let bestError = Infinity;
  for (const { m, n, cells } of CANDIDATES) {
    const expected = cells * cell * cell;
    const unusual = expected > USUAL_PIXELS || cells > USUAL_CELLS;
    if (best && (expected > most || (unusual && bestError <= 1) || (draft && cells > DRAFT_CELLS))) break;
    const ax = nearest(m * ex - n * ey);
    const ay = nearest(m * ey + n * ex);
    if (ax === 0 && ay === 0) continue;
    const made = describe(m, n, ax, ay, resolution);
    const error = Math.max(
      Math.abs(made.ruling - resolution / cell) / RULING_TOLERANCE,
      Math.abs(angleDifference(made.angle, angle)) / ANGLE_TOLERANCE,
    );
    if (error < bestError - 1e-9) {
      best = made;
      bestError = error;
    }
  }
  if (!best) throw new RangeError(`No screen of ${ruling} lpi can be made at ${resolution} dpi.`);
  const repeat = Math.ceil(Math.sqrt((draft ? DRAFT_LEAST_PIXELS : LEAST_PIXELS) / best.pixels));
  return repeat <= 1
    ? best
    : describe(best.m * repeat, best.n * repeat, best.ax * repeat, best.ay * repeat, resolution);
}

function describe(m: number, n: number, ax: number, ay: number, resolution: number): Supercell {
  const cells = m * m + n * n;
  const pixels = ax * ax + ay * ay;
  const turn = Math.atan2(ay, ax) - Math.atan2(n, m);
  return {
    m,
    n,
    ax,
    ay,
    cells,
    pixels,
    ruling: resolution * Math.sqrt(cells / pixels),
    angle: (((-degrees(turn) % 360) + 360) % 360) % 360,
  };
}
