import { plainPlate } from '@brachytone/core';
import type { JobDocument, PictureFacts } from '@brachytone/job';
import { cropToSheet, newContainer, newJob, NO_MARKS, placeOnSheet } from '@brachytone/job';
import {
  newScreen,
  type Crop,
  type Ink,
  type OriginalRecipe,
  type Screen,
  type ToneStep,
  type Typeface,
} from '@brachytone/core';
import { dotted } from './dotted.ts';
import { heronTicket } from './heron-ticket.ts';
import { duskTote } from './dusk-tote.ts';
import { fountainCard } from './fountain-card.ts';
import { openNightPoster } from './open-night-poster.ts';
import { seasonLeaflet } from './season-leaflet.ts';
import { openNightBanner } from './open-night-banner.ts';
import { programmeCover } from './programme-cover.ts';
import { withPress } from './presses.ts';
import { step } from './step.ts';

import { ink, stock } from './inks.ts';

interface Wishes {
  name: string;
  sheet: JobDocument['recipe']['sheet'];
  stock: JobDocument['recipe']['stock'];
  ink: Ink;
  screen: Screen;
  steps: ToneStep[];
  crop?: Crop;
  original?: Partial<OriginalRecipe>;
}

function demoJob(picture: PictureFacts, wishes: Wishes): JobDocument {
  const job = newJob(picture);
  const crop = wishes.crop ?? cropToSheet(wishes.sheet, picture);
  return {
    ...job,
    name: wishes.name,
    recipe: {
      sheet: wishes.sheet,
      stock: wishes.stock,
      originals: job.recipe.originals.map((original) => ({
        ...original,
        content: { kind: 'picture' as const, picture: picture.sha256, crop, line: null, cut: null },
        placement: placeOnSheet(wishes.sheet, picture, crop),
        ...wishes.original,
        tone: { ...original.tone, steps: wishes.steps },
      })),
      inks: [wishes.ink],
      overprints: [],
      press: null,
      marks: NO_MARKS,
      plates: [plainPlate('plate-1', 'ink-1', wishes.screen)],
    },
  };
}

/** What the demo jobs are made from. */
export interface DemoMaterials {
  readonly moon: PictureFacts;
  readonly marsh: PictureFacts;
  readonly heron: PictureFacts;
  readonly shadow: PictureFacts;
  /** The typefaces that ship, by the SHA-256 of their files. */
  readonly typefaces: ReadonlyMap<string, Typeface>;
}

/** The Saltmarsh Observatory's first jobs, all invented. */
export const demoJobs = (materials: DemoMaterials): JobDocument[] =>
  [
    openNightPoster(materials),
    seasonLeaflet(materials),
    duskTote(materials),
    fountainCard(materials),
    openNightBanner(materials),
    programmeCover(materials),
    heronTicket(materials),
    ...photographs(materials),
  ].map(withPress);

function photographs({ moon, marsh }: DemoMaterials): JobDocument[] {
  return [
    demoJob(moon, {
      name: 'Night walk badge',
      sheet: { width: 90, height: 90, bleed: 0, resolution: 1200 },
      stock: stock('Oat board', '#e6d3ae'),
      ink: ink('ink-1', 'Ember', '#b8432a', 0.1),
      screen: dotted({ spot: 'diamond', ruling: 26, angle: 30 }, { smallest: 4, largest: 94 }),
      steps: [step('levels', { bare: 14, solid: 92, mid: 0.9 })],
      original: { container: { ...newContainer('ellipse'), margin: -3, edge: 'whole' } },
      crop: { x: 0.16, y: 0.068, width: 0.76, height: (0.76 * moon.width) / moon.height, turn: 0 },
    }),
    demoJob(marsh, {
      name: 'Low tide card',
      sheet: { width: 140, height: 140, bleed: 0, resolution: 1200 },
      stock: stock('Shell', '#f4ede0'),
      ink: ink('ink-1', 'Deep tide', '#15484f', 0.05),
      screen: newScreen(
        'lines',
        { ruling: 32, angle: 22.5, path: 'form', relief: 5, soft: 3 },
        { smallest: 4, largest: 92 },
      ),
      steps: [
        step('curve', {
          points: [
            { in: 0, out: 0 },
            { in: 34, out: 22 },
            { in: 70, out: 74 },
            { in: 100, out: 100 },
          ],
        }),
      ],
    }),
    demoJob(moon, {
      name: 'Moon over the reeds',
      sheet: { width: 297, height: 420, bleed: 0, resolution: 1200 },
      stock: stock('Uncoated cream', '#f3ecda'),
      ink: ink('ink-1', 'Night black', '#1a1b22', 0),
      screen: dotted({ ruling: 15, angle: 45 }, { smallest: 3, largest: 96 }),
      steps: [
        step('levels', { bare: 6, solid: 97 }),
        step('curve', {
          points: [
            { in: 0, out: 0 },
            { in: 30, out: 32 },
            { in: 72, out: 82 },
            { in: 100, out: 99 },
          ],
        }),
      ],
    }),
  ];
}
