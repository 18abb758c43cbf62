import { againstBlur, gaussian, gaussianMargin } from '../../filter/gaussian.ts';
import { byRuns } from '../../filter/pixel-rows.ts';
import { kernels } from '../../kernel/memory.ts';
import { giveBack } from '../../raster/scratch.ts';
import { defineStep } from './step.ts';

/**
 * Where the surroundings (a wide blur) are dark or light, they are moved towards the middle; what stands out from them
 * stays as it is and grows a little, so detail comes out that a curve would flatten.
 */
export const recover = defineStep({
  kind: 'recover',
  name: 'Recover',
  says: 'Opens deep shadows and holds back highlights, keeping the detail in them.',
  fields: {
    shadows: { type: 'number', label: 'Shadows', unit: 'percent', least: 0, most: 100, start: 30 },
    highlights: { type: 'number', label: 'Highlights', unit: 'percent', least: 0, most: 100, start: 0 },
    radius: {
      type: 'number',
      label: 'Radius',
      unit: 'px',
      least: 1,
      most: 400,
      usual: [4, 200],
      ratio: true,
      start: 40,
    },
  },
  words: ({ shadows, highlights }) => `${shadows} / ${highlights} %`,
  area: {
    margin: ({ radius }, { scale }) => gaussianMargin(radius / scale),
    rows: ({ shadows, highlights, radius }, { scale }) =>
      againstBlur(radius / scale, (row, around, out, count) =>
        kernels.recoverRow(row, around, -shadows / 200, highlights / 200, out, count),
      ),
    apply: ({ shadows, highlights, radius }, plane, { scale, y }) => {
      const around = gaussian(plane, radius / scale, y);
      const made = byRuns(plane, around, (row, second, out, count) =>
        kernels.recoverRow(row, second, -shadows / 200, highlights / 200, out, count),
      );
      giveBack(around);
      return made;
    },
  },
});
