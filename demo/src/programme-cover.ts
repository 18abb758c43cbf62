import { plainPlate } from '@brachytone/core';
import { newScreen, type Gradient } from '@brachytone/core';
import { newGradient, newJob, NO_MARKS, type JobDocument } from '@brachytone/job';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';

import { ink, stock } from './inks.ts';

/** A programme's cover: a stippled gradient, with lettering left bare. */
export function programmeCover({ moon, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 148, height: 210, bleed: 3, resolution: 1200 };
  const job = newJob(moon);
  const dusk = newGradient('original-1', 'ink-1', sheet);
  return {
    ...job,
    name: 'Programme cover',
    recipe: {
      sheet,
      stock: stock('Shell', '#f4ede0'),
      originals: [
        {
          ...dusk,
          name: 'Dusk',
          content: {
            ...(dusk.content as Gradient),
            shape: 'radial',
            from: { x: 0.5, y: 1.02 },
            to: { x: 0.5, y: 0 },
            stops: [
              { at: 0, tone: 0, middle: 0.5 },
              { at: 0.3, tone: 7, middle: 0.5 },
              { at: 1, tone: 96, middle: 0.42 },
            ],
            limit: 100,
          },
        },
        letters(
          typefaces,
          'Bowlby One',
          'original-2',
          'ink-1',
          { x: 12, y: 8 },
          {
            text: 'Tides\n& stars',
            size: 27,
            leading: 92,
            align: 'left',
            fill: 'bare',
          },
        ),
        letters(
          typefaces,
          'Alfa Slab One',
          'original-3',
          'ink-1',
          { x: 12, y: 190 },
          {
            text: 'Saltmarsh Observatory, spring',
            size: 7,
            tracking: 2,
            align: 'left',
          },
        ),
      ],
      inks: [ink('ink-1', 'Deep tide', '#15484f', 0.05)],
      overprints: [],
      press: null,
      marks: NO_MARKS,
      plates: [plainPlate('plate-1', 'ink-1', newScreen('grain', { size: 0.35 }))],
    },
  };
}
