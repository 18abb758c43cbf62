import { isOnStock } from '../separation/route.ts';
import type { OriginalRecipe } from './recipe.ts';

/** True for an original that has a say on plates: it is shown, and not on the stock already. */
export const isPlated = ({ shown, route }: Pick<OriginalRecipe, 'shown' | 'route'>): boolean =>
  shown && !isOnStock(route);
