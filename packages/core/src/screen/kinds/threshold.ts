import { MM_PER_INCH } from '../../raster/frame.ts';
import { createBits, setBit } from '../../raster/bits.ts';
import { percentToCoverage, type Plane } from '../../raster/plane.ts';
import { dropPatches } from '../patches.ts';
import { defineScreen } from './kind.ts';

export const threshold = defineScreen({
  kind: 'threshold',
  name: 'Threshold',
  says: 'Solid from one tone on, bare below it: no dots at all.',
  fields: {
    level: { type: 'number', label: 'Solid from', unit: 'percent', least: 1, most: 99, start: 50 },
    specks: {
      type: 'number',
      label: 'Specks under',
      unit: 'mm',
      least: 0,
      most: 20,
      usual: [0, 4],
      start: 0,
    },
    holes: {
      type: 'number',
      label: 'Holes under',
      unit: 'mm',
      least: 0,
      most: 20,
      usual: [0, 4],
      start: 0,
    },
  },
  words: ({ level }) => `threshold · ${Number(level.toFixed(1))} %`,
  sequential: ({ specks, holes }) => specks > 0 || holes > 0,
  make({ level, specks, holes }, { table }, { resolution }) {
    const least = Math.max(1, percentToCoverage(level));
    const solid = ({ width, height, data }: Plane) => {
      const bits = createBits(width, height);
      for (let y = 0, i = 0; y < height; y++) {
        for (let x = 0; x < width; x++, i++) {
          const tone = table ? table[data[i]] : data[i];
          if (tone >= least) setBit(bits, x, y);
        }
      }
      return bits;
    };
    if (specks === 0 && holes === 0)
      return { sequential: false, margin: 0, screen: (coverage) => solid(coverage) };
    // Squares of these sides have the areas that are too small.
    const area = (side: number) => ((side / MM_PER_INCH) * resolution) ** 2;
    return {
      sequential: true,
      start: () => ({
        rows: solid,
        finish: (bits) => {
          dropPatches(bits, 1, area(specks));
          dropPatches(bits, 0, area(holes));
        },
      }),
    };
  },
});
