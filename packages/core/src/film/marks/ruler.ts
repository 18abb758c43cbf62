import { lineArt, rule } from './mark-art.ts';
import { defineMark } from './mark-kind.ts';

/** Length of the ruler, mm. */
export const RULER = 100;
const WEIGHT = 0.1;
/** Heights of its lines at every 10, 5 and 1 mm. */
const HEIGHTS: readonly [number, number][] = [
  [10, 4],
  [5, 3],
  [1, 2],
];

export const ruler = defineMark({
  kind: 'ruler',
  name: 'Ruler',
  says: '100 mm, to prove the size of what was made',
  isUsual: false,
  fields: {},
  blocks: () => [
    {
      side: 'foot',
      width: RULER + WEIGHT,
      height: 4,
      draw(_film, { x, y }) {
        const left = x + WEIGHT / 2;
        const lines = Array.from({ length: RULER + 1 }, (_, mm) => {
          const height = HEIGHTS.find(([every]) => mm % every === 0)?.[1] ?? 0;
          return rule(left + mm, y, left + mm, y + height, WEIGHT);
        });
        return lineArt(rule(left, y + WEIGHT / 2, left + RULER, y + WEIGHT / 2, WEIGHT), ...lines);
      },
    },
  ],
});
