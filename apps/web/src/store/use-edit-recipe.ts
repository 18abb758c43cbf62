import type { Recipe } from '@brachytone/core';
import { toast } from 'sonner';
import { edit } from './job-slice.ts';
import { useAppDispatch } from './store.ts';
import { useDocument } from './use-job.ts';

/** Changes the recipe as one step by a function from one to the next; what it refuses is said. */
export function useEditRecipe(): (label: string, change: (recipe: Recipe) => Recipe) => void {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  return (label, change) => {
    let next: Recipe;
    try {
      next = change(recipe);
    } catch (error) {
      toast.error((error as Error).message);
      return;
    }
    dispatch(
      edit(label, (draft) => {
        for (const key of Object.keys(next) as (keyof Recipe)[]) {
          if (next[key] !== recipe[key]) Object.assign(draft.recipe, { [key]: next[key] });
        }
      }),
    );
  };
}
