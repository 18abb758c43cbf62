import type { OriginalRecipe, Recipe } from '@brachytone/core';
import { WHOLE_CROP } from '@brachytone/job';
import { useMemo } from 'react';
import { useFiles } from '../../store/use-files.ts';

/** Width in mm that a picture is laid out at while it is cropped; only its shape matters. */
const WIDTH = 200;

/** An original's whole picture as a sheet of its own, to set a crop on. */
export function useCropRecipe(recipe: Recipe, original: OriginalRecipe | undefined): Recipe | undefined {
  const files = useFiles();
  return useMemo(() => {
    if (original?.content.kind !== 'picture') return undefined;
    const file = files.get(original.content.picture);
    if (!file) return undefined;
    return {
      ...recipe,
      sheet: {
        width: WIDTH,
        height: (WIDTH * file.height) / file.width,
        bleed: 0,
        resolution: (file.width / WIDTH) * 25.4,
      },
      originals: [
        {
          ...original,
          content: { ...original.content, crop: WHOLE_CROP },
          placement: { x: 0, y: 0, width: WIDTH, turn: 0, mirrored: false },
          shown: true,
          container: null,
          fade: null,
          mix: null,
          colourDots: null,
        },
      ],
    };
  }, [recipe, original, files]);
}
