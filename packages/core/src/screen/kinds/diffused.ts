import { diffusing } from '../diffusion.ts';
import { blueTile } from '../noise/blue-tile.ts';
import { defineScreen } from './kind.ts';
import { SPOT_SIZE, spotSizeWords } from './spot-size.ts';

const KERNELS = [
  { value: 'near', label: 'Near', title: 'Floyd & Steinberg, 1976: four neighbours, fine and crisp' },
  {
    value: 'wide',
    label: 'Wide',
    title: 'Jarvis, Judice & Ninke, 1976: twelve neighbours, soft, with drawn edges',
  },
  { value: 'even', label: 'Even', title: 'Stucki, 1981: twelve neighbours, quieter' },
] as const;

export const diffused = defineScreen({
  kind: 'diffused',
  name: 'Diffused',
  says: 'Square spots; the error of each is passed on to its neighbours.',
  fields: {
    spot: SPOT_SIZE(0.25),
    kernel: { type: 'choice', label: 'Spread', options: KERNELS, start: 'near' },
    loosen: { type: 'number', label: 'Randomness', unit: 'percent', least: 0, most: 100, start: 0 },
  },
  words: ({ spot, kernel }) => `diffused ${kernel} · ${spotSizeWords(spot)}`,
  spotSize: ({ spot }) => spot,
  sequential: () => true,
  make: ({ kernel, loosen }, transfer) =>
    diffusing(
      {
        kernel: kernel === 'near' ? 0 : kernel === 'wide' ? 1 : 2,
        feedback: 0,
        // A threshold that wanders breaks up the worms and chequers that a fixed one falls into.
        ...(loosen > 0 ? { noise: { tile: blueTile(), strength: loosen / 100 } } : {}),
      },
      transfer,
    ),
});
