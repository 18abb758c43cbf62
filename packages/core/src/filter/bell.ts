import { FILTER, uploadOnce, kernels, wholesAt } from '../kernel/memory.ts';
import { power } from '../base/power.ts';
import { cache } from '../base/cache.ts';
import type { RowFilter } from './row-filter.ts';
import { padRow } from './window.ts';

/** A standard deviation below this (pixels) changes nothing worth having. */
export const LEAST_SIGMA = 0.15;
/** Wider ones than this are made on halved pictures, where fewer taps do the same. */
const WIDEST = 4;
/** Taps reach this many standard deviations. */
const REACH = 3;
const ONE = 1 << 15;

interface Passes {
  /** The picture is reduced by 2 to this power first. */
  readonly halvings: number;
  /** Weights of the taps, adding up to 2¹⁵. */
  readonly weights: Uint16Array;
}

const recentPasses = cache<Passes>('filter passes');

/** How a blur of a standard deviation in pixels is made. */
export function passesOf(sigma: number): Passes {
  return recentPasses(String(sigma), () => {
    let halvings = 0;
    while (sigma / 2 ** halvings > WIDEST) halvings++;
    const cell = 4 ** halvings;
    // Means over cells and the straight lines between their centres blur too: cells by (s² − 1)/12, lines by s²/6.
    const rest = sigma * sigma - (halvings === 0 ? 0 : (cell - 1) / 12 + cell / 6);
    const narrow = Math.sqrt(rest / cell);
    const radius = Math.ceil(REACH * narrow);
    const bell = Array.from({ length: 2 * radius + 1 }, (_, i) =>
      power(Math.E, -((i - radius) ** 2) / (2 * narrow * narrow) + 20),
    );
    const sum = bell.reduce((a, b) => a + b, 0);
    const weights = Uint16Array.from(bell, (value) => Math.round((value / sum) * ONE));
    weights[radius] += ONE - weights.reduce((a, b) => a + b, 0);
    return { halvings, weights };
  });
}

/** The taps down the columns, then along the rows. */
export function weighing(weights: Uint16Array): RowFilter {
  const taps = weights.length;
  const back = taps >> 1;
  const addresses = wholesAt(FILTER.addresses, taps);
  return {
    before: back,
    after: taps - 1 - back,
    make(_y, at, out, width) {
      for (let t = 0; t < taps; t++) addresses[t] = at(t - back);
      kernels.weighDown(FILTER.addresses, uploadOnce(weights), taps, FILTER.row + 2 * back, width);
      padRow(back, taps, width);
      kernels.weighAlong(FILTER.row, uploadOnce(weights), taps, out, width);
    },
  };
}
