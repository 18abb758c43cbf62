import { reachErrors } from '../../proof/reach.ts';
import { frameOf } from '../../recipe/frame.ts';
import { inkSetOf } from '../../recipe/ink-set.ts';
import { routeModel } from '../../separation/route.ts';
import type { Check } from '../finding.ts';
import { Places } from '../places.ts';
import { plain } from '../words.ts';

/** CIEDE2000 from which on a colour has become another; common practice, no source. */
const FAR = 6;
/** Shares of an original from which on it is told, and risky. */
const [NOTED, RISKY] = [0.03, 0.15];
/** Pixels of the sheet's longer side that colours are looked at on. */
const LONGER = 220;

export const outOfReach: Check = {
  id: 'out-of-reach',
  why: 'Colours that these inks cannot make come out as the nearest they can.',
  uses: [],
  find({ scene, recipe }) {
    const { width, height, bleed } = recipe.sheet;
    const grid = frameOf(recipe.sheet, (LONGER * 25.4) / (Math.max(width, height) + 2 * bleed));
    const whole = { x: 0, y: 0, width: grid.width, height: grid.height };
    return recipe.originals.flatMap((original) => {
      const model = original.shown ? routeModel(original.route, inkSetOf(recipe)) : undefined;
      if (!model) return [];
      const errors = reachErrors(original, model, scene, grid, whole);
      const places = new Places(grid);
      let [far, all] = [0, 0];
      errors.forEach((error, i) => {
        if (error < 0) return;
        all++;
        if (error <= FAR) return;
        far++;
        places.add(i % grid.width, Math.floor(i / grid.width), error);
      });
      const share = all > 0 ? far / all : 0;
      if (share < NOTED) return [];
      return [
        {
          severity: share >= RISKY ? ('risky' as const) : ('note' as const),
          says: `${plain(100 * share, 0)} % of “${original.name}” has colours that its inks miss by more than ΔE ${FAR}.`,
          places: places.list(),
          mends: [],
        },
      ];
    });
  },
};
