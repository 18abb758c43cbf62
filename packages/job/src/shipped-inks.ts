import type { Ink, Stock } from '@brachytone/core';

/** An ink as it stands on the shelf, without a place in a job. */
export type ShelfInk = Omit<Ink, 'id'>;

/** One that was kept on the shelf. */
export type KeptInk = ShelfInk & { readonly id: string };

export type KeptStock = Stock & { readonly id: string };

const ink = (name: string, lab: [number, number, number], opacity = 0): ShelfInk => ({
  name,
  lab,
  opacity,
  fountain: null,
});

/** Inks that ship with the program, with colours and names of our own. */
export const SHIPPED_INKS: readonly ShelfInk[] = [
  ink('Black', [9.5, 0.4, 0.6]),
  ink('Night blue', [17, 8, -24]),
  ink('Tide', [46, -24, -30]),
  ink('Sea glass', [68, -32, -2]),
  ink('Reed', [58, -22, 42]),
  ink('Samphire', [70, -38, 48]),
  ink('Lantern', [76, 20, 68]),
  ink('Ember', [58, 58, 52]),
  ink('Rosehip', [46, 66, 26]),
  ink('Heather', [44, 42, -36]),
  ink('Peat', [30, 12, 16]),
  ink('Mist', [80, -2, -6]),
  ink('White, covering', [96, -0.5, 1], 0.97),
  ink('Pale gold, covering', [72, 4, 40], 0.85),
];

const stock = (
  name: string,
  lab: [number, number, number],
  texture: Stock['texture'],
  soak: number,
  yuleNielsen: number,
): Stock => ({ name, lab, texture, soak, yuleNielsen });

/** Stocks that ship with the program, with colours and names of our own. */
export const SHIPPED_STOCKS: readonly Stock[] = [
  stock('White', [100, 0, 0], 'smooth', 0, 1),
  stock('Coated white', [95, 0, -2], 'smooth', 0, 1.7),
  stock('Uncoated cream', [93.5, -0.5, 9], 'paper', 0.015, 1.8),
  stock('Newsprint', [82, 0, 3], 'paper', 0.03, 1.8),
  stock('Shell card', [93.9, 0.8, 4.8], 'card', 0.01, 1.6),
  stock('Oat board', [85.5, 2.4, 17], 'card', 0.02, 1.6),
  stock('Salt linen', [90, 0.5, 6], 'cloth', 0.08, 1),
  stock('Peat cloth', [17, 1.2, 1.5], 'cloth', 0.06, 1),
  stock('Dusk cloth', [22, 2, -14], 'cloth', 0.06, 1),
];
