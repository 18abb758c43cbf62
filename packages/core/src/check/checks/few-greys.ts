import { greyLevels, latticeOf } from '../../screen/screen.ts';
import type { Check } from '../finding.ts';
import { alike, mendRuling, mendSheet } from '../mend.ts';
import { inkName, plain } from '../words.ts';

/** Greys that a cell shows below which steps are seen; common practice, no source. */
const [RISKY, FAILS] = [64, 32];

export const fewGreys: Check = {
  id: 'few-greys',
  why: 'A dot of few film pixels knows few sizes, and soft tones break into steps.',
  uses: [],
  find({ recipe }) {
    const { resolution } = recipe.sheet;
    return recipe.plates.flatMap(({ screen, printed }, plate) => {
      const lattice = latticeOf(screen);
      if (!printed || !lattice || screen.coarse > 0) return [];
      // As made: a supercell may stand a little off the ruling asked for.
      const ruling = lattice.supercell?.(resolution).ruling ?? lattice.ruling;
      const levels = greyLevels(resolution, ruling);
      if (levels >= RISKY) return [];
      const wanted = Math.floor((resolution / Math.sqrt(RISKY - 1)) * 10) / 10;
      const finer = Math.min(4800, Math.ceil(lattice.ruling * Math.sqrt(RISKY - 1)));
      return [
        {
          severity: levels < FAILS ? 'fail' : 'risky',
          says: `${inkName(recipe, plate)} at ${plain(lattice.ruling)} lpi on ${resolution} dpi has ${levels} greys to a dot, where ${RISKY} are wanted.`,
          places: [],
          mends: [
            mendRuling(alike(recipe, plate, 'ruling'), wanted),
            mendSheet(`Film at ${finer} dpi`, { resolution: finer }),
          ],
        },
      ];
    });
  },
};
