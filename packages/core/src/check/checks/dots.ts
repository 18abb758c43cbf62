import { latticeOf } from '../../screen/screen.ts';
import { screenKind } from '../../screen/kinds/index.ts';
import { holdingShare } from '../holding-share.ts';
import { filmTones } from '../film-tones.ts';
import type { Check, Checked, Found, Mend, Severity } from '../finding.ts';
import { alike, mendPlate, mendRuling } from '../mend.ts';
import { Places } from '../places.ts';
import { area, inkName, plain } from '../words.ts';

/** Areas less than these are let be: mm², and shares of what a plate screens. */
const [LITTLE_AREA, LITTLE_SHARE] = [25, 0.002];
/** Shares from which on it is risky, and will fail. */
const [RISKY, FAILS] = [0.02, 0.2];

/** What is lost of dots, or fills in of gaps. */
interface Side {
  readonly least: number;
  /** True where a share of the film is too little. */
  readonly isGap: boolean;
}

function look(
  { recipe, evidence }: Checked,
  plate: number,
  { least, isGap }: Side,
): { mm2: number; of: number; places: Places } {
  const film = filmTones(recipe, plate);
  // Half a micrometre either way is no matter.
  const held = holdingShare(recipe.plates[plate].screen, recipe.sheet.resolution, least - 0.5);
  const isBad = Uint8Array.from(film, (share, tone) => {
    if (tone === 0 || share <= 0 || share >= 1) return 0;
    return (isGap ? 1 - share : share) < held ? 1 : 0;
  });
  const { tones, counts } = evidence.plates[plate];
  const places = new Places(evidence.grid);
  let [bad, all] = [0, 0];
  counts.forEach((count, tone) => {
    if (tone > 0 && film[tone] > 0) all += count;
    if (isBad[tone]) bad += count;
  });
  if (bad > 0) {
    const { width, height } = evidence.grid;
    for (let y = 0, i = 0; y < height; y++)
      for (let x = 0; x < width; x++, i++) if (isBad[tones[i]]) places.add(x, y);
  }
  return { mm2: bad * evidence.pixel, of: all * evidence.pixel, places };
}

/** Tones that a mend by dot limits may give up, percent. */
const MOST_LIMIT = 45;
/** Percent of the film that a coarser ruling makes hold. */
const HELD = 4;

function mendsOf({ recipe }: Checked, plate: number, { least, isGap }: Side): Mend[] {
  const { screen } = recipe.plates[plate];
  const { resolution } = recipe.sheet;
  const mends: Mend[] = [];
  // To the tenth above, so that it holds.
  const held = Math.ceil(holdingShare(screen, resolution, least) * 1000) / 10;
  if (screenKind(screen.kind).hasDots !== false && held <= MOST_LIMIT) {
    mends.push(
      isGap
        ? mendPlate(plate, `Largest dot ${plain(100 - held)} %`, () => ({
            screen: { ...screen, largest: Math.min(screen.largest, 100 - held) },
          }))
        : mendPlate(plate, `Smallest dot ${plain(held)} %`, () => ({
            screen: { ...screen, smallest: Math.max(screen.smallest, held) },
          })),
    );
  }
  const lattice = latticeOf(screen);
  if (lattice && screen.coarse === 0) {
    const wanted = Math.floor(10 * lattice.ruling * ((lattice.size(HELD / 100) * 1000) / least)) / 10;
    if (wanted >= 4 && wanted < lattice.ruling)
      mends.push(mendRuling(alike(recipe, plate, 'ruling'), wanted));
  } else if (
    !lattice &&
    screen.coarse === 0 &&
    typeof screen.settings.spot === 'number' &&
    screen.settings.spot * 1000 < least
  ) {
    mends.push(
      mendPlate(plate, `Spots of ${plain(least, 0)} µm`, () => ({
        screen: { ...screen, settings: { ...screen.settings, spot: least / 1000 } },
      })),
    );
  }
  return mends;
}

function findFor(checked: Checked, isGap: boolean): Found[] {
  const { recipe, press } = checked;
  const side = { least: isGap ? press.leastGap : press.leastDot, isGap };
  return recipe.plates.flatMap(({ printed, screen }, plate) => {
    if (!printed || screenKind(screen.kind).hasDots === false) return [];
    const { mm2, of, places } = look(checked, plate, side);
    const share = of > 0 ? mm2 / of : 0;
    if (mm2 < LITTLE_AREA || share < LITTLE_SHARE) return [];
    const severity: Severity = share >= FAILS ? 'fail' : share >= RISKY ? 'risky' : 'note';
    const name = inkName(recipe, plate);
    return [
      {
        severity,
        says: isGap
          ? `${area(mm2)} of ${name} has gaps under ${plain(side.least, 0)} µm, which fill in: ${plain(100 * share)} % of its tones.`
          : `${area(mm2)} of ${name} has dots under ${plain(side.least, 0)} µm, which are lost: ${plain(100 * share)} % of its tones.`,
        places: places.list(),
        mends: mendsOf(checked, plate, side),
      },
    ];
  });
}

export const dotsLost: Check = {
  id: 'dots-lost',
  why: 'Dots smaller than the press holds come and go: light tones break off at an edge.',
  uses: ['leastDot'],
  find: (checked) => findFor(checked, false),
};

export const gapsFilled: Check = {
  id: 'gaps-filled',
  why: 'Gaps smaller than the press keeps open close up: dark tones turn solid at an edge.',
  uses: ['leastGap'],
  find: (checked) => findFor(checked, true),
};
