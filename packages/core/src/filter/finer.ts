import { createPlane, SOLID, type Plane } from '../raster/plane.ts';

/** Weights are whole numbers that add up to this. */
const ONE = 1 << 14;

/** Pixels to either side that a finer pixel is made of. */
export const FINER_MARGIN = 2;

/**
 * The cubic kernel with B = C = ⅓ at a distance in pixels.
 *
 * Source: D. P. Mitchell & A. N. Netravali, "Reconstruction filters in computer graphics", SIGGRAPH 1988.
 */
function kernel(distance: number): number {
  const x = Math.abs(distance);
  if (x < 1) return (7 * x * x * x - 12 * x * x + 16 / 3) / 6;
  if (x < 2) return ((-7 / 3) * x * x * x + 12 * x * x - 20 * x + 32 / 3) / 6;
  return 0;
}

/** For each of the finer pixels within one: how far the first of four pixels lies before it, and the four's weights. */
function phases(factor: number): { back: number; weights: number[] }[] {
  return Array.from({ length: factor }, (_, i) => {
    const at = (i + 0.5) / factor - 0.5;
    const first = Math.floor(at) - 1;
    const weights = [0, 1, 2, 3].map((t) => Math.round(kernel(at - first - t) * ONE));
    weights[at < 0 ? 2 : 1] += ONE - weights.reduce((a, b) => a + b);
    return { back: -first, weights };
  });
}

/**
 * A plane on a grid `factor` times as fine, running smoothly through its pixels. Beyond its edges its outermost pixels
 * repeat.
 */
export function finerPlane({ width, height, data }: Plane, factor: number): Plane {
  const parts = phases(factor);
  const wide = width * factor;
  const across = new Int32Array(wide * height);
  const padded = new Int32Array(width + 2 * FINER_MARGIN);
  for (let y = 0; y < height; y++) {
    padded.set(data.subarray(y * width, (y + 1) * width), FINER_MARGIN);
    padded.fill(padded[FINER_MARGIN], 0, FINER_MARGIN);
    padded.fill(padded[FINER_MARGIN + width - 1], FINER_MARGIN + width);
    for (let i = 0; i < factor; i++) {
      const { back, weights } = parts[i];
      const [a, b, c, d] = weights;
      for (let x = 0, to = y * wide + i, from = FINER_MARGIN - back; x < width; x++, to += factor, from++) {
        across[to] =
          (a * padded[from] + b * padded[from + 1] + c * padded[from + 2] + d * padded[from + 3] + ONE / 2) >>
          14;
      }
    }
  }
  const out = createPlane(wide, height * factor);
  const rowAt = (y: number) => Math.min(height - 1, Math.max(0, y)) * wide;
  for (let y = 0, to = 0; y < height; y++) {
    for (const { back, weights } of parts) {
      const [a, b, c, d] = weights;
      const [p, q, r, s] = [0, 1, 2, 3].map((t) => rowAt(y - back + t));
      for (let x = 0; x < wide; x++, to++) {
        const sum = a * across[p + x] + b * across[q + x] + c * across[r + x] + d * across[s + x] + ONE / 2;
        out.data[to] = Math.min(SOLID, Math.max(0, sum >> 14));
      }
    }
  }
  return out;
}
