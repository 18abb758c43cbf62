import { plainPlate, type Recipe } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { newContainer, newJob } from '@brachytone/job';
import { dotted } from './dotted.ts';
import { ink, stock } from './inks.ts';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';
import { step } from './step.ts';

/** What the bag is printed on and with: its press is measured in these inks and screens. */
export const TOTE_PRINT = {
  sheet: { width: 260, height: 290, bleed: 0, resolution: 600 },
  stock: { ...stock('Peat cloth', '#2c2a29', 'cloth'), soak: 0.05 },
  inks: [
    ink('ink-1', 'White, covering', '#f4f2ec', 0.97),
    ink('ink-2', 'Lantern', '#e9a043', 0.55),
    ink('ink-3', 'Rosehip', '#b8483f', 0.5),
    ink('ink-4', 'Tide', '#3f7f92', 0.5),
  ],
  plates: [
    {
      ...plainPlate('plate-1', 'ink-1', dotted({ ruling: 30, angle: 22.5 }, { smallest: 5 })),
      base: { fullness: 40, highlights: null },
      edgeSpread: -0.3,
    },
    plainPlate('plate-2', 'ink-2', dotted({ ruling: 30, angle: 82.5 }, { smallest: 5 })),
    plainPlate('plate-3', 'ink-3', dotted({ ruling: 30, angle: 52.5 }, { smallest: 5 })),
    plainPlate('plate-4', 'ink-4', dotted({ ruling: 30, angle: 7.5 }, { smallest: 5 })),
  ],
} satisfies Partial<Recipe>;

/** A dark bag: the marsh in covering inks, the cloth showing through for its darks, a white base choked under all. */
export function duskTote({ marsh, typefaces }: DemoMaterials): JobDocument {
  const { sheet } = TOTE_PRINT;
  const job = newJob(marsh);
  const [picture] = job.recipe.originals;
  const width = 0.5;
  const crop = { x: 0.25, y: 0.06, width, height: (width * marsh.width) / marsh.height, turn: 0 };
  const fits = { ...crop, height: Math.min(crop.height, 0.94) };
  const words = letters(
    typefaces,
    'Anton',
    'original-2',
    'ink-2',
    { x: 24, y: 246 },
    { text: 'SALTMARSH', size: 30, tracking: 6, align: 'left' },
  );
  return {
    ...job,
    name: 'Dusk tote',
    recipe: {
      ...job.recipe,
      ...TOTE_PRINT,
      originals: [
        {
          ...picture,
          content: { kind: 'picture', picture: marsh.sha256, crop: fits, line: null, cut: null },
          placement: { x: 15, y: 6, width: 230, turn: 0, mirrored: false },
          container: newContainer('ellipse'),
          tone: { ...picture.tone, steps: [step('levels', { bare: 3, solid: 92, mid: 1.15 })] },
          route: { kind: 'spot', inks: ['ink-1', 'ink-2', 'ink-3', 'ink-4'], limit: 300 },
        },
        {
          ...words,
          placement: { ...words.placement, x: (sheet.width - words.placement.width) / 2 },
        },
      ],
    },
  };
}
