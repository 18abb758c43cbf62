import { workPlane } from '../kernel/memory.ts';
import { createBits, type Bits } from '../raster/bits.ts';
import { bands, type Region } from '../raster/region.ts';
import { screenPlane } from '../screen/screen-plane.ts';
import { thresholdsFor } from '../screen/screen.ts';
import { plateArt } from './coverage.ts';
import type { Frame } from './frame.ts';
import type { Scene } from './scene.ts';

/** Pixels of coverage held at once: little enough to stay near the processor. */
const BAND_PIXELS = 1 << 18;

/**
 * The one way from a recipe to a plate: the bits of any region of any plate on any grid. The table, the loupe, the
 * rack, pictures of jobs and films all come from here; on the film's own grid it gives the film's own bits.
 */
export function plateBits(scene: Scene, plate: number, frame: Frame, region: Region): Bits {
  const thresholds = thresholdsFor(scene.recipe.plates[plate].screen, frame.resolution, frame.draft);
  const out = createBits(region.width, region.height);
  for (const band of bands(region, BAND_PIXELS, 8)) {
    const { tone, line } = plateArt(scene, plate, frame, band, workPlane(band.width, band.height));
    const bits = screenPlane(tone, band.x, band.y, thresholds);
    if (line) {
      for (let i = 0; i < bits.data.length; i++) {
        bits.data[i] = (bits.data[i] & ~line.bare.data[i]) | line.ink.data[i];
      }
    }
    out.data.set(bits.data, (band.y - region.y) * out.stride);
  }
  return out;
}
