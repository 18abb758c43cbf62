import { cache } from '../base/cache.ts';
import { releaseBand } from '../raster/band-plane.ts';
import type { Plane } from '../raster/plane.ts';

/** Bands of what sources come to in inks, which parts of a film beside each other ask for again and again. */
export const separatedBands = cache<Plane>('separated bands', ({ data }) => data.byteLength, releaseBand);
