import { kernels, lightAt, ROWS } from '../kernel/memory.ts';
import { overlappingAreas } from './overlapping-areas.ts';
import { isEnlarged, type PlatesView } from './plates-view.ts';
import { enlargedSets, inkedAreas, sharesAt, type InkedAreas } from './proof.ts';

/** What covers each screen pixel of a part of a view. */
export interface Shares {
  /** Shares of exactly each set of plates; the array is filled anew by every call. */
  readonly at: (pixel: number) => Float64Array;
  /** The mean of the sets' colours (three channels each, one after another) by their shares: a plane of each channel. */
  readonly mixed: (colours: Float64Array) => Float32Array[];
  /** Share that a plate, by its place among them, inks. */
  readonly inked: (pixel: number, plate: number) => number;
}

/** @param overlapping true where the next part of the view will reach into this one */
export function sharesOf(request: PlatesView, overlapping = false): Shares {
  const { length } = request.plates;
  return isEnlarged(request)
    ? wholeShares(enlargedSets(request).sets, length)
    : areaShares((overlapping ? overlappingAreas : inkedAreas)(request), length);
}

/** Where every screen pixel shows one set alone. */
function wholeShares(sets: Uint8Array, plates: number): Shares {
  const shares = new Float64Array(1 << plates);
  return {
    at(pixel) {
      shares.fill(0);
      shares[sets[pixel]] = 1;
      return shares;
    },
    mixed: (colours) =>
      [0, 1, 2].map((channel) => Float32Array.from(sets, (set) => colours[3 * set + channel])),
    inked: (pixel, plate) => (sets[pixel] >> plate) & 1,
  };
}

/** Pixels whose light is mixed at once. */
const AT_ONCE = 1 << 13;

function areaShares({ areas, full }: InkedAreas, plates: number): Shares {
  const shares = new Float64Array(1 << plates);
  return {
    at(pixel) {
      sharesAt(areas, full, pixel, shares);
      return shares;
    },
    mixed(colours) {
      const added = addedBy(colours);
      const { length } = areas[1];
      const planes = [0, 1, 2].map(() => new Float32Array(length));
      const inked = lightAt(ROWS.source, AT_ONCE);
      const light = [ROWS.upper, ROWS.lower, ROWS.out];
      for (let from = 0; from < length; from += AT_ONCE) {
        const count = Math.min(AT_ONCE, length - from);
        light.forEach((address, channel) => lightAt(address, count).fill(added[channel]));
        for (let set = 1; set < areas.length; set++) {
          inked.set(areas[set].subarray(from, from + count));
          light.forEach((address, channel) =>
            kernels.addScaled(ROWS.source, added[3 * set + channel] / full, address, count),
          );
        }
        light.forEach((address, channel) => planes[channel].set(lightAt(address, count), from));
      }
      return planes;
    },
    inked: (pixel, plate) => areas[1 << plate][pixel] / full,
  };
}

/**
 * What each set adds to the colours of the sets within it. Their sum over areas where at least a set has ink is that of the colours over areas
 * where exactly it has (Möbius inversion).
 */
function addedBy(colours: Float64Array): Float64Array {
  const added = colours.slice();
  for (let bit = 3; bit < added.length; bit *= 2) {
    for (let i = 0; i < added.length; i++) if (Math.floor(i / bit) & 1) added[i] -= added[i - bit];
  }
  return added;
}
