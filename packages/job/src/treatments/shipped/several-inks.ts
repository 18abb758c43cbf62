import { newProcess, newScreen, present } from '@brachytone/core';
import { PRINTING_CONDITIONS, PROCESS_IDS, processInks } from '../../printing-conditions.ts';
import { curve, dots, ink, picture, plates, points, shipped, step, stock } from './make.ts';

const condition = present(
  PRINTING_CONDITIONS.find(({ id }) => id === 'uncoated'),
  'printing condition',
);
const process = processInks(condition);
const processRoute = newProcess(PROCESS_IDS, condition.limit);

/** Two inks and more (rulings, angles and tones: common practice, no source). */
export const SEVERAL_INKS = [
  shipped({
    id: 'two-inks',
    name: 'Two inks from one photograph',
    says: 'A dark ink draws; a warm one fills the lights and middle tones.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Night blue'), ink(2, 'Lantern')],
    plates: plates(['ink-2', dots({ ruling: 10, angle: 75 })], ['ink-1', dots({ ruling: 10, angle: 45 })]),
    originals: [
      picture({
        steps: [step('sharpen', { amount: 80, radius: 4 })],
        route: {
          kind: 'tones',
          inks: [
            { ink: 'ink-1', curve: points([0, 0], [38, 16], [70, 76], [100, 100]) },
            { ink: 'ink-2', curve: points([0, 6], [30, 62], [62, 45], [100, 10]) },
          ],
        },
      }),
    ],
  }),
  shipped({
    id: 'three-inks',
    name: 'Three inks from one photograph',
    says: 'Dark, red and yellow, each taking over where the lighter one is full.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Night blue'), ink(2, 'Rosehip'), ink(3, 'Lantern')],
    plates: plates(
      ['ink-3', dots({ ruling: 12, angle: 15 })],
      ['ink-2', dots({ ruling: 12, angle: 75 })],
      ['ink-1', dots({ ruling: 12, angle: 45 })],
    ),
    originals: [
      picture({
        route: {
          kind: 'tones',
          inks: [
            { ink: 'ink-1', curve: points([0, 0], [52, 8], [78, 74], [100, 100]) },
            { ink: 'ink-2', curve: points([0, 0], [30, 8], [60, 62], [85, 58], [100, 40]) },
            { ink: 'ink-3', curve: points([0, 2], [30, 48], [60, 72], [100, 50]) },
          ],
        },
      }),
    ],
  }),
  shipped({
    id: 'four-inks',
    name: 'Four inks from one photograph',
    says: 'From a pale grey in the lights to black in the depths: fine and rich.',
    suits: ['grey', 'colour'],
    stock: stock('Coated white'),
    inks: [ink(1, 'Black'), ink(2, 'Night blue'), ink(3, 'Tide'), ink(4, 'Mist')],
    plates: plates(
      ['ink-4', dots({ ruling: 55, angle: 0 })],
      ['ink-3', dots({ ruling: 55, angle: 75 })],
      ['ink-2', dots({ ruling: 55, angle: 15 })],
      ['ink-1', dots({ ruling: 55, angle: 45 })],
    ),
    originals: [
      picture({
        route: {
          kind: 'tones',
          inks: [
            { ink: 'ink-1', curve: points([0, 0], [62, 4], [84, 60], [100, 100]) },
            { ink: 'ink-2', curve: points([0, 0], [45, 14], [75, 72], [100, 88]) },
            { ink: 'ink-3', curve: points([0, 0], [30, 24], [60, 62], [100, 55]) },
            { ink: 'ink-4', curve: points([0, 4], [25, 52], [55, 78], [100, 60]) },
          ],
        },
      }),
    ],
  }),
  shipped({
    id: 'process-coarse',
    name: 'Four process inks, large and coarse',
    says: 'Cyan, magenta, yellow and black in dots that anyone can see.',
    sizes: 'sheet',
    suits: ['colour'],
    stock: condition.stock,
    inks: process.inks,
    overprints: process.overprints,
    plates: plates(
      ['yellow', dots({ ruling: 8, angle: 0 })],
      ['magenta', dots({ ruling: 8, angle: 75 })],
      ['cyan', dots({ ruling: 8, angle: 15 })],
      ['black', dots({ ruling: 8, angle: 45 })],
    ),
    originals: [picture({ steps: [step('sharpen', { amount: 70, radius: 8 })], route: processRoute })],
  }),
  shipped({
    id: 'process-fine',
    name: 'Four process inks',
    says: 'A colour print as a press on uncoated paper makes it.',
    suits: ['colour'],
    stock: condition.stock,
    inks: process.inks,
    overprints: process.overprints,
    resolution: 2400,
    plates: plates(
      ['black', dots({ spot: 'euclidean', ruling: 120, angle: 45 }, { smallest: 2, largest: 98 })],
      ['cyan', dots({ spot: 'euclidean', ruling: 120, angle: 15 }, { smallest: 2, largest: 98 })],
      ['magenta', dots({ spot: 'euclidean', ruling: 120, angle: 75 }, { smallest: 2, largest: 98 })],
      ['yellow', dots({ spot: 'euclidean', ruling: 120, angle: 0 }, { smallest: 2, largest: 98 })],
    ),
    originals: [picture({ steps: [step('sharpen', { amount: 90, radius: 1.5 })], route: processRoute })],
  }),
  shipped({
    id: 'colour-dots',
    name: 'Grid of colour dots',
    says: 'One dot of one colour to each square of a grid.',
    sizes: 'sheet',
    suits: ['colour'],
    stock: condition.stock,
    inks: process.inks,
    overprints: process.overprints,
    // Dot on dot: one ruling and angle for all, so that each cell's dots lie over one another.
    plates: plates(
      ...(['yellow', 'magenta', 'cyan', 'black'] as const).map(
        (id) => [id, dots({ ruling: 7, angle: 0 }, { smallest: 3, largest: 94 })] as const,
      ),
    ),
    originals: [
      picture({
        steps: [step('coarsen', { ppi: 7, manner: 'flat' })],
        route: { ...processRoute, generation: 40 },
      }),
    ],
  }),
  shipped({
    id: 'stencil-duplicator',
    name: 'Stencil duplicator, two inks',
    says: 'Two bright inks in coarse grain, one a little out of register.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Tide'), ink(2, 'Ember')],
    resolution: 600,
    plates: plates(
      ['ink-2', newScreen('clumps', { spot: 0.25, gather: 1.6 }, { smallest: 5, largest: 92 })],
      [
        'ink-1',
        newScreen('clumps', { spot: 0.25, gather: 1.6 }, { smallest: 5, largest: 92 }),
        { shift: { x: 1.1, y: 0.7, turn: 0.15 } },
      ],
    ),
    originals: [
      picture({
        steps: [step('sharpen', { amount: 120, radius: 4 })],
        route: {
          kind: 'tones',
          inks: [
            { ink: 'ink-1', curve: points([0, 0], [35, 20], [65, 76], [100, 100]) },
            { ink: 'ink-2', curve: points([0, 0], [8, 0], [35, 34], [62, 68], [100, 96]) },
          ],
        },
      }),
    ],
  }),
  shipped({
    id: 'dark-cloth',
    name: 'Dark cloth with a white base',
    says: 'The cloth stands for the darks; a white base, pulled in, lies under all colours.',
    sizes: 'sheet',
    suits: ['colour'],
    stock: stock('Peat cloth'),
    inks: [ink(1, 'White, covering'), ink(2, 'Lantern'), ink(3, 'Rosehip'), ink(4, 'Tide')].map((one, i) =>
      i === 0 ? one : { ...one, opacity: 0.5 },
    ),
    resolution: 720,
    plates: plates(
      [
        'ink-1',
        dots({ ruling: 14, angle: 22.5 }, { smallest: 4, largest: 100 }),
        { base: { fullness: 0, highlights: null }, edgeSpread: -0.15 },
      ],
      ['ink-2', dots({ ruling: 14, angle: 82.5 }, { smallest: 4, largest: 100 })],
      ['ink-3', dots({ ruling: 14, angle: 52.5 }, { smallest: 4, largest: 100 })],
      ['ink-4', dots({ ruling: 14, angle: 7.5 }, { smallest: 4, largest: 100 })],
    ),
    originals: [
      picture({
        steps: [step('sharpen', { amount: 80, radius: 3 })],
        route: { kind: 'spot', inks: ['ink-1', 'ink-2', 'ink-3', 'ink-4'], limit: 300 },
      }),
    ],
  }),
  shipped({
    id: 'blended-ink',
    name: 'Blended ink',
    says: 'One plate, one pull: its ink runs from orange to blue down the sheet.',
    sizes: 'sheet',
    suits: ['grey', 'line', 'colour'],
    stock: stock('Coated white'),
    inks: [
      {
        ...ink(1, 'Ember'),
        name: 'Dusk blend',
        fountain: {
          angle: -90,
          stops: [
            { at: 0, lab: [58, 58, 52] },
            { at: 55, lab: [46, 66, 26] },
            { at: 100, lab: [22, 20, -44] },
          ],
        },
      },
    ],
    plates: plates(['ink-1', dots({ spot: 'ellipse', ruling: 9, angle: 45 })]),
    originals: [picture({ steps: [curve([0, 0], [25, 16], [60, 64], [90, 98], [100, 100])] })],
  }),
];
