import { closingFilters, openingAndClosingFilters, openingFilters } from '../../filter/morphology.ts';
import { defineStep } from './step.ts';

/** Opening takes away dark spots narrower than the brush, closing fills light ones (mathematical morphology). */
export const specks = defineStep({
  kind: 'specks',
  name: 'Specks',
  says: 'Removes spots smaller than this, and leaves everything larger alone.',
  fields: {
    size: {
      type: 'number',
      label: 'Smaller than',
      unit: 'px',
      least: 1,
      most: 60,
      usual: [1, 20],
      ratio: true,
      start: 3,
    },
    which: {
      type: 'choice',
      label: 'Spots',
      options: [
        { value: 'both', label: 'All' },
        { value: 'dark', label: 'Dark' },
        { value: 'light', label: 'Light' },
      ],
      start: 'both',
    },
  },
  words: ({ size }) => `under ${size} px`,
  area: {
    margin: ({ size, which }, { scale }) => widthOf(size, scale) * 2 * (which === 'both' ? 2 : 1),
    rows: ({ size, which }, { scale }) => {
      const width = widthOf(size, scale);
      if (width < 2) return [];
      if (which === 'both') return openingAndClosingFilters(width);
      return which === 'dark' ? openingFilters(width) : closingFilters(width);
    },
  },
});

const widthOf = (size: number, scale: number): number => Math.max(1, Math.round(size / scale));
