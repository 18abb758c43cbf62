import { MM_PER_INCH } from '../../raster/frame.ts';
import { percentToCoverage } from '../../raster/plane.ts';
import { dropPatches } from '../patches.ts';
import { evenThresholds } from '../thresholds.ts';
import { tiled } from '../tiled.ts';
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
  hasDots: false,
  words: ({ level }) => `threshold · ${Number(level.toFixed(1))} %`,
  sequential: ({ specks, holes }) => specks > 0 || holes > 0,
  make({ level, specks, holes }, transfer, { resolution }) {
    const tile = tiled(evenThresholds(Math.max(1, percentToCoverage(level)) - 1), transfer);
    if (specks === 0 && holes === 0) return tile;
    // Squares of these sides have the areas that are too small.
    const area = (side: number) => ((side / MM_PER_INCH) * resolution) ** 2;
    return {
      sequential: true,
      start: () => ({
        rows: (coverage) => tile.screen(coverage, { x: 0, y: 0, ...coverage }),
        finish: (bits) => {
          dropPatches(bits, 1, area(specks));
          dropPatches(bits, 0, area(holes));
        },
      }),
    };
  },
});
