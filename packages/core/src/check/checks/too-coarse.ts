import { contentKind } from '../../original/contents/index.ts';
import { effectiveResolution, boxCorners } from '../../original/placed.ts';
import { placedHeight } from '../../original/place-original.ts';
import { routeInks } from '../../separation/route.ts';
import { latticeOf } from '../../screen/screen.ts';
import type { Check, Place } from '../finding.ts';
import { mendOriginal, mendRuling } from '../mend.ts';
import { plain } from '../words.ts';

/** Pixels a cell below which a picture's own pixels show; common practice, no source. */
const [RISKY, FAILS] = [1.5, 1];

export const tooCoarse: Check = {
  id: 'too-coarse',
  why: 'With fewer pixels than dots the picture’s own pixels print as steps.',
  uses: [],
  find({ scene, recipe }) {
    return recipe.originals.flatMap((original) => {
      const { content, placement, route, name, id } = original;
      if (!original.shown || content.kind !== 'picture' || !contentKind(content).hasTones(content)) return [];
      const picture = scene.pictures.get(content.picture);
      if (!picture) return [];
      const inks = routeInks(route);
      const plates = recipe.plates.flatMap((plate, i) =>
        plate.printed && inks.includes(plate.ink) ? [i] : [],
      );
      const rulings = plates.map((i) => latticeOf(recipe.plates[i].screen)?.ruling ?? 0);
      const finest = Math.max(0, ...rulings);
      if (finest === 0) return [];
      const ppi = effectiveResolution(content.crop, placement.width, picture);
      const ratio = ppi / finest;
      if (ratio >= RISKY) return [];
      const wanted = Math.max(1, Math.floor((ppi / RISKY) * 10) / 10);
      const width = (placement.width * ppi) / (finest * RISKY);
      return [
        {
          severity: ratio < FAILS ? 'fail' : 'risky',
          says: `“${name}” has ${plain(ppi, 0)} pixels an inch for ${plain(finest)} lpi: ${plain(ratio, 2)} to a dot, where ${RISKY} are wanted.`,
          places: [boxOf(boxCorners(original, placedHeight(original, picture)))],
          mends: [
            mendRuling(
              plates.filter((i) => (latticeOf(recipe.plates[i].screen)?.ruling ?? 0) > wanted),
              wanted,
            ),
            ...(width < placement.width
              ? [
                  mendOriginal(id, `Print it ${plain(width, 0)} mm wide`, () => ({
                    placement: {
                      ...placement,
                      width: Math.floor(width),
                      x: placement.x + (placement.width - Math.floor(width)) / 2,
                    },
                  })),
                ]
              : []),
          ],
        },
      ];
    });
  },
};

/** The box around corners. */
export function boxOf(corners: readonly { readonly x: number; readonly y: number }[]): Place {
  const [xs, ys] = [corners.map(({ x }) => x), corners.map(({ y }) => y)];
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  return { x, y, width: Math.max(...xs) - x, height: Math.max(...ys) - y };
}
