import type { OriginalRecipe } from '@brachytone/core';
import { useEffect, useState } from 'react';
import { inWorker } from '../../../../engine/engine.ts';
import { LAST } from '../../../../engine/ranks.ts';
import { usePictures } from '../../../../engine/use-pictures.ts';
import { useAppDispatch, useAppSelector } from '../../../../store/store.ts';
import { useDocument } from '../../../../store/use-job.ts';
import { reachShown } from '../../../../store/view-slice.ts';

/** How far off the colours come out, and where. */
export function ReachRow({ original }: { original: OriginalRecipe }) {
  const dispatch = useAppDispatch();
  const { recipe } = useDocument();
  const shown = useAppSelector((state) => state.view.reach) === original.id;
  const { version } = usePictures(recipe);
  const [error, setError] = useState<{ mean: number; most: number }>();
  const key = JSON.stringify([
    original.route,
    original.tone,
    recipe.inks,
    recipe.stock.lab,
    recipe.overprints,
  ]);
  useEffect(() => {
    let stale = false;
    const timer = setTimeout(() => {
      inWorker((worker) => worker.reachOf(recipe, original.id), { rank: LAST }).then(
        (made) => !stale && setError(made),
        () => undefined,
      );
    }, 400);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
    // The key stands for what the colours depend on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, version, original.id]);
  return (
    <button
      type="button"
      aria-pressed={shown}
      title={`Difference between the colour asked for and the nearest that these inks give, CIEDE2000: its mean${error ? `; nineteen twentieths of the picture stay under ${error.most.toFixed(1)}` : ''}`}
      className="mt-1.5 flex h-7 w-full items-center gap-2 rounded-sm border border-edge bg-raised px-2.5 hover:bg-white aria-pressed:border-ink"
      onClick={() => dispatch(reachShown(shown ? null : original.id))}
    >
      <span className="size-2.5 rounded-full bg-ruby" />{' '}
      {shown ? 'Back to the proof' : 'Show what is out of reach'}
      <span className="figures ml-auto text-soft">{error ? `ΔE ${error.mean.toFixed(1)}` : '…'}</span>
    </button>
  );
}
