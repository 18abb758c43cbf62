import { MOTIFS, newScreen, present } from '@brachytone/core';
import { curve, dots, ink, picture, plates, shipped, step, stock } from './make.ts';

const star = present(
  MOTIFS.find(({ name }) => name === 'Star'),
  'star',
).path;

/** One ink, in dots (rulings and tones: common practice, no source). */
export const ONE_INK_DOTS = [
  shipped({
    id: 'bold-black-poster',
    name: 'Bold black poster',
    says: 'Large round dots, strong blacks: reads from across a street.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Black')],
    plates: plates(['ink-1', dots({ ruling: 8.5, angle: 45 })]),
    originals: [
      picture({
        steps: [
          step('recover', { shadows: 30, highlights: 8, radius: 90 }),
          step('sharpen', { amount: 90, radius: 8 }),
          curve([0, 0], [5, 0], [22, 11], [50, 52], [78, 90], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'newspaper',
    name: 'Newspaper',
    says: 'A plain fine dot on grey paper, shadows kept open.',
    suits: ['colour', 'grey'],
    stock: stock('Newsprint'),
    inks: [ink(1, 'Black')],
    plates: plates([
      'ink-1',
      dots({ spot: 'euclidean', ruling: 65, angle: 45 }, { smallest: 4, largest: 92 }),
    ]),
    originals: [
      picture({
        steps: [
          step('sharpen', { amount: 130, radius: 2.5 }),
          curve([0, 3], [30, 25], [60, 52], [85, 75], [100, 92]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'stars',
    name: 'Stars',
    says: 'Every dot a star, growing with the tone.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Shell card'),
    inks: [ink(1, 'Night blue')],
    plates: plates([
      'ink-1',
      dots({ spot: 'motif', motif: star, ruling: 6.5, angle: 15 }, { smallest: 4, largest: 96 }),
    ]),
    originals: [
      picture({ steps: [step('blur', { radius: 6 }), curve([0, 0], [30, 24], [70, 78], [100, 100])] }),
    ],
  }),
  shipped({
    id: 'crosses',
    name: 'Crosses on a coarse grid',
    says: 'Small crosses drawn on a grid of large pixels, edges hard.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('White'),
    inks: [ink(1, 'Rosehip')],
    plates: plates([
      'ink-1',
      dots({ spot: 'cross', ruling: 8, angle: 0 }, { coarse: 64, smallest: 4, largest: 96 }),
    ]),
    originals: [
      picture({ steps: [step('blur', { radius: 5 }), curve([0, 0], [35, 26], [70, 76], [100, 100])] }),
    ],
  }),
  shipped({
    id: 'worn-print',
    name: 'Worn print',
    says: 'Dots out of place and ragged, as from a tired press.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Oat board'),
    resolution: 600,
    inks: [ink(1, 'Peat')],
    plates: plates([
      'ink-1',
      dots({ ruling: 11, angle: 30, place: 18, size: 30, ragged: 60 }, { smallest: 5, largest: 94 }),
    ]),
    originals: [
      picture({
        steps: [
          step('noise', { amount: 12, grain: 5 }),
          curve([0, 0], [25, 14], [60, 62], [90, 96], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'giant-panels',
    name: 'Giant panels',
    says: 'A few thousand dots in all: for walls, printed in pieces.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    inks: [ink(1, 'Black')],
    plates: plates(['ink-1', dots({ ruling: 4.2, angle: 45 }, { smallest: 2, largest: 98 })]),
    resolution: 300,
    originals: [
      picture({
        steps: [
          step('recover', { shadows: 40, highlights: 10, radius: 120 }),
          step('sharpen', { amount: 140, radius: 18 }),
          curve([0, 0], [6, 0], [25, 12], [50, 52], [75, 88], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'dots-apart',
    name: 'Dots that never touch',
    says: 'However dark it gets, every dot stands alone: for light ink on dark card.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Dusk cloth'),
    inks: [ink(1, 'White, covering')],
    plates: plates(['ink-1', dots({ ruling: 11, angle: 45, apart: 0.12 }, { smallest: 3 })]),
    originals: [
      // Light ink on a dark stock: as much light as the picture has, not as much ink.
      picture({
        steps: [step('invert'), curve([0, 0], [25, 4], [50, 22], [75, 58], [92, 100], [100, 100])],
      }),
    ],
  }),
  shipped({
    id: 'chunky-squares',
    name: 'Chunky squares',
    says: 'Large hard-edged squares, scattered as the tones ask.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    inks: [ink(1, 'Night blue')],
    plates: plates(['ink-1', newScreen('diffused', { spot: 0.85, kernel: 'wide' })]),
    originals: [
      picture({
        steps: [
          step('sharpen', { amount: 150, radius: 10 }),
          curve([0, 0], [25, 16], [50, 50], [75, 84], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'stippled',
    name: 'Stippled',
    says: 'Round grain, as if drawn on stone.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Black')],
    plates: plates(['ink-1', newScreen('grain', { size: 0.65 })]),
    originals: [picture({ steps: [curve([0, 0], [30, 22], [65, 68], [100, 100])] })],
  }),
  shipped({
    id: 'scratched',
    name: 'Scratched',
    says: 'Long streaks along one way, as a dry plate prints.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Shell card'),
    inks: [ink(1, 'Peat')],
    plates: plates([
      'ink-1',
      newScreen('grain', { manner: 'streaked', size: 0.5, length: 8, angle: 20, strength: 90 }),
    ]),
    originals: [picture({ steps: [curve([0, 0], [30, 22], [65, 70], [95, 100], [100, 100])] })],
  }),
];
