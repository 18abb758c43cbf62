import { SOLID } from '../../raster/plane.ts';
import { plateTransfer } from '../../plate/plate-transfer.ts';
import { text, type MarkArt } from './mark-art.ts';
import { defineMark, type MarkBlock } from './mark-kind.ts';

/** Height of the number under a patch over the patch's side. */
const NUMBER = 0.34;

/** Tones of a wedge, percent: so many steps from bare to solid. */
const tonesOf = (steps: number): number[] =>
  Array.from({ length: steps }, (_, i) => Math.round((1000 * i) / (steps - 1)) / 10);

export const stepWedge = defineMark({
  kind: 'wedge',
  name: 'Step wedge',
  says: 'Patches from bare to solid in the plate’s own screen, to measure',
  isUsual: true,
  fields: {
    steps: { type: 'number', label: 'Steps', unit: 'plain', least: 3, most: 21, start: 11 },
    side: { type: 'number', label: 'Patch', unit: 'mm', least: 2, most: 20, usual: [3, 12], start: 6 },
    tones: {
      type: 'choice',
      label: 'Tones are',
      options: [
        { value: 'straight', label: 'Straight', title: 'What the film carries' },
        {
          value: 'asked',
          label: 'As asked',
          title: 'Through the press curve and the dot limits, as the picture is',
        },
      ],
      start: 'straight',
    },
  },
  blocks: ({ steps, side, tones }) =>
    tonesOf(Math.round(steps)).map((tone): MarkBlock => ({
      side: 'foot',
      width: side,
      height: side * (1 + NUMBER),
      draw({ recipe, plate, face }, { x, y }): MarkArt {
        const asked = Math.round((tone / 100) * SOLID);
        const film = tones === 'asked' ? plateTransfer(recipe, plate).made(asked) : asked;
        const size = side * NUMBER;
        const number = text(face, String(tone), {
          x: x + side / 2,
          y: y + side,
          size,
          width: side,
          align: 'centre',
        });
        return {
          shapes: [number],
          patches: [{ box: { x, y, width: side, height: side }, tone: film / SOLID }],
        };
      },
    })),
});
