import { kernels, lightAt, TINT_PIXELS, TINTS } from '../kernel/memory.ts';
import { inkShares } from './ink-shares.ts';
import type { PlatesView } from './plates-view.ts';
import type { SeenLight } from './seen-light.ts';

/**
 * Light of plates in a first picture: they know nothing of one another within a pixel (Demichel).
 *
 * @param request of one plate at least, and of `TINT_PLATES` at most
 * @param colours light of the overprints, three channels each, one after another
 */
export function tintedLight(request: PlatesView, colours: Float64Array): SeenLight {
  const shares = request.plates.map((plate) => inkShares(request, plate));
  return { planes: [mixedPlanes(shares, colours)], inked: shares.map(meanOf) };
}

function mixedPlanes(shares: readonly Float32Array[], colours: Float64Array): Float32Array[] {
  const count = shares[0].length;
  const sets = 2 ** shares.length;
  const planes = Array.from({ length: 3 }, () => new Float32Array(count));
  for (let from = 0; from < count; from += TINT_PIXELS) {
    const end = Math.min(count, from + TINT_PIXELS);
    shares.forEach((plane, k) => {
      lightAt(TINTS.shares + k * TINTS.stride, end - from).set(plane.subarray(from, end));
    });
    planes.forEach((plane, channel) => {
      const laid = lightAt(TINTS.colours, sets);
      for (let set = 0; set < sets; set++) laid[set] = colours[3 * set + channel];
      const { stride, work, out } = TINTS;
      kernels.mixSets(TINTS.shares, stride, shares.length, TINTS.colours, work, out, end - from);
      plane.set(lightAt(out, end - from), from);
    });
  }
  return planes;
}

function meanOf(plane: Float32Array): number {
  let sum = 0;
  for (let i = 0; i < plane.length; i++) sum += plane[i];
  return sum / plane.length;
}
