import { encode8 } from '../colour/srgb.ts';
import { demichel } from '../ink/model.ts';
import { power } from '../base/power.ts';
import { cache } from '../base/cache.ts';
import type { PlatesView, Shown } from './plates-view.ts';
import { inkShares } from './ink-shares.ts';
import { WIDE_TO_SRGB } from '../colour/wide-to-srgb.ts';

/** Steps that a plate's share of a pixel is told apart in. A draft's pixels hold four device pixels or so. */
const STEPS = 16;
/** Plates whose shares together still are a number of a table. */
export const MOST_DRAFTED = 4;

/** Colours by the plates' shares, each found when it is first asked for: 0 until then. */
const recentColours = cache<Uint32Array>('draft colours');

/**
 * A first picture of plates: it takes it that they know nothing of one another within a pixel (Demichel), and that light spreads within
 * that pixel alone.
 *
 * @param roots light of the overprints to the power 1/n, three wide channels each, one after another
 * @param n     Yule–Nielsen factor of the stock
 */
export function draftProof(request: PlatesView, roots: Float64Array, n: number): Shown {
  const { view, rows, plates } = request;
  const table = recentColours(`${roots.join()} ${n}`, () => new Uint32Array((STEPS + 1) ** plates.length));
  const all = plates.map((plate) => inkShares(request, plate));
  const count = view.columns * rows.count;
  const rgba = new Uint8ClampedArray(count * 4);
  const pixels = new Uint32Array(rgba.buffer);
  const keys = new Uint32Array(count);
  const inked: number[] = [];
  let digit = 1;
  for (const shares of all) {
    let sum = 0;
    for (let i = 0; i < count; i++) {
      const share = shares[i];
      sum += share;
      keys[i] += Math.min(STEPS, Math.max(0, share * STEPS + 0.5) | 0) * digit;
    }
    inked.push(sum / count);
    digit *= STEPS + 1;
  }
  const colour = (key: number): number => {
    const amounts = plates.map((_, k) => (Math.floor(key / (STEPS + 1) ** k) % (STEPS + 1)) / STEPS);
    return (table[key] = colourOf(demichel(amounts), roots, n));
  };
  for (let i = 0; i < count; i++) pixels[i] = table[keys[i]] || colour(keys[i]);
  return { rgba, inked };
}

/** The colour that overprints come to by their shares, as a pixel of four bytes. */
function colourOf(shares: Float64Array, roots: Float64Array, n: number): number {
  const seen = [0, 1, 2].map((channel) => {
    let sum = 0;
    for (let set = 0; set < shares.length; set++) sum += shares[set] * roots[3 * set + channel];
    return power(sum, n);
  });
  const [r, g, b] = [0, 1, 2].map((k) =>
    encode8(
      WIDE_TO_SRGB[3 * k] * seen[0] + WIDE_TO_SRGB[3 * k + 1] * seen[1] + WIDE_TO_SRGB[3 * k + 2] * seen[2],
    ),
  );
  return new Uint32Array(Uint8Array.of(r, g, b, 255).buffer)[0];
}
