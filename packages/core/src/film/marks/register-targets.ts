import { circle, lineArt, rule } from './mark-art.ts';
import { WEIGHT_FIELD, defineMark, type Ring } from './mark-kind.ts';

/** Length of a target's arms over its circle's radius. */
const ARMS = 1.5;
/** Radius, arm and weight of the fine one, mm. */
const FINE = { radius: 0.8, arm: 1.6, weight: 0.05 };
const GAP = 0.5;

/** How far the middle of a target lies off the trimmed edges, each way. */
const middleOf = (radius: number, { bleed, from, to }: Ring): number =>
  Math.max((from + to) / 2, bleed + GAP + ARMS * radius);

const target = (x: number, y: number, radius: number, arm: number, weight: number) => [
  circle(x, y, radius, weight),
  rule(x - arm, y, x + arm, y, weight),
  rule(x, y - arm, x, y + arm, weight),
];

export const registerTargets = defineMark({
  kind: 'register',
  name: 'Register targets',
  says: 'A cross in a circle at each corner, to lay plates over one another by',
  isUsual: true,
  fields: {
    size: { type: 'number', label: 'Across', unit: 'mm', least: 1, most: 12, usual: [2, 8], start: 4 },
    weight: WEIGHT_FIELD,
    fine: {
      type: 'choice',
      label: 'Fine ones',
      options: [
        { value: 'yes', label: 'With', title: 'Hairlines beside two of them, for the loupe' },
        { value: 'no', label: 'Without' },
      ],
      start: 'yes',
    },
  },
  reach: ({ size }, ring) => middleOf(size / 2, ring) + (ARMS * size) / 2,
  around({ size, weight, fine }, { width, height }, ring) {
    const radius = size / 2;
    const off = middleOf(radius, ring);
    const corners = [-off, width + off].flatMap((x) =>
      [-off, height + off].flatMap((y) => target(x, y, radius, ARMS * radius, weight)),
    );
    // Beside the crop marks, a little way along the sheet.
    const along = Math.min(width / 4, 8);
    const line = ring.bleed + GAP + FINE.arm;
    const fineOnes =
      fine === 'yes'
        ? [
            ...target(along, -line, FINE.radius, FINE.arm, FINE.weight),
            ...target(width - along, height + line, FINE.radius, FINE.arm, FINE.weight),
          ]
        : [];
    return lineArt(...corners, ...fineOnes);
  },
});
