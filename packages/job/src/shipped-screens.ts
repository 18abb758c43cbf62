import { newScreen, type Screen } from '@brachytone/core';

/** A screen ready to use, named after what it does. */
export interface NamedScreen {
  readonly name: string;
  readonly says: string;
  readonly screen: Screen;
}

/** One that was kept on the shelf. */
export interface KeptScreen extends NamedScreen {
  readonly id: string;
}

/** Screens that ship with the program (common practice, no source). */
export const SHIPPED_SCREENS: readonly NamedScreen[] = [
  {
    name: 'Gig poster',
    says: 'Bold round dots that show from across a room and hold on any mesh.',
    screen: newScreen('dots', { ruling: 18, angle: 22.5 }, { smallest: 4, largest: 94 }),
  },
  {
    name: 'Shirt',
    says: 'Ellipses for a coarse mesh: the middle tones join softly.',
    screen: newScreen('dots', { spot: 'ellipse', ruling: 45, angle: 22.5 }, { smallest: 7, largest: 90 }),
  },
  {
    name: 'Open shadows',
    says: 'Dots that never touch, however dark it gets.',
    screen: newScreen('dots', { ruling: 24, angle: 45, apart: 0.12 }, { smallest: 3 }),
  },
  {
    name: 'Newspaper',
    says: 'A plain fine dot for soft paper.',
    screen: newScreen('dots', { spot: 'euclidean', ruling: 85, angle: 45 }, { smallest: 4, largest: 92 }),
  },
  {
    name: 'Engraved portrait',
    says: 'Lines that swell and bend with the face, crossed in the darks.',
    screen: newScreen('lines', { path: 'form', ruling: 35, angle: 35, relief: 5, soft: 3, crossed: 62 }),
  },
  {
    name: 'Banknote waves',
    says: 'Even waves across the whole sheet.',
    screen: newScreen('lines', { path: 'wave', ruling: 30, angle: 0, length: 30, height: 6 }),
  },
  {
    name: 'Record groove',
    says: 'One long spiral from the middle out.',
    screen: newScreen('lines', { path: 'spiral', ruling: 22 }),
  },
  {
    name: 'Chunky squares',
    says: 'Large hard-edged squares, for a picture that may look like pixels.',
    screen: newScreen('diffused', { spot: 0.8, kernel: 'wide' }),
  },
  {
    name: 'Fine and even',
    says: 'Small spots with no pattern, where a ruling would clash with the picture.',
    screen: newScreen('blue', { spot: 0.1 }),
  },
  {
    name: 'Stencil duplicator',
    says: 'Clumps that a drum of ink can hold.',
    screen: newScreen('clumps', { spot: 0.085, gather: 1.4 }, { smallest: 5, largest: 92 }),
  },
  {
    name: 'Stippled stone',
    says: 'Round grain, as if drawn on stone.',
    screen: newScreen('grain', { size: 0.3 }),
  },
  {
    name: 'Dry brush',
    says: 'Long streaks that break up the tone along one way.',
    screen: newScreen('grain', { manner: 'streaked', size: 0.35, length: 6, angle: 20, strength: 85 }),
  },
  {
    name: 'Worn print',
    says: 'Dots out of place and ragged, as from a tired press.',
    screen: newScreen('dots', { ruling: 20, angle: 30, place: 18, size: 30, ragged: 60 }),
  },
  {
    name: 'Old screen',
    says: 'A small repeating pattern of squares.',
    screen: newScreen('ordered', { spot: 0.5, pattern: '4' }),
  },
];
