import { diffusing } from '../diffusion.ts';
import { blueTile } from '../noise/blue-tile.ts';
import { defineScreen } from './kind.ts';
import { SPOT_SIZE, spotSizeWords } from './spot-size.ts';

/**
 * Error diffusion that feeds back what it made: spots gather in clumps, for presses that cannot hold single ones.
 *
 * It looks at four neighbours already made, weighed so that clumps grow nearly alike every way.
 *
 * Source of the idea: R. Levien, "Output dependant feedback in error diffusion halftoning", IS&T 46th Annual Conference (1993).
 */
export const clumps = defineScreen({
  kind: 'clumps',
  name: 'Clumps',
  says: 'Spots at random that gather in clumps, for presses that lose single ones.',
  fields: {
    spot: SPOT_SIZE(0.08),
    gather: {
      type: 'number',
      label: 'Clumping',
      unit: 'plain',
      least: 0,
      most: 4,
      usual: [0, 3],
      start: 1.2,
    },
  },
  words: ({ spot, gather }) => `clumps ${Number(gather.toFixed(2))} · ${spotSizeWords(spot)}`,
  spotSize: ({ spot }) => spot,
  sequential: () => true,
  make: ({ gather }, transfer) =>
    diffusing({ kernel: 3, feedback: gather, noise: { tile: blueTile(), strength: 0.2 } }, transfer),
});
