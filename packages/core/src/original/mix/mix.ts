import { SOLID, type Plane } from '../../raster/plane.ts';
import { bitAt, type Bits } from '../../raster/bits.ts';
import { coverageTable } from '../../raster/coverage-table.ts';
import { cache } from '../../base/cache.ts';
import type { Mix } from '../../recipe/mix.ts';
import { MIX_BLENDS } from '../../colour/mix-blends.ts';

const recentTables = cache<{ inked: Uint16Array; bare: Uint16Array }>('mix tables');

/** A grey (0 dark – 1 light) with dots blended over it: 0 in one, 1 between them, else in a soft edge. */
export const mixed = ({ blend, strength }: Mix, grey: number, dots: number): number =>
  grey + (MIX_BLENDS[blend](grey, dots) - grey) * (strength / 100);

/** The coverage that a coverage becomes there. */
const mixedCoverage = (mix: Mix, coverage: number, dots: number): number =>
  Math.round((1 - Math.min(1, Math.max(0, mixed(mix, 1 - coverage / SOLID, dots)))) * SOLID);

/** The coverages that each coverage becomes under a dot and between dots. */
function tablesOf(mix: Mix) {
  return recentTables(`${mix.blend} ${mix.strength}`, () => {
    const table = (dots: number) => coverageTable((c) => mixedCoverage(mix, c, dots));
    return { inked: table(0), bare: table(1) };
  });
}

/** Mixes tones with their own dots whose edges are soft, as coverages. */
export function mixSoftly({ width, height, data }: Plane, dots: Plane, mix: Mix): Plane {
  const { inked, bare } = tablesOf(mix);
  const out = new Uint16Array(data.length);
  for (let i = 0; i < out.length; i++) {
    const dot = dots.data[i];
    // Most of it is well within a dot or between two.
    if (dot === SOLID) out[i] = inked[data[i]];
    else if (dot === 0) out[i] = bare[data[i]];
    else out[i] = mixedCoverage(mix, data[i], 1 - dot / SOLID);
  }
  return { width, height, data: out };
}

/** Mixes tones with their own dots. */
export function mixPlane({ width, height, data }: Plane, dots: Bits, mix: Mix): Plane {
  const { inked, bare } = tablesOf(mix);
  const out = new Uint16Array(data.length);
  for (let y = 0, i = 0; y < height; y++) {
    for (let x = 0; x < width; x++, i++) out[i] = (bitAt(dots, x, y) ? inked : bare)[data[i]];
  }
  return { width, height, data: out };
}
