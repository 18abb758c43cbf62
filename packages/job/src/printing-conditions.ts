import {
  labToWide,
  wideToXyz,
  xyzToLab,
  type Ink,
  type Lab,
  type Overprint,
  type Stock,
  rounded,
} from '@brachytone/core';

/** A way of printing in four colours: what its paper, solids and overprints measure. */
export interface PrintingCondition {
  readonly id: string;
  readonly name: string;
  readonly says: string;
  readonly stock: Stock;
  readonly cyan: Lab;
  readonly magenta: Lab;
  readonly yellow: Lab;
  readonly black: Lab;
  /** Magenta and yellow. */
  readonly red: Lab;
  /** Cyan and yellow. */
  readonly green: Lab;
  /** Cyan and magenta. */
  readonly blue: Lab;
  /** Most ink of all four together, percent. */
  readonly limit: number;
}

/**
 * Lab under D50 on the paper itself. Coated and uncoated: aims of ISO 12647-2:2004 for paper types 1 and 4; newsprint:
 * aims of ISO 12647-3:2005; all *from memory*. Cloth: an estimate of our own, measured nowhere.
 */
export const PRINTING_CONDITIONS: readonly PrintingCondition[] = [
  {
    id: 'coated',
    name: 'Coated',
    says: 'Offset on coated paper',
    stock: { name: 'Coated white', lab: [95, 0, -2], texture: 'smooth', soak: 0, yuleNielsen: 1.7 },
    cyan: [55, -37, -50],
    magenta: [48, 74, -3],
    yellow: [89, -5, 93],
    black: [16, 0, 0],
    red: [47, 68, 48],
    green: [50, -65, 27],
    blue: [24, 22, -46],
    limit: 320,
  },
  {
    id: 'uncoated',
    name: 'Uncoated',
    says: 'Offset on uncoated paper',
    stock: { name: 'Uncoated white', lab: [95, 0, -2], texture: 'paper', soak: 0.015, yuleNielsen: 1.8 },
    cyan: [60, -26, -44],
    magenta: [56, 61, -1],
    yellow: [89, -4, 78],
    black: [31, 0, 1],
    red: [54, 55, 26],
    green: [54, -44, 14],
    blue: [38, 8, -31],
    limit: 300,
  },
  {
    id: 'newsprint',
    name: 'Newsprint',
    says: 'Offset on newsprint',
    stock: { name: 'Newsprint', lab: [82, 0, 3], texture: 'paper', soak: 0.03, yuleNielsen: 1.8 },
    cyan: [57, -23, -27],
    magenta: [54, 44, -2],
    yellow: [78, -3, 58],
    black: [36, 1, 4],
    red: [52, 41, 25],
    green: [53, -34, 17],
    blue: [41, 7, -22],
    limit: 240,
  },
  {
    id: 'cloth',
    name: 'Cloth',
    says: 'Screen printing on white cloth',
    stock: { name: 'White cloth', lab: [93, 0, -1], texture: 'cloth', soak: 0.06, yuleNielsen: 1 },
    cyan: [56, -30, -45],
    magenta: [50, 66, -4],
    yellow: [87, -4, 84],
    black: [18, 0, 0],
    red: [49, 60, 40],
    green: [51, -54, 22],
    blue: [30, 16, -40],
    limit: 280,
  },
];

/** A colour measured on a paper as it would be on a pure white one: transparent ink takes the same share of any light. */
export function onWhite(lab: Lab, paper: Lab): Lab {
  const under = labToWide(paper);
  const light = labToWide(lab);
  const band = (i: 0 | 1 | 2) => light[i] / under[i];
  const [l, a, b] = xyzToLab(wideToXyz([band(0), band(1), band(2)]));
  return [Math.min(100, rounded(l, 2)), rounded(a, 2), rounded(b, 2)];
}

/** Ids of the process inks as a condition gives them. */
export const PROCESS_IDS = { cyan: 'cyan', magenta: 'magenta', yellow: 'yellow', black: 'black' } as const;

/** The inks of a condition in the order they are printed, and their overprints. */
export function processInks(condition: PrintingCondition): { inks: Ink[]; overprints: Overprint[] } {
  const on = (lab: Lab) => onWhite(lab, condition.stock.lab);
  const ink = (id: keyof typeof PROCESS_IDS, name: string): Ink => ({
    id,
    name,
    lab: on(condition[id]),
    opacity: 0,
    fountain: null,
  });
  return {
    inks: [ink('black', 'Black'), ink('cyan', 'Cyan'), ink('magenta', 'Magenta'), ink('yellow', 'Yellow')],
    overprints: [
      { inks: ['magenta', 'yellow'], lab: on(condition.red) },
      { inks: ['cyan', 'yellow'], lab: on(condition.green) },
      { inks: ['cyan', 'magenta'], lab: on(condition.blue) },
    ],
  };
}
