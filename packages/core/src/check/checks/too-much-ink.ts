import { bitAt } from '../../raster/bits.ts';
import { routeInks } from '../../separation/route.ts';
import { filmTones } from '../film-tones.ts';
import type { Check, Mend } from '../finding.ts';
import { mendOriginal } from '../mend.ts';
import { Places } from '../places.ts';
import { area, plain } from '../words.ts';

/** Areas less than this are let be, mm². */
const LITTLE = 25;
/** Percent over the limit that nobody measures. */
const SLACK = 1;

export const tooMuchInk: Check = {
  id: 'too-much-ink',
  why: 'Ink over the limit does not dry, and sets off on the next sheet.',
  uses: ['inkLimit'],
  find({ recipe, press, evidence }) {
    const { grid, plates, pixel } = evidence;
    const printed = recipe.plates.flatMap((plate, i) => (plate.printed ? [i] : []));
    if (printed.length * 100 <= press.inkLimit) return [];
    const sums = new Float32Array(grid.width * grid.height);
    for (const plate of printed) {
      const film = filmTones(recipe, plate);
      const { tones, line } = plates[plate];
      for (let i = 0; i < sums.length; i++) sums[i] += film[tones[i]];
      if (!line) continue;
      for (let y = 0; y < grid.height; y++)
        for (let x = 0; x < grid.width; x++) if (bitAt(line, x, y)) sums[y * grid.width + x] += 1;
    }
    const limit = (press.inkLimit + SLACK) / 100;
    const places = new Places(grid);
    let [over, most] = [0, 0];
    for (let i = 0; i < sums.length; i++) {
      if (sums[i] <= limit) continue;
      over++;
      if (sums[i] > most) most = sums[i];
      places.add(i % grid.width, Math.floor(i / grid.width), sums[i] - limit);
    }
    if (over * pixel < LITTLE) return [];
    const mends: Mend[] = recipe.originals.flatMap((original) => {
      const { route, id, name, shown } = original;
      if (!shown || routeInks(route).length < 2 || !('limit' in route) || route.limit <= press.inkLimit)
        return [];
      return [
        mendOriginal(id, `Limit ${plain(press.inkLimit, 0)} % in “${name}”`, () => ({
          route: { ...route, limit: press.inkLimit },
        })),
      ];
    });
    return [
      {
        severity: most > (press.inkLimit + 30) / 100 ? 'fail' : 'risky',
        says: `${area(over * pixel)} takes up to ${plain(100 * most, 0)} % of ink, where ${plain(press.inkLimit, 0)} % is the limit.`,
        places: places.list(),
        mends,
      },
    ];
  },
};
