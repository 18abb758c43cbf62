import { seeded } from './noise.ts';

/** How much of each pixel (0–1) stands before a stand of reeds, row after row. */
export function reeds(
  width: number,
  height: number,
  count: number,
  tallest: number,
  seed: number,
): Float32Array {
  const random = seeded(seed);
  const mask = new Float32Array(width * height);
  for (let n = 0; n < count; n++) {
    const length = height * tallest * (0.35 + 0.65 * Math.pow(random(), 0.8));
    const base = random() * 1.1 * width - 0.05 * width;
    const lean = (random() - 0.42) * 0.35;
    const bend = (random() - 0.35) * 0.5;
    const thick = width * (0.0006 + 0.0014 * random());
    blade(mask, width, height, base, length, lean, bend, thick);
    if (random() < 0.3) seedHead(mask, width, height, base, length, lean, bend, thick * 5, random);
  }
  return mask;
}

/** Sideways distance of a stem from its foot at a share t of its length. */
const sway = (length: number, lean: number, bend: number, t: number): number =>
  length * (lean * t + bend * t * t * t) * 0.5;

function blade(
  mask: Float32Array,
  width: number,
  height: number,
  base: number,
  length: number,
  lean: number,
  bend: number,
  thick: number,
): void {
  for (let step = 0; step < length; step++) {
    const t = step / length;
    const half = thick * (1 - t * 0.85) * 0.5;
    span(mask, width, Math.round(height - 1 - step), base + sway(length, lean, bend, t), half);
  }
}

function seedHead(
  mask: Float32Array,
  width: number,
  height: number,
  base: number,
  length: number,
  lean: number,
  bend: number,
  thick: number,
  random: () => number,
): void {
  const size = length * (0.1 + 0.05 * random());
  for (let step = 0; step < size; step++) {
    const t = step / size;
    const half = thick * Math.sin(Math.PI * Math.min(1, t * 1.1 + 0.04)) * (0.6 + 0.8 * random()) * 0.5;
    const y = height - 1 - length * 0.96 - step + size * 0.4;
    span(mask, width, Math.round(y), base + sway(length, lean, bend, 0.96 + t * 0.06), Math.max(0, half));
  }
}

/** Marks a row from x − half to x + half, its ends by the share of the pixel they cover. */
function span(mask: Float32Array, width: number, y: number, x: number, half: number): void {
  if (y < 0 || y * width >= mask.length) return;
  const from = x - half;
  const to = x + half;
  for (let column = Math.max(0, Math.floor(from)); column <= Math.min(width - 1, Math.floor(to)); column++) {
    const share = Math.min(to, column + 1) - Math.max(from, column);
    const i = y * width + column;
    mask[i] = Math.min(1, mask[i] + share);
  }
}
