import { gaussian, gaussianMargin } from '../../filter/gaussian.ts';
import { SOLID } from '../../raster/plane.ts';
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
    apply: ({ shadows, highlights, radius }, plane, { scale, y }) => {
      const around = gaussian(plane, radius / scale, y).data;
      const { data } = plane;
      const out = new Uint16Array(data.length);
      const moved = new Int32Array(SOLID + 1);
      const gain = new Float64Array(SOLID + 1);
      for (let i = 0; i <= SOLID; i++) {
        const m = i / SOLID;
        // Both pulls are cubic, so the middle tone and the ends' own neighbours join smoothly.
        const dark = m > 0.5 ? (2 * m - 1) ** 2 : 0;
        const light = m < 0.5 ? (1 - 2 * m) ** 2 : 0;
        const pull = (-shadows * dark * 0.5 + highlights * light * 0.5) / 100;
        moved[i] = Math.round(pull * SOLID);
        gain[i] = 1 + Math.abs(pull);
      }
      for (let i = 0; i < out.length; i++) {
        const m = around[i];
        const value = m + moved[m] + (data[i] - m) * gain[m];
        out[i] = value < 0 ? 0 : value > SOLID ? SOLID : value + 0.5;
      }
      return { ...plane, data: out };
    },
  },
});
