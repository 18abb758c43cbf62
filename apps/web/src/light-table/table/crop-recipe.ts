import type { Recipe } from '@brachytone/core';
import { useMemo } from 'react';
import { useOriginalQuery } from '../../store/api.ts';

/** Width in mm that a picture is laid out at while it is cropped; only its shape matters. */
const WIDTH = 200;

/** The first original's whole picture as a sheet of its own, to set a crop on. */
export function useCropRecipe(recipe: Recipe): Recipe | undefined {
  const original = recipe.originals[0];
  const { data } = useOriginalQuery(original.picture);
  return useMemo(() => {
    if (!data) return undefined;
    return {
      ...recipe,
      sheet: {
        width: WIDTH,
        height: (WIDTH * data.height) / data.width,
        resolution: (data.width / WIDTH) * 25.4,
      },
      originals: [
        { ...original, crop: { x: 0, y: 0, width: 1, height: 1 }, placement: { x: 0, y: 0, width: WIDTH } },
      ],
    };
  }, [recipe, original, data]);
}
