import { scaled, after, moved } from '../../raster/affine.ts';
import { paintStroke } from '../paint-stroke.ts';
import { defineStep } from './step.ts';

/** Lightens and darkens by hand. Within one stroke the brush does not add to itself; strokes follow one another. */
export const brush = defineStep({
  kind: 'brush',
  name: 'Brush',
  says: 'Lightens and darkens by hand, with a soft brush; every stroke can be taken back.',
  fields: { strokes: { type: 'strokes', label: 'Strokes', start: [] } },
  words: ({ strokes }) => `${strokes.length} ${strokes.length === 1 ? 'stroke' : 'strokes'}`,
  area: {
    margin: () => 0,
    apply: ({ strokes }, plane, place) => {
      if (strokes.length === 0) return plane;
      const out = { ...plane, data: plane.data.slice() };
      const map = after(scaled(place.fullWidth), moved(-place.x, -place.y));
      for (const stroke of strokes) paintStroke(out, stroke, map);
      return out;
    },
  },
});
