import { mapPoint } from '../raster/affine.ts';
import { placedHeight } from './place-original.ts';
import { pictureSizeOf } from './picture-size.ts';
import { turned } from './placed.ts';
import type { OriginalRecipe, Sheet, Shift } from '../recipe/recipe.ts';
import type { Materials } from '../recipe/scene.ts';

/** An original as it lies on a plate that is moved, and turned about the sheet's middle. */
export function shifted(
  original: OriginalRecipe,
  materials: Materials,
  sheet: Pick<Sheet, 'width' | 'height'>,
  { x, y, turn }: Shift,
): OriginalRecipe {
  if (x === 0 && y === 0 && turn === 0) return original;
  const { placement } = original;
  const height = placedHeight(original, pictureSizeOf(original, materials));
  const half = { x: placement.width / 2, y: height / 2 };
  const middle = { x: sheet.width / 2, y: sheet.height / 2 };
  const about = mapPoint(turned(turn), placement.x + half.x - middle.x, placement.y + half.y - middle.y);
  return {
    ...original,
    placement: {
      ...placement,
      x: about.x + middle.x - half.x + x,
      y: about.y + middle.y - half.y + y,
      turn: placement.turn + turn,
    },
  };
}
