import { newScreen } from '@brachytone/core';
import { curve, dots, ink, picture, plates, shipped, step, stock } from './make.ts';

/** One ink, in lines, and art that is drawn in one ink (rulings and tones: common practice, no source). */
export const LINES = [
  shipped({
    id: 'engraved-portrait',
    name: 'Engraved portrait',
    says: 'Lines that swell and bend with the form, crossed in the darks.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('Uncoated cream'),
    inks: [ink(1, 'Black')],
    plates: plates([
      'ink-1',
      newScreen(
        'lines',
        { path: 'form', ruling: 12, angle: 35, relief: 8, soft: 5, crossed: 62 },
        { smallest: 6, largest: 94 },
      ),
    ]),
    originals: [
      picture({
        steps: [
          step('recover', { shadows: 40, highlights: 10, radius: 60 }),
          step('sharpen', { amount: 160, radius: 5, threshold: 1 }),
          curve([0, 0], [4, 0], [25, 20], [55, 60], [80, 88], [100, 98]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'spiral',
    name: 'Spiral',
    says: 'One long line from the middle out, thick where it is dark.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('Coated white'),
    inks: [ink(1, 'Black')],
    plates: plates([
      'ink-1',
      newScreen('lines', { path: 'spiral', ruling: 8 }, { smallest: 5, largest: 94 }),
    ]),
    originals: [
      picture({
        steps: [
          step('recover', { shadows: 35, highlights: 6, radius: 90 }),
          step('sharpen', { amount: 120, radius: 10 }),
          curve([0, 0], [4, 0], [30, 28], [70, 76], [100, 100]),
        ],
      }),
    ],
  }),
  shipped({
    id: 'waves',
    name: 'Waves',
    says: 'Even waves across the whole sheet.',
    sizes: 'sheet',
    suits: ['colour', 'grey', 'line'],
    stock: stock('White'),
    inks: [ink(1, 'Tide')],
    plates: plates([
      'ink-1',
      newScreen(
        'lines',
        { path: 'wave', ruling: 9, angle: 0, length: 40, height: 7 },
        { smallest: 5, largest: 95 },
      ),
    ]),
    originals: [
      picture({
        steps: [step('sharpen', { amount: 110, radius: 8 }), curve([0, 0], [30, 26], [70, 80], [100, 100])],
      }),
    ],
  }),
  shipped({
    id: 'clean-line-art',
    name: 'Clean line art',
    says: 'Two levels and no screen: specks gone, edges hard.',
    suits: ['line'],
    inks: [ink(1, 'Black')],
    plates: plates(['ink-1', dots({ ruling: 30, angle: 45 })]),
    originals: [
      picture({
        content: {
          ...picture({}).content,
          line: { threshold: 50, smooth: 1 },
        } as ReturnType<typeof picture>['content'],
        steps: [step('specks', { size: 3, which: 'both' })],
      }),
    ],
  }),
  shipped({
    id: 'soft-shadow',
    name: 'Soft shadow behind hard art',
    says: 'A blurred shadow in dots, the art itself solid over it.',
    sizes: 'sheet',
    levels: 'kept',
    suits: ['line'],
    stock: stock('Shell card'),
    inks: [ink(1, 'Black'), ink(2, 'Ember')],
    plates: plates(['ink-2', dots({ ruling: 10, angle: 22.5 })], ['ink-1', dots({ ruling: 30, angle: 45 })]),
    originals: [
      picture({
        route: { kind: 'ink', ink: 'ink-2' },
        steps: [step('blur', { radius: 40 }), curve([0, 0], [12, 6], [45, 60], [80, 96], [100, 100])],
      }),
      picture({
        id: 'original-2',
        name: 'Hard art',
        content: {
          ...picture({}).content,
          line: { threshold: 50, smooth: 0.5 },
        } as ReturnType<typeof picture>['content'],
        placement: { ...picture({}).placement, x: -5, y: -5 },
        overprint: true,
      }),
    ],
  }),
  shipped({
    id: 'fade-into-dots',
    name: 'Fade into dots',
    says: 'Whole at the top, dissolving into large dots towards the foot.',
    sizes: 'sheet',
    suits: ['colour', 'grey'],
    stock: stock('White'),
    inks: [ink(1, 'Black')],
    plates: plates(['ink-1', dots({ ruling: 60, angle: 45 })]),
    originals: [
      picture({
        fade: {
          by: 'gradient',
          gradient: {
            kind: 'gradient',
            ratio: 297 / 210,
            shape: 'linear',
            from: { x: 0.5, y: 0.35 },
            to: { x: 0.5, y: 1 },
            width: 0.6,
            stops: [
              { at: 0, tone: 100, middle: 0.5 },
              { at: 1, tone: 0, middle: 0.5 },
            ],
            points: [],
            limit: 100,
          },
          screen: newScreen('dots', { ruling: 7, angle: 45 }),
          strokes: [],
        },
        steps: [step('sharpen', { amount: 80, radius: 3 })],
      }),
    ],
  }),
];
