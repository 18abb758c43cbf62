import { cache } from '../base/cache.ts';
import { countInk, enlargeBits } from '../raster/bits.ts';
import { MM_PER_INCH } from '../raster/frame.ts';
import { SOLID } from '../raster/plane.ts';
import { thinParts } from '../raster/thin-parts.ts';
import { flatPatch } from '../screen/flat-patch.ts';
import { latticeOf, type Screen } from '../screen/screen.ts';

/** Side of a patch that spots are measured on, film pixels, and times that it is enlarged: discs are whole pixels wide. */
const [SIDE, TIMES] = [160, 4];
/** Share of the ink that must be in spots wide enough. */
const KEPT = 0.5;

const recentShares = cache<number>('holding shares');

/**
 * The share of the film, 0–1, from which on dots are as wide as they must be. It is that of bare stock from which on gaps are, too: screens treat
 * both alike.
 *
 * @param resolution of the film, dots per inch
 * @param least      µm across
 */
export function holdingShare(screen: Screen, resolution: number, least: number): number {
  const lattice = screen.coarse > 0 ? undefined : latticeOf(screen);
  if (lattice) return firstShare(30, (share) => lattice.size(share) * 1000 >= least);
  return recentShares(JSON.stringify([screen, resolution, least]), () =>
    firstShare(9, (share) => keptShare(screen, resolution, share, least) >= KEPT),
  );
}

/** The least share, 0–1, of which something is true, when it stays true from there on. */
function firstShare(turns: number, isTrue: (share: number) => boolean): number {
  let [low, high] = [0, 1];
  for (let turn = 0; turn < turns; turn++) {
    const middle = (low + high) / 2;
    if (isTrue(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/** How much of the ink of a flat tone an opening leaves: spots of screens without a lattice are as they come. */
function keptShare(screen: Screen, resolution: number, share: number, least: number): number {
  const frame = { width: SIDE, height: SIDE, resolution, bleed: 0 };
  const bits = flatPatch(screen, frame, Math.round(SOLID * share), { x: 0, y: 0, width: SIDE, height: SIDE });
  const whole = { x: 0, y: 0, width: SIDE * TIMES, height: SIDE * TIMES };
  const large = enlargeBits(bits, 0, 0, TIMES, whole);
  const ink = countInk(large);
  if (ink === 0) return 0;
  const width = (least / 1000 / MM_PER_INCH) * resolution * TIMES;
  return 1 - countInk(thinParts(large, width)) / ink;
}
