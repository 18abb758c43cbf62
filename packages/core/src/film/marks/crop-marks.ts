import { lineArt, rule } from './mark-art.ts';
import { WEIGHT_FIELD, defineMark } from './mark-kind.ts';

/** Sizes are common practice, no source. */
export const cropMarks = defineMark({
  kind: 'crop',
  name: 'Crop marks',
  says: 'Lines at the corners, to cut the sheet by',
  isUsual: true,
  fields: {
    offset: {
      type: 'number',
      label: 'Off the trim',
      unit: 'mm',
      least: 0,
      most: 20,
      usual: [0, 10],
      start: 3,
    },
    length: { type: 'number', label: 'Length', unit: 'mm', least: 1, most: 20, usual: [2, 10], start: 5 },
    weight: WEIGHT_FIELD,
  },
  reach: (_settings, { to }) => to,
  around({ weight }, { width, height }, { from, to }) {
    return lineArt(
      ...[0, width].flatMap((x) => [
        rule(x, -from, x, -to, weight),
        rule(x, height + from, x, height + to, weight),
      ]),
      ...[0, height].flatMap((y) => [
        rule(-from, y, -to, y, weight),
        rule(width + from, y, width + to, y, weight),
      ]),
    );
  },
});
