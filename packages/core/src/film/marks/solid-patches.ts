import { bar, lineArt, NO_ART } from './mark-art.ts';
import { defineMark, type MarkBlock } from './mark-kind.ts';

/** Places of two or more of so many inks that lie over one another: all pairs, and all of them. */
function overlaps(count: number): number[][] {
  const all = Array.from({ length: count }, (_, i) => i);
  const pairs = all.flatMap((a) => all.slice(a + 1).map((b) => [a, b]));
  return count > 2 ? [...pairs, all] : pairs;
}

/** Inks whose every pair is laid down; of more there would be no end. */
const MOST = 4;

export const solidPatches = defineMark({
  kind: 'solids',
  name: 'Solids and overprints',
  says: 'Each ink solid, and inks over one another, to see and to measure',
  isUsual: false,
  fields: {
    side: { type: 'number', label: 'Patch', unit: 'mm', least: 2, most: 20, usual: [3, 12], start: 6 },
  },
  blocks({ side }, { plates }) {
    const printed = plates.flatMap((plate, i) => (plate.printed ? [i] : []));
    const solids = printed.map((_, i) => [i]);
    const sets = printed.length <= MOST ? [...solids, ...overlaps(printed.length)] : solids;
    return sets.map((places): MarkBlock => ({
      side: 'foot',
      width: side,
      height: side,
      draw: ({ plate }, { x, y }) =>
        places.some((place) => printed[place] === plate)
          ? lineArt(bar({ x, y, width: side, height: side }))
          : NO_ART,
    }));
  },
});
