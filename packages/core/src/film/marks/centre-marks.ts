import { lineArt, rule } from './mark-art.ts';
import { defineMark } from './mark-kind.ts';

const WEIGHT = 0.1;
/** Length of a dash and of a gap, mm. */
const DASH = 1;

export const centreMarks = defineMark({
  kind: 'centre',
  name: 'Centre marks',
  says: 'Dashes at the middle of each side, to fold or to lay on by',
  isUsual: false,
  fields: {},
  reach: (_settings, { to }) => to,
  around(_settings, { width, height }, { from, to }) {
    const dashes = Array.from(
      { length: Math.ceil((to - from) / (2 * DASH)) },
      (_, i) => from + 2 * DASH * i,
    ).map((start) => [start, Math.min(to, start + DASH)] as const);
    const [x, y] = [width / 2, height / 2];
    return lineArt(
      ...dashes.flatMap(([near, far]) => [
        rule(x, -near, x, -far, WEIGHT),
        rule(x, height + near, x, height + far, WEIGHT),
        rule(-near, y, -far, y, WEIGHT),
        rule(width + near, y, width + far, y, WEIGHT),
      ]),
    );
  },
});
