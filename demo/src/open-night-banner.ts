import { plainPlate } from '@brachytone/core';
import type { Gradient } from '@brachytone/core';
import { newGradient, newJob, NO_MARKS, type JobDocument } from '@brachytone/job';
import type { DemoMaterials } from './jobs.ts';
import { dotted } from './dotted.ts';
import { letters } from './letters.ts';

import { ink, stock } from './inks.ts';

/** A banner for the door: lettering with a gradient in it and a light glow around it, on a night sky. */
export function openNightBanner({ moon, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 420, height: 180, bleed: 3, resolution: 1200 };
  const job = newJob(moon);
  const sky = newGradient('original-1', 'ink-1', sheet);
  const words = letters(
    typefaces,
    'Anton',
    'original-2',
    'ink-1',
    { x: 30, y: 14 },
    {
      text: 'OPEN NIGHT',
      size: 88,
      tracking: 3,
      fill: 'gradient',
      outline: { width: 2.4, paint: 'bare' },
      inner: { width: 1.4, paint: 'solid' },
      glow: { reach: 26, strength: 96, paint: 'bare' },
    },
  );
  const under = letters(
    typefaces,
    'Alfa Slab One',
    'original-3',
    'ink-1',
    { x: 30, y: 136 },
    {
      text: 'Saltmarsh Observatory · every clear Friday',
      size: 13.5,
      tracking: 2,
      fill: 'bare',
    },
  );
  const middle = (one: typeof words) => ({
    ...one,
    placement: { ...one.placement, x: (sheet.width - one.placement.width) / 2 },
  });
  const content = words.content as Extract<typeof words.content, { kind: 'lettering' }>;
  return {
    ...job,
    name: 'Open night banner',
    recipe: {
      sheet,
      stock: stock('Fog', '#eeece2'),
      originals: [
        {
          ...sky,
          name: 'Night sky',
          content: {
            ...(sky.content as Gradient),
            stops: [
              { at: 0, tone: 96, middle: 0.5 },
              { at: 1, tone: 62, middle: 0.6 },
            ],
            limit: 100,
          },
        },
        middle({
          ...words,
          content: {
            ...content,
            gradient: {
              ...content.gradient,
              from: { x: 0.5, y: 0.2 },
              to: { x: 0.5, y: 0.86 },
              stops: [
                { at: 0, tone: 8, middle: 0.5 },
                { at: 1, tone: 82, middle: 0.55 },
              ],
            },
          },
        }),
        middle(under),
      ],
      inks: [ink('ink-1', 'Night blue', '#1d2a4d', 0)],
      overprints: [],
      press: null,
      marks: NO_MARKS,
      plates: [plainPlate('plate-1', 'ink-1', dotted({ ruling: 12, angle: 22.5 }))],
    },
  };
}
