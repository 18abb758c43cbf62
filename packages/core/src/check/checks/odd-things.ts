import { sameName } from '../../press/press.ts';
import { placedHeight } from '../../original/place-original.ts';
import { boxCorners } from '../../original/placed.ts';
import { isOnStock, routeInks } from '../../separation/route.ts';
import type { Check, Checked, Found } from '../finding.ts';
import { mendOriginal, mendPlate, mendSheet } from '../mend.ts';
import { Places } from '../places.ts';
import { area, inkName, plain } from '../words.ts';
import { boxOf } from './too-coarse.ts';

export const oddThings: Check = {
  id: 'odd-things',
  why: 'Nothing here is wrong in itself; it is seldom meant.',
  uses: ['kind', 'sheet', 'resolution'],
  find: (checked) => [
    ...emptyPlates(checked),
    ...sameInks(checked),
    ...strayOriginals(checked),
    ...largeSheet(checked),
    ...otherResolution(checked),
    ...largeSolids(checked),
  ],
};

function emptyPlates({ recipe, evidence }: Checked): Found[] {
  return recipe.plates.flatMap(({ printed }, plate) => {
    const { counts, line } = evidence.plates[plate];
    if (!printed || line || counts.some((count, tone) => tone > 0 && count > 0)) return [];
    return [
      {
        severity: 'risky' as const,
        says: `The plate of ${inkName(recipe, plate)} carries nothing.`,
        places: [],
        mends: [mendPlate(plate, 'Leave it out', () => ({ printed: false }))],
      },
    ];
  });
}

function sameInks({ recipe }: Checked): Found[] {
  return recipe.inks.flatMap((ink, i) => {
    const before = recipe.inks.slice(0, i).find(({ name }) => sameName(name, ink.name));
    return before
      ? [
          {
            severity: 'note' as const,
            says: `Two plates are printed in “${ink.name}”.`,
            places: [],
            mends: [],
          },
        ]
      : [];
  });
}

function strayOriginals({ scene, recipe }: Checked): Found[] {
  const { width, height, bleed } = recipe.sheet;
  return recipe.originals.flatMap((original): Found[] => {
    const { content, id, name, shown, route } = original;
    if (!shown)
      return [{ severity: 'note', says: `“${name}” is hidden, and is not printed.`, places: [], mends: [] }];
    const inks = routeInks(route);
    if (!isOnStock(route) && recipe.plates.every((plate) => !plate.printed || !inks.includes(plate.ink)))
      return [
        {
          severity: 'risky',
          says: `“${name}” is in inks that are left out, and is not printed.`,
          places: [],
          mends: [],
        },
      ];
    const picture = content.kind === 'picture' ? scene.pictures.get(content.picture) : undefined;
    if (content.kind === 'picture' && !picture) return [];
    const box = boxOf(boxCorners(original, placedHeight(original, picture)));
    const isOff =
      box.x >= width + bleed ||
      box.y >= height + bleed ||
      box.x + box.width <= -bleed ||
      box.y + box.height <= -bleed;
    if (!isOff) return [];
    return [
      {
        severity: 'risky',
        says: `“${name}” lies wholly off the sheet.`,
        places: [],
        mends: [
          mendOriginal(id, 'Hide it', () => ({ shown: false })),
          mendOriginal(id, 'Bring it to the middle', ({ placement }) => ({
            placement: { ...placement, x: (width - box.width) / 2, y: (height - box.height) / 2 },
          })),
        ],
      },
    ];
  });
}

function largeSheet({ recipe, press }: Checked): Found[] {
  const { width, height, bleed } = recipe.sheet;
  const [longer, shorter] = [Math.max(width, height) + 2 * bleed, Math.min(width, height) + 2 * bleed];
  const [most, least] = [
    Math.max(press.sheet.width, press.sheet.height),
    Math.min(press.sheet.width, press.sheet.height),
  ];
  if (longer <= most + 0.01 && shorter <= least + 0.01) return [];
  return [
    {
      severity: 'fail',
      says: `The sheet is ${plain(longer, 0)} × ${plain(shorter, 0)} mm with its bleed; this press takes ${plain(most, 0)} × ${plain(least, 0)} mm.`,
      places: [],
      mends: [],
    },
  ];
}

function otherResolution({ recipe, press }: Checked): Found[] {
  const { resolution } = recipe.sheet;
  if (resolution === press.resolution) return [];
  // Finer films lose what they have in reserve; coarser ones show their pixels when they are enlarged.
  const finer = resolution > press.resolution;
  return [
    {
      severity: 'note',
      says: `Films are made at ${resolution} dpi, and ${finer ? 'put out at only' : 'could be put out at'} ${press.resolution} dpi for this press.`,
      places: [],
      mends: [mendSheet(`Films at ${press.resolution} dpi`, { resolution: press.resolution })],
    },
  ];
}

/** Solid from here on, of 255. */
const SOLID_TONE = 250;
/** Solid area in one ink that a press of soft ink cannot lay evenly, mm²; common practice, no source. */
const LARGE = 30_000;

function largeSolids({ recipe, press, evidence }: Checked): Found[] {
  if (press.kind !== 'stencil' && press.kind !== 'relief') return [];
  return recipe.plates.flatMap(({ printed }, plate): Found[] => {
    const { counts, tones } = evidence.plates[plate];
    const mm2 =
      evidence.pixel * counts.reduce((sum, count, tone) => (tone >= SOLID_TONE ? sum + count : sum), 0);
    if (!printed || mm2 < LARGE) return [];
    const places = new Places(evidence.grid);
    const { width } = evidence.grid;
    tones.forEach((tone, i) => {
      if (tone >= SOLID_TONE) places.add(i % width, Math.floor(i / width));
    });
    return [
      {
        severity: 'note',
        says: `${area(mm2)} of ${inkName(recipe, plate)} is solid: more than this press lays evenly.`,
        places: places.list(),
        mends: [],
      },
    ];
  });
}
