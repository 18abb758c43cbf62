import { plainPlate, present } from '@brachytone/core';
import type { JobDocument } from '@brachytone/job';
import { newJob, placeOnSheet, PRINTING_CONDITIONS, withCondition } from '@brachytone/job';
import { dotted } from './dotted.ts';
import type { DemoMaterials } from './jobs.ts';
import { letters } from './letters.ts';

/** The season's leaflet in four process inks on uncoated paper, its type in black over them. */
export function seasonLeaflet({ marsh, typefaces }: DemoMaterials): JobDocument {
  const sheet = { width: 148, height: 210, bleed: 3, resolution: 1200 };
  const job = newJob(marsh);
  const [picture] = job.recipe.originals;
  // The picture takes the upper two thirds.
  const part = { width: sheet.width, height: 142, bleed: 3 };
  const height = (0.62 * marsh.width * (part.height + 3)) / (part.width + 6) / marsh.height;
  const crop = { x: 0.16, y: 0.98 - height, width: 0.62, height, turn: 0 };
  const type = (
    id: string,
    text: string,
    face: 'Anton' | 'Alfa Slab One',
    at: { x: number; y: number },
    size: number,
  ) => letters(typefaces, face, id, 'black', at, { text, size, tracking: 1, leading: 120, align: 'left' });
  const recipe: JobDocument['recipe'] = {
    ...job.recipe,
    sheet,
    originals: [
      {
        ...picture,
        content: { kind: 'picture', picture: marsh.sha256, crop, line: null, cut: null },
        placement: { ...placeOnSheet(part, marsh, crop), x: -3, y: -3, width: part.width + 6 },
      },
    ],
    plates: [plainPlate('plate-1', 'ink-1', dotted({ ruling: 55, angle: 45 }))],
  };
  const uncoated = present(
    PRINTING_CONDITIONS.find(({ id }) => id === 'uncoated'),
    'printing condition',
  );
  const separated = withCondition(recipe, picture.id, uncoated);
  return {
    ...job,
    name: 'Season leaflet',
    recipe: {
      ...separated,
      originals: [
        ...separated.originals,
        type('original-2', 'THE MARSH AT DUSK', 'Anton', { x: 10, y: 148 }, 16),
        type(
          'original-3',
          'Walks, talks and first stars\nSeptember to April\nSaltmarsh Observatory',
          'Alfa Slab One',
          { x: 10, y: 172 },
          6,
        ),
      ],
    },
  };
}
