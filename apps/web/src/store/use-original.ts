import type { OriginalRecipe } from '@brachytone/core';
import type { Draft } from 'immer';
import { useMemo } from 'react';
import type { NumberPath } from './strip.ts';
import { edit } from './job-slice.ts';
import { useAppDispatch, useAppSelector } from './store.ts';
import { useDocument } from './use-job.ts';

/** The original that is worked on; undefined on an empty sheet. */
export function useOriginal(): OriginalRecipe | undefined {
  const { recipe } = useDocument();
  const picked = useAppSelector((state) => state.view.original);
  return recipe.originals.find(({ id }) => id === picked) ?? recipe.originals[0];
}

/** The same for what is only there while there is one. */
export function useTheOriginal(): OriginalRecipe {
  const original = useOriginal();
  if (!original) throw new Error('There is no original to work on.');
  return original;
}

/** Where a part of the original that is worked on stands in the job. */
export function useOriginalPath(...part: string[]): NumberPath {
  const { originals } = useDocument().recipe;
  return ['recipe', 'originals', originals.indexOf(useTheOriginal()), ...part];
}

/** Changes the original that is worked on as one step; changes with the same gesture undo together. */
export function useEditOriginal(): (
  label: string,
  change: (draft: Draft<OriginalRecipe>) => void,
  gesture?: string | null,
) => void {
  const dispatch = useAppDispatch();
  const id = useOriginal()?.id;
  return useMemo(
    () =>
      (label, change, gesture = null) => {
        dispatch(
          edit(
            label,
            (draft) => {
              const original = draft.recipe.originals.find((one) => one.id === id);
              if (original) change(original);
            },
            gesture,
          ),
        );
      },
    [dispatch, id],
  );
}
