import type { OriginalRecipe } from '@brachytone/core';
import { useEffect, useState } from 'react';
import { inWorker } from '../../../engine/engine.ts';
import { LAST } from '../../../engine/ranks.ts';
import { usePictures } from '../../../engine/use-pictures.ts';
import { useDocument } from '../../../store/use-job.ts';

/** Rest before tones are counted, ms: the table comes first. */
const PATIENCE = 120;

/** Shares of an original's tones after the first `steps` of its tone steps; undefined until they are counted. */
export function useHistogram(original: OriginalRecipe | undefined, steps: number): number[] | undefined {
  const { recipe } = useDocument();
  const { version } = usePictures(recipe);
  const [bins, setBins] = useState<number[]>();
  const counted = original && {
    ...original,
    tone: { ...original.tone, steps: original.tone.steps.slice(0, steps) },
  };
  const key = JSON.stringify([counted?.content, counted?.tone]);
  useEffect(() => {
    if (!counted) return;
    let stale = false;
    const timer = setTimeout(() => {
      inWorker((worker) => worker.histogram(counted, steps), { rank: LAST }).then(
        (next) => !stale && setBins(next),
        // A picture that is not there yet; it is counted when it comes.
        () => undefined,
      );
    }, PATIENCE);
    return () => {
      stale = true;
      clearTimeout(timer);
    };
    // The key stands for what is counted.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, version]);
  return bins;
}
