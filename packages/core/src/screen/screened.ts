import type { Frame } from '../raster/frame.ts';
import { createBits, enlargeBits, type Bits } from '../raster/bits.ts';
import type { Plane } from '../raster/plane.ts';
import { bands, type Region } from '../raster/region.ts';
import { withWorkPlane } from '../raster/work-memory.ts';
import { screenerFor, screenGridOf, screenTransfer, type Screen } from './screen.ts';

/** Pixels of coverage held at once: little enough to stay near the processor. */
export const BAND_PIXELS = 1 << 18;

/** The region of a coarser grid that covers a region, each of its pixels being `times` device pixels wide. */
export function coarseRegion(region: Region, times: number, frame: Frame): Region {
  const x = Math.floor(region.x / times);
  const y = Math.floor(region.y / times);
  return {
    x,
    y,
    width: Math.min(frame.width, Math.ceil((region.x + region.width) / times)) - x,
    height: Math.min(frame.height, Math.ceil((region.y + region.height) / times)) - y,
  };
}

/**
 * Gives the coverage of any region of any grid; beyond the sheet it is bare.
 *
 * @param out bare, of the region's size, to be written to and returned
 */
export type CoverageReader = (frame: Frame, region: Region, out: Plane) => Plane;

/**
 * Tones screened by each pixel's place, in a region of a grid.
 *
 * @throws TypeError when the screen carries something on from what lies above
 */
export function screened(
  screen: Screen,
  frame: Frame,
  region: Region,
  read: CoverageReader,
  transfer = screenTransfer(screen),
): Bits {
  const grid = screenGridOf(screen, frame);
  const screener = screenerFor(screen, grid.frame, transfer);
  if (screener.sequential)
    throw new TypeError('This screen is made for a whole plate, not for a part of it.');
  const { margin } = screener;
  const part = grid.times === 1 ? region : coarseRegion(region, grid.times, grid.frame);
  const out = createBits(part.width, part.height);
  // Where tones around a band are looked at, bands are long, so that little is read twice.
  for (const band of bands(part, margin > 0 ? 1 << 22 : BAND_PIXELS, Math.max(8, 3 * margin))) {
    const around = {
      x: band.x - margin,
      y: band.y - margin,
      width: band.width + 2 * margin,
      height: band.height + 2 * margin,
    };
    withWorkPlane(around.width, around.height, (work) => {
      const bits = screener.screen(read(grid.frame, around, work), band);
      out.data.set(bits.data, (band.y - part.y) * out.stride);
    });
  }
  return grid.times === 1 ? out : enlargeBits(out, part.x, part.y, grid.times, region);
}
