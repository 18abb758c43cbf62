import { FILTER, kernels, lightAt, RING_BYTES, ROWS } from '../kernel/memory.ts';

/** Columns that are blurred at once, so that all rows a blur needs find room. */
const TILE = 1024;
const MOST_TAPS = RING_BYTES / (4 * TILE);

/** A Gaussian blur of light; beyond the edges the outermost pixels repeat. */
export function blurLight(plane: Float32Array, width: number, height: number, sigma: number): Float32Array {
  const radius = Math.min(Math.ceil(3 * sigma), (MOST_TAPS >> 1) - 1);
  const bell = Float64Array.from({ length: 2 * radius + 1 }, (_, i) =>
    Math.exp(-((i - radius) ** 2) / (2 * sigma * sigma)),
  );
  const sum = bell.reduce((a, b) => a + b, 0);
  const weights = bell.map((weight) => weight / sum);
  const out = new Float32Array(plane.length);
  for (let x = 0; x < width; x += TILE) {
    blurColumns({ plane, width, height }, x, Math.min(TILE, width - x), weights, out);
  }
  return out;
}

/** Blurs `count` columns from `left` on: across a few rows ahead, then down. */
function blurColumns(
  { plane, width, height }: { plane: Float32Array; width: number; height: number },
  left: number,
  count: number,
  weights: Float64Array,
  out: Float32Array,
): void {
  const radius = weights.length >> 1;
  const within = (value: number, limit: number) => Math.min(limit - 1, Math.max(0, value));
  const line = lightAt(ROWS.source, count + 2 * radius);
  const made = lightAt(ROWS.out, count);
  // Kernels write up to three numbers past the end of a row.
  const stride = 4 * (count + 4);
  const rowAt = (y: number) => FILTER.ring + stride * (y % weights.length);
  const blurAcross = (y: number) => {
    const row = plane.subarray(y * width, (y + 1) * width);
    const [from, to] = [left - radius, left + count + radius];
    line.fill(row[0]);
    line.set(row.subarray(Math.max(0, from), Math.min(width, to)), Math.max(0, -from));
    line.fill(row[width - 1], Math.min(line.length, width - from));
    lightAt(rowAt(y), count).fill(0);
    weights.forEach((weight, k) => kernels.addScaled(ROWS.source + 4 * k, weight, rowAt(y), count));
  };
  for (let y = 0, done = 0; y < height; y++) {
    for (; done < height && done <= y + radius; done++) blurAcross(done);
    made.fill(0);
    weights.forEach((weight, k) =>
      kernels.addScaled(rowAt(within(y + k - radius, height)), weight, ROWS.out, count),
    );
    out.set(made, y * width + left);
  }
}
