import type { Gain, Press } from '@brachytone/core';

/** A press as the press room has it. */
export type RoomPress = Press & {
  readonly id: string;
  /** What it is for, in a sentence. */
  readonly says: string;
};

/** One that was kept in the press room. */
export type KeptPress = Press & { readonly id: string };

const gain = (middle: number, shape = 1): Gain => ({ by: 'number', middle, shape });

/** What all presses that ship begin with. */
const NONE = { mesh: null, inkGains: [] } as const;

/**
 * Presses that ship with the program, under names of our own. Where their numbers come from: *practice* stands for common practice of the trade,
 * without a source; *memory* for what is remembered of printing standards and handbooks, not looked up.
 */
export const SHIPPED_PRESSES: readonly RoomPress[] = [
  {
    ...NONE,
    id: 'hand-table-paper',
    name: 'Hand table, coarse mesh, paper',
    says: 'Frames pulled by hand, water-based ink on uncoated paper.',
    kind: 'screen',
    // Practice: 43 threads of 80 µm are the usual coarse mesh.
    mesh: { count: 43, angle: 0, thread: 80 },
    // Practice.
    gain: gain(18),
    edgeGain: 0.06,
    leastDot: 260,
    leastGap: 230,
    leastLine: 0.3,
    leastLineGap: 0.3,
    inkLimit: 300,
    register: 0.5,
    sheet: { width: 700, height: 500 },
    resolution: 720,
    stocks: ['Uncoated cream', 'Shell card', 'Oat board'],
  },
  {
    ...NONE,
    id: 'hand-table-cloth',
    name: 'Hand table, coarse mesh, dark cloth',
    says: 'A white base and inks over it on dark cloth: soft edges, strong gain.',
    kind: 'screen',
    // Practice.
    mesh: { count: 43, angle: 0, thread: 80 },
    gain: gain(28, 0.9),
    edgeGain: 0.1,
    leastDot: 320,
    leastGap: 280,
    leastLine: 0.4,
    leastLineGap: 0.4,
    inkLimit: 400,
    register: 0.6,
    sheet: { width: 400, height: 500 },
    resolution: 720,
    stocks: ['Peat cloth', 'Dusk cloth', 'Salt linen'],
  },
  {
    ...NONE,
    id: 'poster-table',
    name: 'Poster table, fine mesh',
    says: 'A vacuum table with fine mesh for posters of several inks.',
    kind: 'screen',
    // Practice: 90 threads of 48 µm; dots under two threads and an opening are lost.
    mesh: { count: 90, angle: 0, thread: 48 },
    gain: gain(16),
    edgeGain: 0.03,
    leastDot: 160,
    leastGap: 140,
    leastLine: 0.15,
    leastLineGap: 0.15,
    inkLimit: 320,
    register: 0.3,
    sheet: { width: 1000, height: 700 },
    resolution: 1200,
    stocks: ['Coated white', 'Uncoated cream', 'White'],
  },
  {
    ...NONE,
    id: 'offset-coated',
    name: 'Sheet-fed offset, coated',
    says: 'Plates by laser, smooth paper, fine rulings.',
    kind: 'offset',
    // Memory: about 14 % at 50 %, 300 to 330 % of ink, after printing conditions for coated paper.
    gain: gain(14),
    edgeGain: 0.006,
    leastDot: 25,
    leastGap: 25,
    leastLine: 0.05,
    leastLineGap: 0.06,
    inkLimit: 320,
    register: 0.08,
    sheet: { width: 1020, height: 720 },
    resolution: 2400,
    stocks: ['Coated white'],
  },
  {
    ...NONE,
    id: 'offset-uncoated',
    name: 'Sheet-fed offset, uncoated',
    says: 'The same press on paper that drinks.',
    kind: 'offset',
    // Memory: about 20 % at 50 %, 300 % of ink at most.
    gain: gain(20),
    edgeGain: 0.01,
    leastDot: 35,
    leastGap: 35,
    leastLine: 0.08,
    leastLineGap: 0.1,
    inkLimit: 300,
    register: 0.1,
    sheet: { width: 1020, height: 720 },
    resolution: 2400,
    stocks: ['Uncoated cream', 'Shell card'],
  },
  {
    ...NONE,
    id: 'newspaper-web',
    name: 'Newspaper web',
    says: 'Fast and wet on newsprint.',
    kind: 'offset',
    // Memory: about 26 % at 50 % and 240 % of ink, after newspaper conditions.
    gain: gain(26),
    edgeGain: 0.02,
    leastDot: 60,
    leastGap: 70,
    leastLine: 0.12,
    leastLineGap: 0.15,
    inkLimit: 240,
    register: 0.2,
    sheet: { width: 350, height: 500 },
    resolution: 1200,
    stocks: ['Newsprint'],
  },
  {
    ...NONE,
    id: 'stencil-duplicator',
    name: 'Stencil duplicator',
    says: 'One drum an ink, soft ink on open paper, loose register.',
    kind: 'stencil',
    // Practice: 600 dots per inch in the stencil, ink that stays soft, a millimetre of wander.
    gain: gain(20, 0.8),
    edgeGain: 0.04,
    leastDot: 90,
    leastGap: 130,
    leastLine: 0.12,
    leastLineGap: 0.18,
    inkLimit: 220,
    register: 1,
    sheet: { width: 297, height: 420 },
    resolution: 600,
    stocks: ['Uncoated cream', 'Shell card', 'Newsprint'],
  },
  {
    ...NONE,
    id: 'film-printer',
    name: 'Desktop film printer',
    says: 'Inkjet film for any frame or plate: what it adds before the press has its turn.',
    kind: 'digital',
    // Practice.
    gain: gain(6),
    edgeGain: 0.012,
    leastDot: 60,
    leastGap: 60,
    leastLine: 0.08,
    leastLineGap: 0.08,
    inkLimit: 400,
    register: 0.15,
    sheet: { width: 329, height: 483 },
    resolution: 1440,
    stocks: ['White'],
  },
];

/** A press without what the press room says of it. */
export const pressOf = ({
  id: _,
  says: _says,
  ...press
}: RoomPress | (KeptPress & { says?: string })): Press => press;
