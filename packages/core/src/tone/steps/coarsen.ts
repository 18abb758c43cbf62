import { meanCells } from '../../filter/cells.ts';
import { defineStep } from './step.ts';

export const coarsen = defineStep({
  kind: 'coarsen',
  name: 'Coarsen',
  says: 'Reads the picture on a coarser grid, for a bold, simplified look.',
  fields: {
    ppi: {
      type: 'number',
      label: 'Pixels per inch',
      unit: 'ppi',
      least: 1,
      most: 600,
      usual: [4, 150],
      ratio: true,
      start: 36,
    },
    manner: {
      type: 'choice',
      label: 'Pixels',
      options: [
        { value: 'flat', label: 'Flat squares', title: 'Each coarse pixel is one flat square' },
        { value: 'smooth', label: 'Smooth', title: 'Tones run smoothly from one coarse pixel to the next' },
      ],
      start: 'smooth',
    },
  },
  words: ({ ppi }) => `${ppi} ppi`,
  area: {
    margin: ({ ppi }, place) => Math.ceil(2 * (place.ppi / place.scale / ppi)) + 2,
    apply: ({ ppi, manner }, plane, place) =>
      meanCells(plane, place.ppi / place.scale / ppi, manner === 'smooth', place.y, place.fullHeight),
  },
});
