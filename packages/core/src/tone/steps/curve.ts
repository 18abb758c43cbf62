import { monotoneCurve, STRAIGHT } from '../curve.ts';
import { defineStep } from './step.ts';

export const curve = defineStep({
  kind: 'curve',
  name: 'Curve',
  says: 'Bends the tones along a smooth curve through your points.',
  fields: { points: { type: 'curve', label: 'Curve', start: STRAIGHT } },
  words: ({ points }) => `${points.length} points`,
  point: ({ points }) => {
    const along = monotoneCurve(points);
    return (coverage) => along(coverage * 100) / 100;
  },
});
