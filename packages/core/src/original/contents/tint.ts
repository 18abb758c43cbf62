import type { Gradient } from '../../gradient/gradient.ts';
import type { Tint } from '../../recipe/recipe.ts';
import { defineContent } from '../content-kind.ts';
import { gradientContent } from './gradient.ts';

/** The gradient that has a tint's one tone from end to end. */
const evenly = ({ tone, ratio }: Tint): Gradient => ({
  kind: 'gradient',
  shape: 'linear',
  ratio,
  from: { x: 0.5, y: 0 },
  to: { x: 0.5, y: 1 },
  width: 1,
  stops: [
    { at: 0, tone, middle: 0.5 },
    { at: 1, tone, middle: 0.5 },
  ],
  points: [],
  limit: 100,
});

/** One tone all over a box. */
export const tintContent = defineContent<Tint>({
  kind: 'tint',
  file: () => undefined,
  height: ({ ratio }, width) => width * ratio,
  hasTones: () => true,
  hasLine: () => false,
  isAllLine: () => false,
  hasColours: () => false,
  gradient: evenly,
  place: (content, placing) => gradientContent.place(evenly(content), placing),
  smallSource: (content, ...rest) => gradientContent.smallSource(evenly(content), ...rest),
});
