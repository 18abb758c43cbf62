import { mmToPixels } from '../../raster/frame.ts';
import { SOLID } from '../../raster/plane.ts';
import { grainTile } from '../noise/grain-tile.ts';
import { tiled } from '../tiled.ts';
import type { Thresholds } from '../thresholds.ts';
import { defineScreen } from './kind.ts';
import { spotSizeWords } from './spot-size.ts';

export const grain = defineScreen({
  kind: 'grain',
  name: 'Grain',
  says: 'Stippled or streaked at random, as a stone or a plate wears.',
  fields: {
    manner: {
      type: 'choice',
      label: 'Manner',
      options: [
        { value: 'stippled', label: 'Stippled' },
        { value: 'streaked', label: 'Streaked' },
      ],
      start: 'stippled',
    },
    size: {
      type: 'number',
      label: 'Grain size',
      unit: 'mm',
      least: 0.01,
      most: 10,
      usual: [0.05, 2],
      ratio: true,
      start: 0.25,
    },
    length: {
      type: 'number',
      label: 'Length',
      unit: 'mm',
      least: 0.05,
      most: 50,
      usual: [0.5, 12],
      ratio: true,
      start: 3,
      when: { field: 'manner', is: ['streaked'] },
    },
    angle: {
      type: 'number',
      label: 'Direction',
      unit: 'degrees',
      least: -180,
      most: 180,
      usual: [0, 180],
      start: 30,
      when: { field: 'manner', is: ['streaked'] },
    },
    strength: { type: 'number', label: 'Strength', unit: 'percent', least: 1, most: 100, start: 100 },
    contrast: { type: 'number', label: 'Contrast', unit: 'percent', least: 0, most: 100, start: 0 },
    seed: { type: 'seed', label: 'Variation', start: 1 },
  },
  words: ({ manner, size }) => `${manner} · ${spotSizeWords(size)}`,
  sequential: () => false,
  make({ manner, size, length, angle, strength, contrast, seed }, transfer, frame) {
    const tile = grainTile({
      size: mmToPixels(size, frame),
      length: manner === 'streaked' ? mmToPixels(length, frame) : 0,
      angle: manner === 'streaked' ? angle : 0,
      seed,
      draft: frame.draft === true,
    });
    return tiled(strengthened(tile, strength / 100, contrast / 100), transfer);
  },
});

/**
 * Strength: below the full one, only tones near the middle are broken up, and those beyond are bare or solid. Contrast: tones
 * are sent along a curve that is steeper in the middle. Both are worked into the thresholds.
 */
function strengthened(tile: Thresholds, strength: number, contrast: number): Thresholds {
  if (strength === 1 && contrast === 0) return tile;
  const tone = (c: number): number => {
    const x = c / SOLID;
    const curved = x + contrast * (x * x * (3 - 2 * x) - x);
    return (0.5 + (curved - 0.5) / strength) * SOLID;
  };
  // The least coverage whose tone exceeds each threshold, less one.
  const least = new Uint16Array(SOLID + 1);
  for (let threshold = 0, c = 0; threshold <= SOLID; threshold++) {
    while (c <= SOLID && tone(c) <= threshold) c++;
    least[threshold] = Math.min(SOLID - 1, Math.max(0, c - 1));
  }
  return { ...tile, data: tile.data.map((threshold) => least[threshold]) };
}
