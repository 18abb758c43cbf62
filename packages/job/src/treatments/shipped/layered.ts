import { newScreen } from '@brachytone/core';
import { curve, dots, ink, picture, plates, shipped, step, stock, tint } from './make.ts';

/** Pictures over and under one another and flat inks (rulings and tones: common practice, no source). */
export const LAYERED = [
  shipped({
    id: 'bands-and-burst',
    name: 'Flat bands with a burst',
    says: 'Three flat inks for the tones, and rings of light behind them: for cloth.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Salt linen'),
    inks: [ink(1, 'Night blue'), ink(2, 'Rosehip'), ink(3, 'Lantern')],
    resolution: 720,
    plates: plates(
      ['ink-3', newScreen('lines', { path: 'arc', ruling: 7, spot: 'line' }, { smallest: 4, largest: 100 })],
      ['ink-2', dots({ ruling: 30, angle: 75 })],
      ['ink-1', dots({ ruling: 30, angle: 45 })],
    ),
    originals: [
      {
        ...tint('original-1', 'ink-3'),
        name: 'Burst',
        content: {
          kind: 'gradient',
          ratio: 297 / 210,
          shape: 'radial',
          from: { x: 0.5, y: 0.5 },
          to: { x: 0.5, y: 1.02 },
          width: 1,
          stops: [
            { at: 0, tone: 78, middle: 0.5 },
            { at: 1, tone: 22, middle: 0.5 },
          ],
          points: [],
          limit: 100,
        },
      },
      picture({
        id: 'original-2',
        overprint: true,
        steps: [step('blur', { radius: 6 }), step('specks', { size: 12, which: 'both' })],
        route: { kind: 'bands', at: [42, 66], inks: [null, 'ink-2', 'ink-1'], painted: [] },
      }),
    ],
  }),
  shipped({
    id: 'one-strong-colour',
    name: 'One strong colour over heavy black',
    says: 'The reds of a photograph flat in one ink, all else in bold black dots.',
    sizes: 'sheet',
    suits: ['colour'],
    stock: stock('White'),
    inks: [ink(1, 'Black'), ink(2, 'Ember')],
    plates: plates(['ink-2', dots({ ruling: 30, angle: 75 })], ['ink-1', dots({ ruling: 10, angle: 45 })]),
    originals: [
      picture({
        name: 'Strong colour',
        steps: [step('blur', { radius: 3 })],
        route: { kind: 'hues', dark: null, at: [12, 94], grey: 24, colours: [{ ink: 'ink-2', hue: 42 }] },
      }),
      picture({
        id: 'original-2',
        name: 'Black',
        overprint: true,
        steps: [
          step('recover', { shadows: 30, highlights: 10, radius: 90 }),
          curve([0, 0], [28, 16], [55, 66], [80, 96], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'pulp-cover',
    name: 'Pulp cover',
    says: 'Dots and picture driven to two levels, over a flat colour.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Newsprint'),
    resolution: 600,
    inks: [ink(1, 'Black'), ink(2, 'Lantern')],
    plates: plates(['ink-2', dots({ ruling: 30, angle: 75 })], ['ink-1', dots({ ruling: 60, angle: 45 })]),
    originals: [
      tint('original-1', 'ink-2', { name: 'Flat colour' }),
      picture({
        id: 'original-2',
        overprint: true,
        mix: {
          screen: newScreen('dots', { ruling: 7.5, angle: 45 }),
          blend: 'two-levels',
          softness: 0.9,
          strength: 100,
        },
        steps: [
          step('sharpen', { amount: 160, radius: 9 }),
          curve([0, 0], [30, 18], [55, 60], [80, 94], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'picture-under-dots',
    name: 'Smooth picture under dots',
    says: 'The photograph already on the sheet in its own colours, bold dots printed over it.',
    sizes: 'sheet',
    suits: ['colour'],
    stock: stock('Coated white'),
    inks: [ink(1, 'Night blue')],
    plates: plates(['ink-1', dots({ ruling: 7.5, angle: 22.5 })]),
    originals: [
      picture({ name: 'On the sheet', route: { kind: 'stock', blend: 'normal', opacity: 78 } }),
      picture({
        id: 'original-2',
        name: 'Dots',
        overprint: true,
        steps: [step('blur', { radius: 5 }), curve([0, 0], [35, 4], [70, 62], [100, 96])],
      }),
    ],
  }),
  shipped({
    id: 'four-flat-inks',
    name: 'Flat bands, four inks',
    says: 'Flat inks from light to dark, no screen at all: for stencils and cloth.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Salt linen'),
    inks: [ink(1, 'Night blue'), ink(2, 'Tide'), ink(3, 'Sea glass'), ink(4, 'Lantern')],
    resolution: 720,
    plates: plates(
      ['ink-4', dots({ ruling: 30, angle: 0 })],
      ['ink-3', dots({ ruling: 30, angle: 15 })],
      ['ink-2', dots({ ruling: 30, angle: 75 })],
      ['ink-1', dots({ ruling: 30, angle: 45 })],
    ),
    originals: [
      picture({
        steps: [step('blur', { radius: 7 }), step('specks', { size: 14, which: 'both' })],
        route: {
          kind: 'bands',
          at: [18, 38, 56, 76],
          inks: [null, 'ink-4', 'ink-3', 'ink-2', 'ink-1'],
          painted: [],
        },
      }),
    ],
  }),
];
