import type { Lab } from '../colour/lab.ts';
import { randomAt } from '../base/random.ts';

const square = (a: Lab, b: Lab): number => (a[0] - b[0]) ** 2 + (a[1] - b[1]) ** 2 + (a[2] - b[2]) ** 2;

/** Rounds after which clusters have settled. */
const ROUNDS = 24;
/** ΔE within which a colour needs no ink, since the stock has it. */
const LIKE_STOCK = 14;

/**
 * The colours that stand best for a picture's: clusters in Lab, begun far from one another and settled by moving each to the
 * middle of what is nearest to it (S. P. Lloyd, "Least Squares Quantization in PCM", 1982; begun as by D. Arthur and
 * S. Vassilvitskii, "k-means++", 2007). The stock is one of them already.
 *
 * @param colours of the picture's pixels, or a good many of them
 * @returns `count` colours or fewer, those of most pixels first
 */
export function pickColours(colours: readonly Lab[], count: number, stock: Lab): Lab[] {
  if (colours.length === 0) return [];
  const middles: Lab[] = [stock];
  const nearest = colours.map((one) => square(one, stock));
  while (middles.length <= count) {
    // The farthest of a few drawn by their squared distance: neither a stray pixel nor more of the same.
    const whole = nearest.reduce((sum, one) => sum + one, 0);
    if (whole === 0) break;
    let best = 0;
    let gain = -1;
    for (let draw = 0; draw < 12; draw++) {
      let left = (randomAt(5, middles.length, draw) / 2 ** 32) * whole;
      let at = 0;
      while (at < nearest.length - 1 && (left -= nearest[at]) > 0) at++;
      const better = colours.reduce(
        (sum, one, i) => sum + Math.max(0, nearest[i] - square(one, colours[at])),
        0,
      );
      if (better > gain) [best, gain] = [at, better];
    }
    middles.push(colours[best]);
    colours.forEach((one, i) => (nearest[i] = Math.min(nearest[i], square(one, colours[best]))));
  }
  const counts = new Array<number>(middles.length).fill(0);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = middles.map(() => [0, 0, 0]);
    counts.fill(0);
    for (const one of colours) {
      let at = 0;
      for (let k = 1; k < middles.length; k++) if (square(one, middles[k]) < square(one, middles[at])) at = k;
      counts[at]++;
      for (let k = 0; k < 3; k++) sums[at][k] += one[k];
    }
    // The stock stays what it is.
    for (let k = 1; k < middles.length; k++) {
      if (counts[k] > 0)
        middles[k] = [sums[k][0] / counts[k], sums[k][1] / counts[k], sums[k][2] / counts[k]];
    }
  }
  return middles
    .map((lab, k) => ({ lab, count: counts[k] }))
    .slice(1)
    .filter(({ lab, count: pixels }) => pixels > 0 && square(lab, stock) > LIKE_STOCK ** 2)
    .sort((a, b) => b.count - a.count)
    .map(({ lab }) => lab);
}

/**
 * Inks for picked colours: dots of an ink are diluted by the stock, so inks are fuller than the colours they stand for. On
 * light stock they are drawn away from it, on dark stock they stay.
 */
export const inkOfColour = ([l, a, b]: Lab, stock: Lab): Lab => {
  if (stock[0] < 50) return [l, a, b];
  const fuller = 1.18;
  return [Math.max(6, stock[0] - (stock[0] - l) * fuller), a * fuller, b * fuller];
};
