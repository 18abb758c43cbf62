import { SOLID, type Plane } from '../../raster/plane.ts';
import { bitAt, type Bits } from '../../raster/bits.ts';
import { coverageTable } from '../../raster/coverage-table.ts';
import { cache } from '../../base/cache.ts';
import type { Mix } from '../../recipe/mix.ts';
import { BLENDS } from '../../colour/blend.ts';

const recentTables = cache<{ inked: Uint16Array; bare: Uint16Array }>('mix tables');

/** A grey (0 dark – 1 light) with a dot, or the bare place between dots, blended over it. */
export const mixed = ({ blend, strength }: Mix, grey: number, inked: boolean): number =>
  grey + (BLENDS[blend](grey, inked ? 0 : 1) - grey) * (strength / 100);

/** The coverages that each coverage becomes under a dot and between dots. */
function tablesOf(mix: Mix) {
  return recentTables(`${mix.blend} ${mix.strength}`, () => {
    const table = (inked: boolean) =>
      coverageTable((c) =>
        Math.round((1 - Math.min(1, Math.max(0, mixed(mix, 1 - c / SOLID, inked)))) * SOLID),
      );
    return { inked: table(true), bare: table(false) };
  });
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
