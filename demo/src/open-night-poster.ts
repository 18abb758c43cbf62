import { plainPlate } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { cropToSheet, newJob, placeOnSheet } from '@brachytone/job';
import { dotted } from './dotted.ts';
import { ink, stock } from './inks.ts';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';
import { step } from './step.ts';

/** The poster in two inks: the moon in both of them, a curve each, and lettering in the warm one. */
export function openNightPoster({ moon, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 297, height: 420, bleed: 3, resolution: 1200 };
  const job = newJob(moon);
  const [picture] = job.recipe.originals;
  const crop = cropToSheet(sheet, moon);
  const words = letters(
    typefaces,
    'Anton',
    'original-2',
    'ink-2',
    { x: 20, y: 306 },
    { text: 'OPEN\nNIGHT', size: 50, tracking: 1, leading: 104, align: 'left' },
  );
  const under = letters(
    typefaces,
    'Alfa Slab One',
    'original-3',
    'ink-2',
    { x: 20, y: 10 },
    { text: 'Saltmarsh Observatory\nFridays, when it is clear', size: 11.5, tracking: 1, align: 'left' },
  );
  return {
    ...job,
    name: 'Open Night poster',
    recipe: {
      ...job.recipe,
      sheet,
      stock: stock('Uncoated cream', '#f3ecda'),
      originals: [
        {
          ...picture,
          content: { kind: 'picture', picture: moon.sha256, crop, line: null, cut: null },
          placement: placeOnSheet(sheet, moon, crop),
          tone: { ...picture.tone, steps: [step('levels', { bare: 4, solid: 96 })] },
          route: {
            kind: 'tones',
            inks: [
              {
                ink: 'ink-1',
                curve: [
                  { in: 0, out: 0 },
                  { in: 40, out: 24 },
                  { in: 72, out: 78 },
                  { in: 100, out: 100 },
                ],
              },
              {
                ink: 'ink-2',
                curve: [
                  { in: 0, out: 10 },
                  { in: 30, out: 62 },
                  { in: 62, out: 34 },
                  { in: 100, out: 0 },
                ],
              },
            ],
          },
        },
        { ...words, overprint: false },
        { ...under, overprint: false },
      ],
      inks: [ink('ink-1', 'Night blue', '#1b2a52', 0), ink('ink-2', 'Lantern', '#e08a2b', 0.1)],
      // The light ink goes down first.
      plates: [
        plainPlate('plate-2', 'ink-2', dotted({ ruling: 20, angle: 75 })),
        plainPlate('plate-1', 'ink-1', dotted({ ruling: 20, angle: 45 }, { smallest: 3, largest: 97 })),
      ],
    },
  };
}
