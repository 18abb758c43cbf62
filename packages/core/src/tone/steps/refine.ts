import { FINER_MARGIN, finerPlane } from '../../filter/finer.ts';
import { defineStep } from './step.ts';

export const refine = defineStep({
  kind: 'refine',
  name: 'Refine',
  says: 'Carries a coarse picture to a finer grid, so that dots and edges made of it run smoothly.',
  fields: {
    times: {
      type: 'choice',
      label: 'Times as fine',
      options: [
        { value: '2', label: '× 2' },
        { value: '3', label: '× 3' },
        { value: '4', label: '× 4' },
      ],
      start: '2',
    },
  },
  words: ({ times }) => `× ${times}`,
  area: {
    margin: () => FINER_MARGIN,
    // Read on a coarser grid than its own, the picture has nothing to gain.
    finer: ({ times }, { scale }) => (scale > 1 ? 1 : Number(times)),
    apply: ({ times }, plane, { scale }) => (scale > 1 ? plane : finerPlane(plane, Number(times))),
  },
});
