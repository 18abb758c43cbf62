import { plainPlate } from '@brachytone/core';
import type { Gradient } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { newDrawing, newGradient, newJob } from '@brachytone/job';
import { dotted } from './dotted.ts';
import { ink, stock } from './inks.ts';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';

/** A card from one plate in one pass: three colours of ink that run into one another in the fountain. */
export function fountainCard({ heron, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 148, height: 105, bleed: 3, resolution: 1200 };
  const job = newJob(heron, 'drawing');
  const sky = newGradient('original-1', 'ink-1', sheet);
  const bird = newDrawing('original-2', 'ink-1', sheet, heron);
  const words = letters(
    typefaces,
    'Anton',
    'original-3',
    'ink-1',
    { x: 12, y: 76 },
    { text: 'FIRST LIGHT', size: 19, tracking: 4, align: 'left' },
  );
  const blended = ink('ink-1', 'Sunrise blend', '#c2533f', 0);
  return {
    ...job,
    name: 'First light card',
    recipe: {
      ...job.recipe,
      sheet,
      stock: stock('Shell card', '#f4ede0', 'card'),
      originals: [
        {
          ...sky,
          name: 'Morning sky',
          content: {
            ...(sky.content as Gradient),
            stops: [
              { at: 0, tone: 6, middle: 0.5 },
              { at: 1, tone: 74, middle: 0.6 },
            ],
            limit: 100,
          },
        },
        { ...bird, placement: { x: 92, y: 12, width: 44, turn: 0, mirrored: false } },
        words,
      ],
      inks: [
        {
          ...blended,
          fountain: {
            angle: 0,
            stops: [
              { at: 6, lab: [46, -24, -30] },
              { at: 50, lab: [50, 58, 18] },
              { at: 94, lab: [74, 22, 66] },
            ],
          },
        },
      ],
      plates: [plainPlate('plate-1', 'ink-1', dotted({ ruling: 26, angle: 45 }))],
    },
  };
}
