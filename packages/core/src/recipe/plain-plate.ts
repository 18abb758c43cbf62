import type { Stock } from '../ink/ink.ts';
import type { Screen } from '../screen/screen.ts';
import { STRAIGHT } from '../tone/curve.ts';
import type { PlateRecipe } from './recipe.ts';

/** A plate that nothing is done to. */
export const plainPlate = (id: string, ink: string, screen: Screen): PlateRecipe => ({
  id,
  ink,
  screen,
  printed: true,
  curve: STRAIGHT,
  weight: 0,
  edgeSpread: 0,
  knocksOut: false,
  base: null,
  strokes: [],
  shift: { x: 0, y: 0, turn: 0 },
});

/** A pure white that takes and gives nothing. */
export const WHITE_STOCK: Stock = {
  name: 'White',
  lab: [100, 0, 0],
  texture: 'smooth',
  soak: 0,
  yuleNielsen: 1,
};
