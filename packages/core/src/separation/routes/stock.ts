import { COLOUR_BLEND_NAMES, type ColourBlend } from '../../colour/blend.ts';
import { percent } from '../route-field.ts';
import { defineRoute } from '../route-kind.ts';

/** On the stock before any ink is printed: seen in its own colours, and on no film. */
export interface StockRoute {
  readonly kind: 'stock';
  /** How its colours blend with the stock and with what is on it already. */
  readonly blend: ColourBlend;
  /** Percent. */
  readonly opacity: number;
}

export const stockRoute = defineRoute<StockRoute>({
  kind: 'stock',
  name: 'Already on the stock',
  says: 'It is on the stock before the inks: seen in its own colours, and on no film',
  fields: {
    blend: { type: 'word', label: 'Blend', words: COLOUR_BLEND_NAMES },
    opacity: percent('Opacity'),
  },
  suits: 'all',
  start: () => ({ route: { kind: 'stock', blend: 'normal', opacity: 100 } }),
  isColour: true,
  inks: () => [],
  lineInks: () => [],
  rows: (_route, ink) => {
    throw new RangeError(`What is on the stock already is not printed in the ink “${ink}”.`);
  },
  isOnStock: true,
});
