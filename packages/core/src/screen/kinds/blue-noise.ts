import { blueTile } from '../noise/blue-tile.ts';
import { tiled } from '../tiled.ts';
import { defineScreen } from './kind.ts';
import { SPOT_SIZE, spotSizeWords } from './spot-size.ts';

export const blueNoise = defineScreen({
  kind: 'blue',
  name: 'Blue noise',
  says: 'Square spots strewn evenly, with no pattern and no direction.',
  fields: { spot: SPOT_SIZE(0.12) },
  words: ({ spot }) => `blue noise · ${spotSizeWords(spot)}`,
  spotSize: ({ spot }) => spot,
  sequential: () => false,
  make: (_, transfer) => tiled(blueTile(), transfer),
});
