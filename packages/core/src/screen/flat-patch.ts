import { cache } from '../base/cache.ts';
import { createBits, cropBits, enlargeBits, type Bits } from '../raster/bits.ts';
import type { Frame } from '../raster/frame.ts';
import { createPlane } from '../raster/plane.ts';
import type { Region } from '../raster/region.ts';
import { screened } from './screened.ts';
import { screenerFor, screenGridOf, type Screen } from './screen.ts';
import { STRAIGHT_TRANSFER } from './transfer.ts';

/** Spots of a flat tone around a patch that screens which carry something on need to settle. */
const RUN_IN = 40;

/** Patches of screens that carry something on: strips of a film come back to them. */
const recentPatches = cache<Bits>('flat patches', ({ data }) => data.byteLength + 256);

/**
 * A patch of one tone in a screen, made linear: without the smallest and the largest dot that the screen keeps.
 *
 * @param coverage 0–65535
 * @param patch    where it lies on the frame
 */
export function flatPatch(screen: Screen, frame: Frame, coverage: number, patch: Region): Bits {
  const grid = screenGridOf(screen, frame);
  const screener = screenerFor(screen, grid.frame, STRAIGHT_TRANSFER);
  if (!screener.sequential)
    return screened(
      screen,
      frame,
      patch,
      (_frame, _region, out) => {
        out.data.fill(coverage);
        return out;
      },
      STRAIGHT_TRANSFER,
    );
  const { times } = grid;
  const columns = Math.ceil(patch.width / times);
  const rows = Math.ceil(patch.height / times);
  const spots = recentPatches(JSON.stringify([screen, grid.frame, coverage, columns, rows]), () => {
    const [width, height] = [columns + 2 * RUN_IN, rows + 2 * RUN_IN];
    const run = screener.start(width, height);
    const bits = createBits(width, height);
    bits.data.set(run.rows(createPlane(width, height, coverage)).data);
    run.finish?.(bits);
    return cropBits(bits, { x: RUN_IN, y: RUN_IN, width: columns, height: rows });
  });
  if (times === 1) return spots;
  return enlargeBits(spots, 0, 0, times, { x: 0, y: 0, width: patch.width, height: patch.height });
}
