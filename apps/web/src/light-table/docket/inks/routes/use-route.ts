import type { OriginalRecipe, Route } from '@brachytone/core';
import { useMemo } from 'react';
import { edit } from '../../../../store/job-slice.ts';
import { useAppDispatch } from '../../../../store/store.ts';
import { useDocument } from '../../../../store/use-job.ts';
import type { NumberPath } from '../../../../store/strip.ts';

/** Changes numbers of an original's route, and where they stand in the job for a test strip. */
export function useRoute<Kind extends Route>(
  original: OriginalRecipe,
): { path: NumberPath; set: (label: string, change: Partial<Kind>, gesture?: string | null) => void } {
  const dispatch = useAppDispatch();
  const { originals } = useDocument().recipe;
  const at = originals.findIndex(({ id }) => id === original.id);
  return useMemo(
    () => ({
      path: ['recipe', 'originals', at, 'route'],
      set: (label, change, gesture = null) =>
        dispatch(
          edit(
            label,
            (draft) => void Object.assign(draft.recipe.originals[at].route, structuredClone(change)),
            gesture,
          ),
        ),
    }),
    [dispatch, at],
  );
}
