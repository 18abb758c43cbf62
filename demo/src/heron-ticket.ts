import { plainPlate } from '@brachytone/core';
import type { Gradient, OriginalRecipe } from '@brachytone/core';
import {
  addedOriginal,
  newContainer,
  newDrawing,
  newGradient,
  newJob,
  NO_MARKS,
  type JobDocument,
} from '@brachytone/job';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';
import { dotted } from './dotted.ts';
import { step } from './step.ts';

import { ink, stock } from './inks.ts';

/** Width of the heron on the ticket, mm, and where it stands. */
const HERON = { x: 97, y: 4, width: 50, turn: 0, mirrored: false };

/** The members' ticket: line art over its own soft shadow and a low moon, both screened. */
export function heronTicket({ heron, shadow, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 160, height: 80, bleed: 3, resolution: 1200 };
  const job = newJob(heron, 'drawing');
  const moon: OriginalRecipe = newGradient('original-1', 'ink-1', sheet);
  const soft = addedOriginal('original-2', 'ink-1', sheet, shadow);
  const line = newDrawing('original-3', 'ink-2', sheet, heron);
  return {
    ...job,
    name: 'Members’ ticket',
    recipe: {
      sheet,
      stock: stock('Oat board', '#ece0c4'),
      originals: [
        {
          ...moon,
          name: 'Low moon',
          content: {
            ...(moon.content as Gradient),
            ratio: 1,
            stops: [
              { at: 0, tone: 12, middle: 0.5 },
              { at: 1, tone: 88, middle: 0.5 },
            ],
            limit: 100,
          },
          placement: { ...moon.placement, x: 92, y: 8, width: 60 },
          container: { ...newContainer('ellipse'), edge: 'whole' },
        },
        {
          ...soft,
          name: 'Its shadow',
          placement: { ...HERON, x: HERON.x - 5, y: HERON.y + 3.5 },
          content: {
            ...(soft.content as Extract<OriginalRecipe['content'], { kind: 'picture' }>),
            // The white around the silhouette is no part of the shadow.
            cut: {
              by: 'brightness',
              colour: '#ffffff',
              place: { x: 0, y: 0 },
              tolerance: 12,
              connected: false,
              from: 60,
              to: 100,
              specks: 0,
              choke: -5,
              softness: 9,
              strokes: [],
            },
          },
          tone: { ...soft.tone, steps: [step('levels', { ceiling: 92 })] },
        },
        { ...line, name: 'Heron', placement: HERON },
        letters(
          typefaces,
          'Anton',
          'original-4',
          'ink-2',
          { x: 10, y: 7 },
          {
            text: 'MEMBER',
            size: 23.5,
            tracking: 1,
            align: 'left',
          },
        ),
        letters(
          typefaces,
          'Alfa Slab One',
          'original-5',
          'ink-2',
          { x: 10.6, y: 43 },
          {
            text: 'Saltmarsh Observatory\nopen on clear nights',
            size: 5.2,
            leading: 125,
            align: 'left',
          },
        ),
        letters(
          typefaces,
          'Anton',
          'original-6',
          'ink-1',
          { x: 10.4, y: 61 },
          {
            text: 'No. 0417',
            size: 8,
            tracking: 6,
            align: 'left',
          },
        ),
      ],
      inks: [ink('ink-1', 'Lantern', '#cf7a2a', 0.1), ink('ink-2', 'Reed black', '#20241f', 0)],
      overprints: [],
      press: null,
      marks: NO_MARKS,
      plates: [
        plainPlate('plate-1', 'ink-1', dotted({ ruling: 24, angle: 30 }, { smallest: 3 })),
        plainPlate('plate-2', 'ink-2', dotted({ ruling: 40, angle: 45 })),
      ],
    },
  };
}
