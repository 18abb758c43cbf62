import { inkOf } from '../../ink/ink-of.ts';
import { lineArt, NO_ART, text } from './mark-art.ts';
import { defineMark } from './mark-kind.ts';

const LEADING = 1.25;
/** Share of its place that a name may take. */
const FULL = 0.92;

export const inkNames = defineMark({
  kind: 'names',
  name: 'Ink names',
  says: 'Each ink’s name in that ink, side by side in printing order',
  isUsual: false,
  fields: {
    size: { type: 'number', label: 'Type', unit: 'mm', least: 1, most: 10, usual: [1.5, 5], start: 3 },
  },
  blocks: ({ size }) => [
    {
      side: 'foot',
      width: null,
      height: LEADING * size,
      draw({ recipe, plate, face }, { x, y, width }) {
        const printed = recipe.plates.filter((one) => one.printed);
        const place = printed.indexOf(recipe.plates[plate]);
        if (place < 0) return NO_ART;
        const each = width / printed.length;
        const { name } = inkOf(recipe.inks, recipe.plates[plate].ink);
        return lineArt(text(face, name, { x: x + place * each, y, size, width: each * FULL }));
      },
    },
  ],
});
