import { randomAt } from '../../base/random.ts';
import { cache } from '../../base/cache.ts';
import { turnOf } from '../../base/turn.ts';
import { orderOf, tileOf } from '../tile.ts';
import type { Thresholds } from '../thresholds.ts';

/** A grain as wanted, lengths in pixels. */
export interface Grain {
  readonly size: number;
  /** Length of streaks; 0 for round grains. */
  readonly length: number;
  /** Direction of streaks, degrees anticlockwise. */
  readonly angle: number;
  readonly seed: number;
  /** A quarter of the tile will do. */
  readonly draft: boolean;
}

/** The tile holds this many grains across, as far as its size allows. */
const GRAINS = 64;
const LEAST_SIDE = 256;
const MOST_SIDE = 1024;

const recentTiles = cache<Thresholds>('grain tiles');

/** Thresholds of seeded noise, band-passed to the size of the grains and drawn out along their direction. */
export const grainTile = (grain: Grain): Thresholds =>
  recentTiles(JSON.stringify(grain), () => {
    const most = grain.draft ? MOST_SIDE / 2 : MOST_SIDE;
    const wanted = Math.max(LEAST_SIDE, GRAINS * Math.max(grain.size, grain.length / 4));
    const side = 2 ** Math.ceil(Math.log2(Math.min(most, wanted)));
    return tileOf(side, side, orderOf(grainValues(side, grain)));
  });

function grainValues(side: number, { size, length, angle, seed }: Grain): Float32Array {
  const white = new Float32Array(side * side);
  for (let y = 0, i = 0; y < side; y++) {
    for (let x = 0; x < side; x++, i++) white[i] = randomAt(seed, x, y) / 2 ** 32 - 0.5;
  }
  const drawn = length > size ? streaked(white, side, length, angle) : white;
  if (size <= 1) return drawn;
  // What a narrow blur leaves and a wide one takes away: nothing coarser than the grains, nothing finer.
  const narrow = blurred(drawn, side, size / 4);
  const wide = blurred(drawn, side, size);
  return narrow.map((value, i) => value - wide[i]);
}

/** Means along a direction, around the tile's edges. */
function streaked(data: Float32Array, side: number, length: number, angle: number): Float32Array {
  const { cos, sin } = turnOf(angle);
  const half = Math.max(1, Math.round(length / 2));
  const mask = side - 1;
  const out = new Float32Array(data.length);
  const offsets: { dx: number; dy: number; weight: number }[] = [];
  const step = Math.max(1, half / 24);
  for (let t = -half; t <= half; t += step) {
    const weight = 1 - Math.abs(t) / (half + 1);
    offsets.push({ dx: Math.floor(t * cos + 0.5), dy: Math.floor(-t * sin + 0.5), weight });
  }
  const sums = new Float64Array(side);
  for (let y = 0; y < side; y++) {
    sums.fill(0);
    for (const { dx, dy, weight } of offsets) {
      // A row's beginning comes from the tile's middle, its end from the tile's beginning.
      const base = ((y + dy) & mask) * side;
      const first = dx & mask;
      const left = side - first;
      for (let x = 0; x < left; x++) sums[x] += data[base + first + x] * weight;
      for (let x = left; x < side; x++) sums[x] += data[base + x - left] * weight;
    }
    out.set(sums, y * side);
  }
  return out;
}

/** Three passes of running means each way, close to a bell of that standard deviation, around the tile's edges. */
function blurred(data: Float32Array, side: number, sigma: number): Float32Array {
  const radius = Math.max(0, Math.round(sigma - 0.5));
  if (radius === 0) return data;
  let from = data;
  for (let pass = 0; pass < 6; pass++) {
    const to = new Float32Array(data.length);
    const [along, across] = pass % 2 === 0 ? [1, side] : [side, 1];
    for (let j = 0; j < side; j++) {
      const base = j * across;
      let sum = 0;
      for (let t = -radius; t <= radius; t++) sum += from[base + (t & (side - 1)) * along];
      for (let i = 0; i < side; i++) {
        to[base + i * along] = sum / (2 * radius + 1);
        sum +=
          from[base + ((i + radius + 1) & (side - 1)) * along] -
          from[base + ((i - radius) & (side - 1)) * along];
      }
    }
    from = to;
  }
  return from;
}
