import { applyLevels } from '../levels.ts';
import { defineStep } from './step.ts';

const percent = (label: string, start: number) =>
  ({ type: 'number', label, unit: 'percent', least: 0, most: 100, start }) as const;

export const levels = defineStep({
  kind: 'levels',
  name: 'Levels',
  says: 'Sets which tones are bare, middle and solid, and how light and dark they may come out.',
  fields: {
    bare: percent('Bare at', 0),
    solid: percent('Solid at', 100),
    mid: {
      type: 'number',
      label: 'Middle',
      unit: 'plain',
      least: 0.2,
      most: 5,
      usual: [0.4, 2.5],
      ratio: true,
      start: 1,
    },
    floor: percent('Floor', 0),
    ceiling: percent('Ceiling', 100),
  },
  words: ({ bare, solid }) => `${Math.round(bare)}–${Math.round(solid)}`,
  point: (settings) => (coverage) => applyLevels(settings, coverage),
});
