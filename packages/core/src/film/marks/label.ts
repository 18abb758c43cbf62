import { inkOf } from '../../ink/ink-of.ts';
import { screenFacts } from '../screen-facts.ts';
import { lineArt, text } from './mark-art.ts';
import { defineMark, type MarkedFilm } from './mark-kind.ts';

/** A line's height over its type's size. */
const LEADING = 1.25;

/** What a film's label says, in two lines. */
export function labelLines({
  recipe,
  plate,
  words,
}: Pick<MarkedFilm, 'recipe' | 'plate' | 'words'>): string[] {
  const { plates, press, sheet } = recipe;
  const printed = plates.filter((one) => one.printed);
  const place = printed.indexOf(plates[plate]) + 1;
  // Emulsion: common practice, no source.
  const emulsion = words.mirrored
    ? 'emulsion down, reads right through the film'
    : 'emulsion up, reads right';
  return [
    [words.job, inkOf(recipe.inks, plates[plate].ink).name, `plate ${place} of ${printed.length}`].join(
      '  ·  ',
    ),
    [
      screenFacts(plates[plate].screen, '°'),
      `${sheet.resolution} dpi`,
      ...(press ? [press.press.name] : []),
      words.day,
      ...(words.approval === undefined ? [] : [words.approval]),
      emulsion,
    ].join('  ·  '),
  ];
}

export const label = defineMark({
  kind: 'label',
  name: 'Label',
  says: 'Job, ink, place in printing order, screen, press, day and emulsion side',
  isUsual: true,
  fields: {
    size: { type: 'number', label: 'Type', unit: 'mm', least: 1, most: 10, usual: [1.5, 5], start: 2.5 },
  },
  blocks: ({ size }) => [
    {
      side: 'head',
      width: null,
      height: 2 * LEADING * size,
      draw: (film, { x, y, width }) =>
        lineArt(
          ...labelLines(film).map((line, i) =>
            text(film.face, line, { x, y: y + i * LEADING * size, size, width }),
          ),
        ),
    },
  ],
});
