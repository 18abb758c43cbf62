import type { PlateRecipe } from '../recipe/recipe.ts';
import { screenTransfer } from '../screen/screen.ts';
import { curveTransfer, inTurn, type Transfer } from '../screen/transfer.ts';

/** What a plate's own curve and weight make of its art. */
export const ownTransfer = ({ curve, weight }: PlateRecipe): Transfer => curveTransfer(curve, weight);

/** From what the originals ask of a plate to what its film carries, where nothing else is done to it: its own curve and weight, then the limits of its dots. */
export const plateTransfer = (plate: PlateRecipe): Transfer =>
  inTurn(ownTransfer(plate), screenTransfer(plate.screen));
