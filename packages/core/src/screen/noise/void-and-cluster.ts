import { randomAt } from '../../base/random.ts';

/** How far pixels push, in pixels, and the bell they push by. */
const REACH = 9;
const SIGMA = 1.9;

/**
 * The order in which the pixels of a square tile are inked so that at every number of them they lie as evenly as they can
 * without falling into a pattern: blue noise.
 *
 * Source: R. Ulichney, "The void-and-cluster method for dither array generation", Proc. SPIE 1913 (1993).
 *
 * @param side of the tile in pixels, a power of 2
 * @returns pixels (y · side + x), first inked first
 */
export function voidAndCluster(side: number, seed: number): Uint32Array {
  const count = side * side;
  const mask = side - 1;
  const bell: { dx: number; dy: number; push: number }[] = [];
  for (let dy = -REACH; dy <= REACH; dy++) {
    for (let dx = -REACH; dx <= REACH; dx++) {
      const push = Math.round(2 ** 24 * Math.exp(-(dx * dx + dy * dy) / (2 * SIGMA * SIGMA)));
      if (push > 0) bell.push({ dx, dy, push });
    }
  }
  const inked = new Uint8Array(count);
  const pressure = new Float64Array(count);
  const put = (pixel: number, ink: 0 | 1): void => {
    inked[pixel] = ink;
    const [x, y] = [pixel & mask, Math.floor(pixel / side)];
    const way = ink ? 1 : -1;
    for (const { dx, dy, push } of bell) {
      pressure[((y + dy) & mask) * side + ((x + dx) & mask)] += way * push;
    }
  };
  /** The tightest cluster's pixel, or the widest void's. */
  const find = (ink: 0 | 1): number => {
    let best = -1;
    for (let i = 0; i < count; i++) {
      if (inked[i] !== ink) continue;
      if (best < 0 || (ink ? pressure[i] > pressure[best] : pressure[i] < pressure[best])) best = i;
    }
    return best;
  };
  const first = Math.max(1, count >> 4);
  for (let i = 0, put1 = 0; put1 < first; i++) {
    const pixel = randomAt(seed, i, 0) % count;
    if (inked[pixel]) continue;
    put(pixel, 1);
    put1++;
  }
  // The first pattern settles: its tightest pixel goes to its widest void until that is where it came from.
  for (;;) {
    const tight = find(1);
    put(tight, 0);
    const wide = find(0);
    put(wide, 1);
    if (wide === tight) break;
  }
  const order = new Uint32Array(count);
  const settled = inked.slice();
  for (let rank = first - 1; rank >= 0; rank--) {
    const tight = find(1);
    put(tight, 0);
    order[rank] = tight;
  }
  for (let i = 0; i < count; i++) if (settled[i]) put(i, 1);
  for (let rank = first; rank < count; rank++) {
    const wide = find(0);
    put(wide, 1);
    order[rank] = wide;
  }
  return order;
}
