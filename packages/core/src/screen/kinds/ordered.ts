import { bayerRanks } from '../bayer.ts';
import { spotOf } from '../spot/index.ts';
import { findSupercell } from '../supercell.ts';
import { buildThresholds } from '../thresholds.ts';
import { tileOf } from '../tile.ts';
import { tiled } from '../tiled.ts';
import { defineScreen } from './kind.ts';
import { SPOT_SIZE, spotSizeWords } from './spot-size.ts';

const PATTERNS = [
  { value: '2', label: '2', title: 'Bayer’s matrix of 2 × 2: five tones' },
  { value: '4', label: '4', title: 'Bayer’s matrix of 4 × 4: seventeen tones' },
  { value: '8', label: '8', title: 'Bayer’s matrix of 8 × 8' },
  { value: '16', label: '16', title: 'Bayer’s matrix of 16 × 16' },
  { value: 'clustered', label: 'Dots', title: 'Spots gather in small dots at 45°' },
] as const;

/** Spots across the cell of a clustered pattern. */
const CLUSTER = 8;

export const ordered = defineScreen({
  kind: 'ordered',
  name: 'Ordered',
  says: 'Square spots in a small pattern that repeats.',
  fields: {
    spot: SPOT_SIZE(0.3),
    pattern: { type: 'choice', label: 'Pattern', options: PATTERNS, start: '8' },
  },
  words: ({ spot, pattern }) =>
    `${pattern === 'clustered' ? 'small dots' : `pattern of ${pattern}`} · ${spotSizeWords(spot)}`,
  spotSize: ({ spot }) => spot,
  sequential: () => false,
  make({ pattern }, transfer) {
    if (pattern === 'clustered') {
      return tiled(buildThresholds(findSupercell(1 / CLUSTER, 45, 1), spotOf('euclidean')), transfer);
    }
    const side = Number(pattern);
    const ranks = bayerRanks(side);
    const order = new Array<number>(ranks.length);
    ranks.forEach((rank, pixel) => (order[rank] = pixel));
    return tiled(tileOf(side, side, order), transfer);
  },
});
